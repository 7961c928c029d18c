/** What is known of the phone: each number either told or taken from a prior with its spread. */
export interface CameraFacts {
  /** Height of the lens over the ground, cm. */
  heightCm?: number;
  /** Field of view of the picture's long side, degrees. */
  hfovDeg?: number;
}

/**
 * Heights that phones are stood at, fields of view that they have and how they lean: middle and
 * standard deviation (roll: docs/movement.md, scale and view).
 */
export const CAMERA_PRIOR = { heightCm: [100, 25], hfovDeg: [67, 5], rollDeg: [0, 1.5] } as const;

/**
 * A pinhole that stands level with the golfer's feet in its picture at the distance that the scale
 * tells.
 */
export interface Camera {
  focalPx: number;
  /** Row of the picture's middle, px. */
  middleY: number;
  heightCm: number;
  /** How far the lens looks down, radians. */
  pitch: number;
  /** From the lens to the golfer, cm along its axis. */
  distanceCm: number;
  /** Both height and field of view were told. */
  told: boolean;
  /**
   * Place on the ground that a picture point shows: along T (cm, + toward the picture's right) and
   * away from the lens. NaN for points over the horizon.
   */
  toGround(x: number, y: number): [across: number, away: number];
}

/**
 * The pinhole from scale, the feet's row in the picture, and what is known of the phone. The ground
 * point at `groundY` lies at the depth z = f · cm/px; its ray drops by the lens's height over that
 * way, which gives the pitch.
 */
export function camera(
  facts: CameraFacts,
  video: { width: number; height: number },
  groundY: number,
  cmPerPx: number,
): Camera {
  const heightCm = facts.heightCm ?? CAMERA_PRIOR.heightCm[0];
  const hfov = facts.hfovDeg ?? CAMERA_PRIOR.hfovDeg[0];
  const focalPx = Math.max(video.width, video.height) / 2 / Math.tan((hfov * Math.PI) / 360);
  const distanceCm = focalPx * cmPerPx;
  const [cx, cy] = [video.width / 2, video.height / 2];
  const below = Math.atan((groundY - cy) / focalPx);
  const pitch = Math.asin(Math.min(0.95, (heightCm * Math.cos(below)) / distanceCm)) - below;
  const [sin, cos] = [Math.sin(pitch), Math.cos(pitch)];
  return {
    focalPx,
    middleY: cy,
    heightCm,
    pitch,
    distanceCm,
    told: facts.heightCm !== undefined && facts.hfovDeg !== undefined,
    toGround(x, y) {
      const [xn, yn] = [(x - cx) / focalPx, (y - cy) / focalPx];
      const down = yn * cos + sin;
      if (down <= 0.01) return [NaN, NaN];
      return [(xn * heightCm) / down, ((cos - yn * sin) * heightCm) / down];
    },
  };
}
