import type { Square } from "../crop";
import { CROP_SIDE } from "../network";

/**
 * Column or row of the mask (whole numbers at its samples) of a place in the picture, px; `centre`
 * is the crop's along that axis.
 */
export const toMask = (px: number, centre: number, { size }: Square): number =>
  ((px - centre) / size + 0.5) * CROP_SIDE - 0.5;

/** The other way round. */
export const toPicture = (place: number, centre: number, { size }: Square): number =>
  centre + ((place + 0.5) / CROP_SIDE - 0.5) * size;

/** How far on the way from a sample inside the body to one outside its logits pass nought, 0–1. */
export const edgeBetween = (inside: number, outside: number): number => inside / (inside - outside);
