/**
 * The bare network: numbers in, numbers out. Where it runs (browser worker, Node) is the loader's
 * business.
 */
export interface PoseNetwork {
  /**
   * 224×224×3 RGB, −1…1 → boxes [2254×12] and score logits [2254]. The input is given away.
   *
   * @param of what the input shows
   */
  detect(
    input: Float32Array<ArrayBuffer>,
    of?: Shown,
  ): Promise<{ boxes: Float32Array<ArrayBuffer>; scores: Float32Array<ArrayBuffer> }>;
  /** Memory for a crop: one that was given away before, if it has come back. */
  crop(): Float32Array<ArrayBuffer>;
  /**
   * 256×256×3 RGB, 0…1 → the five outputs that are read. The crop is given away.
   *
   * @param of what the crop shows
   */
  landmarks(input: Float32Array<ArrayBuffer>, of?: Shown): Promise<LandmarkOutput>;
  /**
   * Gives an output that was read back, so that its memory is used again: new megabytes for each
   * picture keep the garbage collector busy.
   */
  done(output: LandmarkOutput): void;
  model: string;
  /** Processor threads that it uses; 0 on a graphics processor. */
  threads: number;
  /** Pictures that it looks at at the same time. */
  atOnce: number;
}

/**
 * What an input is cut from: a picture's time, ms, and the square, px of the picture. Only a network
 * that answers from a recording needs it.
 */
export interface Shown {
  t: number;
  square: { cx: number; cy: number; size: number };
}

export interface LandmarkOutput {
  /** 39 × (x, y, z, visibility logit, presence logit), x and y in px of the 256 crop. */
  points: Float32Array<ArrayBuffer>;
  /** Share of certainty that a person is there, 0–1. */
  presence: number;
  /** 256 × 256 logits of the body's outline. */
  mask: Float32Array<ArrayBuffer>;
  /** 64 × 64 × 39 logits. */
  heat: Float32Array<ArrayBuffer>;
}

export const DETECT_SIDE = 224;
export const CROP_SIDE = 256;
/** Numbers of the outline and of the heat maps. */
export const MASK_SIZE = 256 * 256;
export const HEAT_SIZE = 64 * 64 * 39;
