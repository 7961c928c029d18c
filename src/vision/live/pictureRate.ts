import { LATELY } from "./lately";

/** How often a camera's pictures come lately. */
export class PictureRate {
  private everyMs: number | null = null;
  private lastAt: number | null = null;

  /** A picture came. @param t ms on the camera's clock */
  came(t: number): void {
    if (this.lastAt !== null) {
      const since = t - this.lastAt;
      this.everyMs = this.everyMs === null ? since : this.everyMs + LATELY * (since - this.everyMs);
    }
    this.lastAt = t;
  }

  /** The next picture does not follow on the last one. */
  paused(): void {
    this.lastAt = null;
  }

  /** Pictures a second; null before that is known. */
  get fps(): number | null {
    return this.everyMs && 1000 / this.everyMs;
  }
}
