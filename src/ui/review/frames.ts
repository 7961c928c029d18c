import { transfer, wrap } from "comlink";
import { watched } from "@/ui/kit/watched";
import { nearestFrame } from "@/core/track";
import type { FramePicture, FramesAsked, FramesWorker } from "@/vision/worker/framesProtocol";

/** All pictures that are kept together take no more than this, bytes. */
export const MOST_BYTES = 300e6;

/**
 * A decoder that says nothing for so long, ms, hangs, as one does now and then on a busy computer;
 * another one goes on from where it stood, so often.
 */
const SILENT_MS = 8000;
const TRIES = 3;

/** Steps in which the page is told how far it is. */
const STEPS = 25;

/** How large pictures are kept, px, so that so many of them find room. */
export const keptPx = (wanted: number, count: number): number =>
  Math.min(wanted, Math.floor(Math.sqrt(MOST_BYTES / 4 / Math.max(1, count))));

export interface FramesState {
  /** Share of the pictures that is there. */
  share: number;
  /** It can't be shown picture by picture. */
  failed: boolean;
}

/**
 * A film's stretch in two, where there are processors for two; what is looked at comes first in its
 * own half.
 */
export function halves(asked: FramesAsked): FramesAsked[] {
  if ((navigator.hardwareConcurrency || 1) < 2) return [asked];
  const middle = (asked.fromS + asked.toS) / 2;
  const within = (from: number, to: number) =>
    asked.firstS >= from && asked.firstS < to ? asked.firstS : from;
  return [
    { ...asked, toS: middle, firstS: within(asked.fromS, middle) },
    { ...asked, fromS: middle, firstS: within(middle, asked.toS + 1) },
  ];
}

/**
 * The decoded pictures of a rep, each by its number in the track: any of them can be painted at
 * once.
 */
export class Frames {
  private readonly pictures = new Map<number, ImageBitmap>();
  private readonly listeners = new Set<() => void>();
  private readonly workers: Worker[] = [];
  private now: FramesState = { share: 0, failed: false };
  private closed = false;

  /**
   * @param times of the track's pictures, ms
   * @param secondsPerMs the film's own seconds for one ms of what happened
   * @param count how many pictures will come
   */
  constructor(
    private readonly times: Float64Array,
    private readonly secondsPerMs: number,
    private readonly count: number,
  ) {}

  readonly subscribe = (changed: () => void): (() => void) => {
    this.listeners.add(changed);
    return () => this.listeners.delete(changed);
  };
  readonly state = (): FramesState => this.now;

  get(frame: number): ImageBitmap | null {
    return this.pictures.get(frame) ?? null;
  }

  async read(film: Blob, asked: FramesAsked): Promise<void> {
    const began = performance.now();
    try {
      // A decoder works on one picture at a time: two of them have half of the film each.
      const ends = await Promise.all(halves(asked).map((half) => this.readPart(film, half)));
      if (ends.includes("codec")) this.set({ share: 1, failed: true });
      // A film has a picture less than was reckoned, now and then.
      else {
        // For whoever measures.
        performance.mark("kingfisher:frames", {
          detail: {
            ms: performance.now() - began,
            bytes: this.pictures.size * 4 * asked.px ** 2,
            count: this.pictures.size,
          },
        });
        this.set({ ...this.now, share: 1 });
      }
    } catch {
      this.set({ share: 1, failed: true });
    }
  }

  private async readPart(film: Blob, asked: FramesAsked): ReturnType<FramesWorker["read"]> {
    let from = asked;
    for (let k = 0; k < TRIES && !this.closed; k++) {
      const read = await this.readFrom(film, from);
      if (typeof read === "string") return read;
      from = { ...asked, fromS: read.silentAfterS };
    }
    throw new Error("the decoder hangs");
  }

  /** @returns how it ended, or after which time of the film nothing came any more, s */
  private async readFrom(
    film: Blob,
    asked: FramesAsked,
  ): Promise<Awaited<ReturnType<FramesWorker["read"]>> | { silentAfterS: number }> {
    let [lastS, count] = [asked.fromS, 0];
    const watch = watched();
    const worker = new Worker(new URL("../../vision/worker/frames.worker.ts", import.meta.url), {
      type: "module",
    });
    this.workers.push(worker);
    const { port1, port2 } = new MessageChannel();
    let last = () => {};
    const allCame = new Promise<void>((resolve) => (last = resolve));
    port1.onmessage = ({ data }: MessageEvent<FramePicture | null>) => {
      watch.heard(SILENT_MS);
      if (!data) return last();
      const { timeS, bitmap } = data;
      // The first one is what is looked at; those after it come in order.
      if (count++ > 0) lastS = Math.max(lastS, timeS);
      const frame = nearestFrame(this.times, timeS / this.secondsPerMs);
      this.pictures.get(frame)?.close();
      this.pictures.set(frame, bitmap);
      // The page is told in steps, and of each part's first picture: that may be the one that is
      // looked at.
      const share =
        Math.min(STEPS - 1, Math.floor((STEPS * this.pictures.size) / this.count)) / STEPS;
      if (share !== this.now.share || this.pictures.size <= 2) this.set({ share, failed: false });
    };
    watch.heard(SILENT_MS);
    // A picture that came after all were said to be there would have it wait for more.
    const reading = wrap<FramesWorker>(worker)
      .read(film, asked, transfer(port2, [port2]))
      .then(async (ended) => {
        if (ended === "done") await allCame;
        return ended;
      });
    const ended = await Promise.race([reading, watch.silence]).finally(watch.end);
    if (ended !== "silent") return ended;
    worker.terminate();
    return { silentAfterS: lastS };
  }

  close(): void {
    this.closed = true;
    this.workers.forEach((w) => w.terminate());
    this.listeners.clear();
    for (const bitmap of this.pictures.values()) bitmap.close();
    this.pictures.clear();
  }

  private set(state: FramesState): void {
    this.now = state;
    this.listeners.forEach((l) => l());
  }
}
