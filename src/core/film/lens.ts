/** What the planner knows of a camera: its picture as it is held for filming. */
export interface Lens {
  /** Field of view of the picture's long side, degrees. */
  fovDeg: number;
  /** Long and short side of the picture, px. */
  long: number;
  short: number;
  /** Pictures a second. */
  fps: number;
}

/** What a camera is asked for: what the golfer's distance and a swing's speed want. */
export const ASKED = { long: 1280, short: 720, fps: 60 } as const;

/** Half of what a lens sees to the side and up, as tangents, with the picture lying or standing. */
export function halfView(
  { fovDeg, long, short }: Lens,
  portrait: boolean,
): { across: number; up: number } {
  const half = Math.tan((fovDeg * Math.PI) / 360);
  const other = (half * short) / long;
  return portrait ? { across: other, up: half } : { across: half, up: other };
}

/** Width of a pixel at a distance, cm. */
export const cmPerPx = ({ fovDeg, long }: Lens, distanceCm: number): number =>
  (2 * distanceCm * Math.tan((fovDeg * Math.PI) / 360)) / long;

/**
 * Field of view of a picture's long side, degrees, in which somebody just fits from head to feet at
 * a distance, cm.
 */
export const lensOf = (statureCm: number, distanceCm: number): number =>
  (2 * Math.atan(statureCm / 2 / distanceCm) * 180) / Math.PI;
