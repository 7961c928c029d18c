import { add, cross, mix, scale, sub, unit, type Vec3 } from "../maths";
import type { Body } from "./anthropometry";
import type { Pose } from "./pose";

/**
 * Half-width and half-depth of the drawn pelvis by height along the trunk (share of its length
 * above mid-hip), cm at 178 cm.
 */
export const PELVIS_RINGS: readonly (readonly [
  along: number,
  halfWidth: number,
  halfDepth: number,
])[] = [
  [-0.24, 7, 6],
  [-0.2, 14, 10.5],
  [-0.06, 17.4, 12.6],
  [0.06, 16.8, 12.4],
  [0.16, 15.6, 11.4],
  [0.2, 15.2, 11],
];
/** Half-width and half-depth of the drawn thigh at the hip, cm at 178 cm. */
export const THIGH_RING: readonly [number, number] = [9.8, 10.4];

/** Scale of the drawn body's girth. */
export const girth = (body: Body): number => body.build * (body.stature / 178);

/** An ellipse of the body's surface: centre and half-axes, cm. */
interface BodyRing {
  at: Vec3;
  a: Vec3;
  b: Vec3;
}

function pelvisRing(
  pose: Pose,
  body: Body,
  along: number,
  halfWidth: number,
  halfDepth: number,
): BodyRing {
  const spine = unit(sub(pose.midShoulder, pose.midHip));
  const g = girth(body);
  const across = pose.pelvisAcross;
  return {
    at: add(pose.midHip, scale(spine, along * body.trunk)),
    a: scale(across, halfWidth * g),
    b: scale(unit(cross(across, spine)), halfDepth * g),
  };
}

/**
 * D of the rear edge of the body at hip height, cm: what a wall behind would touch. The rearmost of
 * the pelvis and both thighs in the 3 cm above and below mid-hip.
 */
export function rearEdge(pose: Pose, body: Body): number {
  let rear = Infinity;
  const touch = (ring: BodyRing) => {
    rear = Math.min(rear, ring.at[2] - Math.hypot(ring.a[2], ring.b[2]));
  };
  const [, below, above] = PELVIS_RINGS.slice(1);
  for (const along of [-0.06, 0, 0.06]) {
    const s = (along + 0.06) / 0.12;
    touch(
      pelvisRing(
        pose,
        body,
        along,
        below![1] + (above![1] - below![1]) * s,
        below![2] + (above![2] - below![2]) * s,
      ),
    );
  }
  for (const side of [pose.lead, pose.trail]) {
    const axis = unit(sub(side.knee, side.hip));
    const a = unit(cross(axis, [0, 0.1, 1]));
    const g = girth(body);
    touch({
      at: mix(side.hip, side.knee, 0.02),
      a: scale(a, THIGH_RING[0] * g),
      b: scale(unit(cross(axis, a)), THIGH_RING[1] * g),
    });
  }
  return rear;
}
