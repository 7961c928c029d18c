import { wrap, type Remote } from "comlink";
import { SAMPLES, type AnalysedRep, type AnalyseOptions } from "@/core/analysis";
import type { Overrides } from "@/core/reps";
import type { Scene } from "@/core/scene";
import type { AgainWorker } from "./again.worker";

/**
 * A kept rep that is read again as the golfer says: by two workers at a time, where there are
 * processors for two.
 */
export class RepeatedAnalysis {
  private readonly workers: Worker[];
  private readonly readers: Remote<AgainWorker>[];

  constructor() {
    const count = (navigator.hardwareConcurrency || 1) < 2 ? 1 : 2;
    this.workers = Array.from(
      { length: count },
      () => new Worker(new URL("./again.worker.ts", import.meta.url), { type: "module" }),
    );
    this.readers = this.workers.map((w) => wrap<AgainWorker>(w));
  }

  /**
   * Opens the track for a golfer's hand and stature. @param was which rep of it it is @param ahead
   * nothing is asked yet
   */
  async open(
    track: Uint8Array,
    options: AnalyseOptions,
    was: { index: number; from: number; to: number },
    ahead: boolean,
  ): Promise<Pick<Scene, "scale">> {
    const each = SAMPLES / this.readers.length;
    const [first] = await Promise.all(
      this.readers.map((r, k) => r.open(track, options, was, [k * each, (k + 1) * each], ahead)),
    );
    return first!;
  }

  /** The rep with what the golfer says of it; null when none is left. */
  async again(said: Overrides): Promise<AnalysedRep | null> {
    const sampled = await Promise.all(this.readers.map((r) => r.sample(said)));
    const others = sampled.slice(1).flatMap((s) => s ?? []);
    return sampled.includes(null) ? null : this.readers[0]!.again(said, others);
  }

  close(): void {
    this.workers.forEach((w) => w.terminate());
  }
}
