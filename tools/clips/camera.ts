import { add, cross, dot, rotate, sub, unit, type Vec3 } from "../../src/core/maths/vec3";
import type { ClipSpec, PhoneCamera } from "./clip";

/**
 * A pinhole camera in world axes (x as seen from the front, y up, z toward the face-on camera), cm.
 */
export interface Pinhole {
  position: Vec3;
  /** Right, up and forward unit vectors. */
  axes: [Vec3, Vec3, Vec3];
  focalPx: number;
  /** World point to picture, px from the top left. */
  project(p: Vec3): [number, number];
}

/**
 * The phone of a clip at a time: in front of the golfer (face-on) or behind along the target line,
 * aimed at hip height, off square by `yaw`, rolled by `roll`, sagging or knocked as told.
 */
export function pinhole(
  spec: Pick<ClipSpec, "camera" | "view"> & { golfer: { hand: "left" | "right" } },
  tSeconds = 0,
): Pinhole {
  const c = spec.camera;
  const moved = shaken(c, tSeconds);
  const depth = spec.view === "face-on" ? 5 : 25;
  const target: Vec3 = [0, 88, depth];
  const side = spec.golfer.hand === "right" ? 1 : -1;
  // Down the line the phone stands on the trail side, which is the other side of the world for a
  // left-hander.
  const square: Vec3 =
    spec.view === "face-on" ? [0, c.height, c.distance] : [-c.distance * side, c.height, 0];
  const turn = spec.view === "face-on" ? c.yaw : -c.yaw * side;
  const position = add([0, 0, depth], rotate(square, [0, 1, 0], turn));
  const straight = unit(sub(target, position));
  const across = unit(cross(straight, [0, 1, 0]));
  const raised = rotate(straight, across, (c.pitch ?? 0) + moved.pitch);
  const forward = rotate(raised, [0, 1, 0], moved.yaw);
  const level = unit(cross(forward, [0, 1, 0]));
  const right = rotate(level, forward, c.roll + moved.roll);
  const up = cross(right, forward);
  const focalPx = Math.max(c.width, c.height_px) / 2 / Math.tan((c.fov * Math.PI) / 360);
  return {
    position,
    axes: [right, up, forward],
    focalPx,
    project: (p) => {
      const d = sub(p, position);
      const z = dot(d, forward);
      return [
        c.width / 2 + (focalPx * dot(d, right)) / z,
        c.height_px / 2 - (focalPx * dot(d, up)) / z,
      ];
    },
  };
}

/**
 * What has become of the phone's direction: a slow sag, a knock that rings for a moment and stays.
 */
function shaken(c: PhoneCamera, t: number): { pitch: number; roll: number; yaw: number } {
  const sag = c.sag && t > c.sag.at ? -(t - c.sag.at) * c.sag.perSecond : 0;
  if (!c.knock || t < c.knock.at) return { pitch: sag, roll: 0, yaw: 0 };
  const since = t - c.knock.at;
  const ring = 1 - Math.exp(-since / 0.06) * Math.cos(since * 55);
  return { pitch: sag + c.knock.pitch * ring, roll: c.knock.roll * ring, yaw: c.knock.yaw * ring };
}

/** Whether the phone's direction is another one than a moment before. */
export const cameraMoves = (c: PhoneCamera, t: number): boolean =>
  (c.sag !== undefined && t > c.sag.at) ||
  (c.knock !== undefined && t >= c.knock.at && t < c.knock.at + 0.6);

/**
 * A body point [T, U, D] in world axes: the picture's right is the target's side for a
 * right-hander.
 */
export const toWorld = (p: Vec3, hand: "left" | "right"): Vec3 => [
  hand === "right" ? p[0] : -p[0],
  p[1],
  p[2],
];
