import { transfer, wrap, type Remote } from "comlink";
import type { FramePicture, FramesAsked, FramesWorker } from "@/vision/worker/framesProtocol";
import { nearestFrame } from "./nearestFrame";

/** All pictures that are kept together take no more than this, bytes. */
export const MOST_BYTES = 300e6;

/** How large pictures are kept, px, so that so many of them find room. */
export const keptPx = (wanted: number, count: number): number => Math.min(wanted, Math.floor(Math.sqrt(MOST_BYTES / 4 / Math.max(1, count))));

export interface FramesState {
  /** Share of the pictures that is there. */
  share: number;
  /** It can't be shown picture by picture. */
  failed: boolean;
}

/** The decoded pictures of a rep, each by its number in the track: any of them can be painted at once. */
export class Frames {
  private readonly pictures = new Map<number, ImageBitmap>();
  private readonly listeners = new Set<() => void>();
  private readonly worker: Worker;
  private readonly remote: Remote<FramesWorker>;
  private now: FramesState = { share: 0, failed: false };

  /**
   * @param times of the track's pictures, ms
   * @param secondsPerMs the film's own seconds for one ms of what happened
   * @param count how many pictures will come
   */
  constructor(private readonly times: Float64Array, private readonly secondsPerMs: number, private readonly count: number) {
    this.worker = new Worker(new URL("../../vision/worker/frames.worker.ts", import.meta.url), { type: "module" });
    this.remote = wrap<FramesWorker>(this.worker);
  }

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
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = ({ data: { timeS, bitmap } }: MessageEvent<FramePicture>) => {
      const frame = nearestFrame(this.times, timeS / this.secondsPerMs);
      this.pictures.get(frame)?.close();
      this.pictures.set(frame, bitmap);
      this.set({ share: Math.min(1, this.pictures.size / this.count), failed: false });
    };
    try {
      const end = await this.remote.read(film, asked, transfer(port2, [port2]));
      if (end === "codec") this.set({ share: 1, failed: true });
      // A film has a picture less than was reckoned, now and then.
      else if (end === "done") {
        // For whoever measures.
        performance.mark("kingfisher:frames", { detail: { ms: performance.now() - began, bytes: this.pictures.size * 4 * asked.px ** 2, count: this.pictures.size } });
        this.set({ ...this.now, share: 1 });
      }
    } catch {
      this.set({ share: 1, failed: true });
    }
  }

  close(): void {
    this.worker.terminate();
    this.listeners.clear();
    for (const bitmap of this.pictures.values()) bitmap.close();
    this.pictures.clear();
  }

  private set(state: FramesState): void {
    this.now = state;
    this.listeners.forEach((l) => l());
  }
}
