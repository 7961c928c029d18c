import { asTrack, type Look } from "../../core/live";
import { median } from "../../core/maths";
import { statureInPx, POINT, STRIDE } from "../../core/track";
import { bodyIn } from "../read";
import { boxOf, type Square } from "../crop";
import { cutoutArea, type Cutout, type Box } from "../decode";
import { feetArea, feetBox, type FeetArea } from "../pictures";
import type { Background } from "../still";
import { LIVE_SQUARE } from "./fitted";

/** So much room round a golfer's square is theirs. */
export const ROOM = 1.3;

/** Where the golfer practises: the still crop and the area of the feet, as long as they stay. */
export interface CropPlace {
  square: Square;
  /** Middle of the feet, px. */
  stood: [x: number, y: number];
  feet: FeetArea;
  area: Box;
  reach: number;
  background: Background | null;
  golfer: Box;
}

/** The place of a golfer who stands, by looks at them. */
export function placeOf(
  looks: readonly Look[],
  { width, height }: { width: number; height: number },
): CropPlace {
  const square = squareOf(looks);
  const stood = feetOf(looks);
  const body = bodyIn(square);
  const feet = feetArea(stood, body);
  return {
    square,
    stood,
    feet,
    area: cutoutArea([boxOf(square), feetBox(feet)], width, height),
    reach: Math.round(body * 0.24),
    background: null,
    golfer: boxOf({ ...square, size: square.size * ROOM }),
  };
}

/** Middle of some points over looks, px. */
const middleOf = (looks: readonly Look[], points: readonly number[], axis: 0 | 1): number =>
  median(
    looks.map((l) => points.reduce((s, p) => s + l.points[p * STRIDE + axis]!, 0) / points.length),
  );

const FEET = [
  POINT.leftAnkle,
  POINT.rightAnkle,
  POINT.leftToe,
  POINT.rightToe,
  POINT.leftHeel,
  POINT.rightHeel,
];
const HIPS = [POINT.leftHip, POINT.rightHip];
const ANKLES = [POINT.leftAnkle, POINT.rightAnkle];
const SHOULDERS = [POINT.leftShoulder, POINT.rightShoulder];

export const feetOf = (looks: readonly Look[]): [x: number, y: number] => [
  middleOf(looks, FEET, 0),
  middleOf(looks, FEET, 1),
];

/** The still square round a golfer who stands: over the feet, for the hips may be anywhere. */
export function squareOf(looks: readonly Look[]): Square {
  const tall = statureInPx(asTrack(looks));
  return {
    cx: Math.round(middleOf(looks, ANKLES, 0)),
    cy: Math.round(middleOf(looks, HIPS, 1) + LIVE_SQUARE.below * tall),
    size: Math.round(LIVE_SQUARE.size * tall),
  };
}

/**
 * Whether somebody stands, however bent to a ball at address: the trunk is as high as this share of
 * the legs at least (standing 0.6, at address 0.5).
 */
export const uprightPlace = (looks: readonly Look[]): boolean => {
  const [shoulders, hips, ankles] = [SHOULDERS, HIPS, ANKLES].map((p) => middleOf(looks, p, 1)) as [
    number,
    number,
    number,
  ];
  return hips - shoulders > 0.4 * (ankles - hips);
};

export const holds = (c: Cutout, area: Box): boolean =>
  c.left <= area.left &&
  c.top <= area.top &&
  c.left + c.frame.width >= area.right &&
  c.top + c.frame.height >= area.bottom;

/** Whether a cutout holds all of a square that lies in the picture. */
export function holdsSquare(
  c: Cutout,
  square: Square,
  { width, height }: { width: number; height: number },
): boolean {
  return holds(c, cutoutArea([boxOf(square)], width, height));
}
