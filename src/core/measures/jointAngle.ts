import type { PointPath } from "../motion";

const DEG = 180 / Math.PI;

/** Angle at `b` between `a` and `c` in the picture plane, degrees. */
export function jointAngle(a: PointPath, b: PointPath, c: PointPath): Float64Array {
  return b.t.map((_, i) => {
    const [x1, y1, x2, y2] = [
      a.t[i]! - b.t[i]!,
      a.u[i]! - b.u[i]!,
      c.t[i]! - b.t[i]!,
      c.u[i]! - b.u[i]!,
    ];
    return (
      Math.acos(
        Math.min(1, Math.max(-1, (x1 * x2 + y1 * y2) / (Math.hypot(x1, y1) * Math.hypot(x2, y2)))),
      ) * DEG
    );
  });
}
