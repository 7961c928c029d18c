import { SoundPower, type Onset, type SoundBlock } from "./onsets";

/** Sounds are kept for as long as pictures are, ms. */
const KEPT_MS = 12_000;

/**
 * Listens to a running microphone and tells sudden sounds of the last seconds. The sound itself is
 * not kept.
 *
 * A microphone's clock is its own: the block that was least late on its way here is taken to have
 * come at once, as a camera's pictures are.
 */
export class Ears {
  private readonly power = new SoundPower();
  private clock = Infinity;

  /**
   * @param block on the microphone's own clock
   * @param now when it came, ms on the clock of whoever asks
   */
  hear(block: SoundBlock, now: number): void {
    this.clock = Math.min(
      this.clock,
      now - block.timeMs - (block.samples.length / block.rate) * 1000,
    );
    this.power.hear(block);
    this.power.keep(KEPT_MS);
  }

  /** Sudden sounds between two times, on the clock of whoever asks. */
  between(fromMs: number, toMs: number): Onset[] {
    return this.power
      .onsets()
      .map(({ t, db }) => ({ t: t + this.clock, db }))
      .filter(({ t }) => t >= fromMs && t <= toMs);
  }
}
