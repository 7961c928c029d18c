/**
 * What was seen in a clip, frame by frame; all that the rest of the program needs of the pixels.
 * Picture coordinates are px from the top left of the upright (rotated) picture, x right, y down;
 * times are ms from the clip's first frame. Left and right are the subject's own, as the network
 * names them; lead and trail come later.
 */
export interface Track {
  /** Presentation time of each frame, ms. */
  times: Float64Array;
  /**
   * 1 for a frame at which the network looked, 0 for one whose body points, outline, edges and
   * presence are not there yet; all were read where it is left out.
   */
  read?: Uint8Array | undefined;
  /** frames × 33 × (x px, y px, visibility 0–1, σ px): the network's 33 body points. */
  landmarks: Float32Array;
  /**
   * frames × 8: left and right edge of the body's outline at hips, ears, 30 % and 80 % of the way
   * from hips to shoulders, px; NaN where not found.
   */
  outline: Float32Array;
  /**
   * frames × (left foot, right foot) × (left, right, lowest edge of the shoe's picture, px); NaN
   * where not sure.
   */
  footEdges: Float32Array;
  /** Share of certainty that a person is in the crop, 0–1, a frame. */
  presence: Float32Array;
  /** Sub-pixel paths of a foot round one spell on the ground, from template tracking. */
  footPaths: FootPath[];
  /** Sub-pixel paths of the hands round the top of each swing, chained from frame to frame; px. */
  handsPaths: HandsPath[];
  /**
   * Now and then: how far the background has moved since the first picture (px; null = nothing to
   * tell it by), and how bright the golfer is (0–255).
   */
  looks: { t: number; moved: number | null; luma: number }[];
  /** Sudden sounds: ms and loudness against the clip's own background, dB. */
  sounds: { t: number; db: number }[];
  video: {
    width: number;
    height: number;
    frames: number;
    fps: number;
    rotation: 0 | 90 | 180 | 270;
    audio: boolean;
    durationMs: number;
  };
  /** The one still crop all frames were read with: centre and side, px. */
  crop: { cx: number; cy: number; size: number };
  model: string;
  /**
   * Other people seen now and then: when (ms), and centre and side of the square round their body,
   * px (the golfer's own is a little larger than `crop`).
   */
  others: { t: number; x: number; y: number; size: number }[];
}

/** The network is this sure that somebody is there, or they say nothing. */
export const PRESENT = 0.5;

export interface HandsPath {
  /** First frame. */
  from: number;
  x: Float32Array;
  y: Float32Array;
}

/**
 * A foot's displacement from its planted place (px, of the template's match), for frames `from` …
 * `from + dx.length − 1`.
 */
export interface FootPath {
  foot: "left" | "right";
  /** Which part of the shoe the template covers; `rise`: its upper, from the top of a swing on. */
  part: "heel" | "toe" | "whole" | "rise";
  /** Frames between which the foot stands, by the network's points. */
  plantedFrom: number;
  plantedTo: number;
  from: number;
  dx: Float32Array;
  dy: Float32Array;
  /** Mean absolute difference of the match, 0–255. */
  residual: Float32Array;
}

export const OUTLINE = 8;
export const EDGES = 6;
export const POINTS = 33;
export const STRIDE = 4;
/** How many numbers each channel that the network gives has for a frame. */
export const CHANNEL_WIDTHS = {
  landmarks: POINTS * STRIDE,
  outline: OUTLINE,
  footEdges: EDGES,
  presence: 1,
} as const;
export const CHANNELS = Object.keys(CHANNEL_WIDTHS) as (keyof typeof CHANNEL_WIDTHS)[];

/** The network's body points by name (the subject's own left and right). */
export const POINT = {
  nose: 0,
  leftEar: 7,
  rightEar: 8,
  leftShoulder: 11,
  rightShoulder: 12,
  leftElbow: 13,
  rightElbow: 14,
  leftWrist: 15,
  rightWrist: 16,
  leftIndex: 19,
  rightIndex: 20,
  leftHip: 23,
  rightHip: 24,
  leftKnee: 25,
  rightKnee: 26,
  leftAnkle: 27,
  rightAnkle: 28,
  leftHeel: 29,
  rightHeel: 30,
  leftToe: 31,
  rightToe: 32,
} as const;

/** Index in `Track.footEdges` of one edge of a foot's picture. */
export const edgeAt = (
  frame: number,
  foot: "left" | "right",
  edge: "left" | "right" | "low",
): number =>
  frame * EDGES + (foot === "left" ? 0 : 3) + (edge === "left" ? 0 : edge === "right" ? 1 : 2);

/** Index of a point's x in `Track.landmarks`; y, visibility and σ follow. */
export const at = (frame: number, point: number): number => (frame * POINTS + point) * STRIDE;

/** Time from one picture to the next, ms. */
export const frameMs = (times: Float64Array): number =>
  (times[times.length - 1]! - times[0]!) / (times.length - 1);
