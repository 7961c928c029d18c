import { sha256 } from "@noble/hashes/sha2.js";
import { bytesToHex } from "@noble/hashes/utils.js";
import { findStage } from "../../core/drills";
import { writeTrack } from "../../core/formats";
import { ClipError } from "../decode";
import type { Loaded } from "./loadBrowser";
import { readFilm, type FilmReading } from "./readFilm";
import type { AboutDevice, Progress, ReadFor, Reader, ReadFailure, ReadSuccess } from "./protocol";

/** What a page says to the worker that reads its clips. */
export class ClipReader implements Reader {
  private loaded: Promise<Loaded> | null = null;
  /** A network that has shown itself to be as good and quicker, until it takes over. */
  private better: Promise<Loaded | null> = Promise.resolve(null);
  private running: AbortController | null = null;
  private open = 0;

  /**
   * @param loadFirst the network that reading begins with
   * @param loadBetter looks for a quicker one meanwhile
   */
  constructor(
    private readonly loadFirst: () => Promise<Loaded>,
    private readonly loadBetter: (first: Loaded) => Promise<Loaded | null>,
  ) {}

  async warm(): Promise<AboutDevice> {
    const first = await this.load();
    return ((await this.better) ?? first).about;
  }

  async read(
    file: File,
    readFor: ReadFor,
    onProgress: (p: Progress) => void,
  ): Promise<ReadSuccess | ReadFailure> {
    const abort = (this.running = new AbortController());
    const stopped = new Promise<never>((_, reject) =>
      abort.signal.addEventListener("abort", () => reject(new ClipError("cancelled"))),
    );
    try {
      // Stopping does not wait for a picture that is under way.
      return await Promise.race([this.readOne(file, readFor, abort.signal, onProgress), stopped]);
    } catch (error) {
      const known =
        error instanceof ClipError
          ? error
          : new ClipError("reading", error instanceof Error ? error.message : String(error), error);
      return { ok: false, code: known.code, message: known.message, action: known.action };
    }
  }

  cancel(): void {
    this.running?.abort();
  }

  private load(): Promise<Loaded> {
    this.loaded ??= this.loadFirst().then(
      (first) => {
        this.better = this.loadBetter(first).catch(() => null);
        void this.better.then(() => this.takeOver());
        return first;
      },
      (error: unknown) => {
        this.loaded = null;
        throw new ClipError("network", undefined, error);
      },
    );
    return this.loaded;
  }

  /** A clip is read to its end by the network that began it. */
  private async takeOver(): Promise<void> {
    const [now, next] = [await this.loaded, await this.better];
    if (!now || !next || now === next || this.open > 0) return;
    this.loaded = Promise.resolve(next);
    now.end();
  }

  private async readOne(
    file: File,
    readFor: ReadFor,
    signal: AbortSignal,
    onProgress: (p: Progress) => void,
  ): Promise<ReadSuccess> {
    this.open++;
    try {
      const { drill, stage, statureCm, hand } = readFor;
      const { track, timings } = await readFilm(
        file,
        async () => {
          onProgress({ step: "loading" });
          const { network } = await this.load();
          onProgress({ step: "looking" });
          return network;
        },
        {
          faceOn: drill === "none" || findStage(drill, stage).stage.view === "face-on",
          asked: { drill, ...(stage ? { stage } : {}), golfer: { statureCm, hand } },
          signal,
          progress: toldOften(signal, onProgress),
        },
      );
      const bytes = writeTrack(track);
      return {
        ok: true,
        track: bytes,
        trackSha256: bytesToHex(sha256(bytes)),
        clipSha256: await fileSha256(file),
        timings,
        durationMs: track.video.durationMs,
      };
    } finally {
      this.open--;
      void this.takeOver();
    }
  }
}

/** Progress is told so often, ms. */
const PROGRESS_MS = 100;

/** Hands on how far reading is, not too often, and its end. */
function toldOften(
  signal: AbortSignal,
  onProgress: (p: Progress) => void,
): NonNullable<FilmReading["progress"]> {
  let last = 0;
  return (far) => {
    const now = performance.now();
    if (signal.aborted || (now - last < PROGRESS_MS && far.share < 1)) return;
    last = now;
    onProgress({ step: "reading", far });
  };
}

/** A film may be larger than memory: it is hashed as it comes. */
async function fileSha256(file: File): Promise<string> {
  const hash = sha256.create();
  const reader = file.stream().getReader();
  for (let part = await reader.read(); !part.done; part = await reader.read())
    hash.update(part.value);
  return bytesToHex(hash.digest());
}
