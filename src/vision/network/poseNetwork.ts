/** The bare network: numbers in, numbers out. Where it runs (browser worker, Node) is the loader's business. */
export interface PoseNetwork {
  /** 224×224×3 RGB, −1…1 → boxes [2254×12] and score logits [2254]. */
  detect(input: Float32Array): Promise<{ boxes: Float32Array; scores: Float32Array }>;
  /** 256×256×3 RGB, 0…1 → the five outputs that are read. */
  landmarks(input: Float32Array): Promise<LandmarkOutput>;
  model: string;
  threads: number;
}

export interface LandmarkOutput {
  /** 39 × (x, y, z, visibility logit, presence logit), x and y in px of the 256 crop. */
  points: Float32Array;
  /** Share of certainty that a person is there, 0–1. */
  presence: number;
  /** 256 × 256 logits of the body's outline. */
  mask: Float32Array;
  /** 64 × 64 × 39 logits. */
  heat: Float32Array;
}

export const DETECT_SIDE = 224;
export const CROP_SIDE = 256;
