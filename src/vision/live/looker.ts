import { Resampler, type Square } from "../crop";
import type { Cutout } from "../decode";
import { CROP_SIDE, type LandmarkOutput, type PoseNetwork } from "../network";
import { LATELY } from "./lately";

/** Asks the network about pictures, and knows how busy it is. */
export class Looker {
  private readonly resampler = new Resampler(CROP_SIDE, 0, 1, "nearest");
  /** Looks that are under way. */
  under = 0;
  /** What a look takes lately, ms. */
  lookMs = 30;

  constructor(private readonly network: PoseNetwork) {}

  /** Pictures that the network looks at at the same time. */
  get atOnce(): number {
    return this.network.atOnce;
  }

  /** What the network says of a square of a picture; to be given back by `done`. */
  async look(cut: Cutout, square: Square): Promise<LandmarkOutput> {
    this.under++;
    const began = performance.now();
    try {
      const crop = this.resampler.cut(cut, square, this.network.crop());
      return await this.network.landmarks(crop, { t: cut.frame.timeMs, square });
    } finally {
      // Those that waited in a row for their turn each took their share of it.
      const took = ((performance.now() - began) * this.atOnce) / Math.max(this.under, this.atOnce);
      this.lookMs += LATELY * (took - this.lookMs);
      this.under--;
    }
  }

  done(output: LandmarkOutput): void {
    this.network.done(output);
  }
}
