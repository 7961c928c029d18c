import { add, cross, dot, rotate, sub, unit, type Vec3 } from "../../src/core/maths/vec3";
import type { ClipSpec } from "./clip";

/** A pinhole camera in world axes (x as seen from the front, y up, z toward the camera), cm. */
export interface Pinhole {
  position: Vec3;
  /** Right, up and forward unit vectors. */
  axes: [Vec3, Vec3, Vec3];
  focalPx: number;
  /** World point to picture, px from the top left. */
  project(p: Vec3): [number, number];
}

/** The phone of a face-on clip: stood in front of the golfer, aimed at hip height, off square by `yaw`, rolled by `roll`. */
export function pinhole(spec: Pick<ClipSpec, "camera">): Pinhole {
  const c = spec.camera;
  const target: Vec3 = [0, 88, 5];
  const position = add([0, 0, 5], rotate([0, c.height, c.distance], [0, 1, 0], c.yaw));
  const forward = unit(sub(target, position));
  const level = unit(cross(forward, [0, 1, 0]));
  const right = rotate(level, forward, c.roll);
  const up = cross(right, forward);
  const focalPx = Math.max(c.width, c.height_px) / 2 / Math.tan((c.fov * Math.PI) / 360);
  return {
    position,
    axes: [right, up, forward],
    focalPx,
    project: (p) => {
      const d = sub(p, position);
      const depth = dot(d, forward);
      return [c.width / 2 + (focalPx * dot(d, right)) / depth, c.height_px / 2 - (focalPx * dot(d, up)) / depth];
    },
  };
}

/** A body point [T, U, D] in world axes: the picture's right is the target's side for a right-hander. */
export const toWorld = (p: Vec3, hand: "left" | "right"): Vec3 => [hand === "right" ? p[0] : -p[0], p[1], p[2]];

