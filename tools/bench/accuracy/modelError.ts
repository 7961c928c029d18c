import { eachSegment, GRAVITY } from "../../../src/core/figure/balance";
import type { Pose } from "../../../src/core/figure/pose";
import { TRUTH_HZ, type Simulation } from "../../../src/core/figure/simulate";
import { filtfilt, lowPass } from "../../../src/core/maths/filter";
import type { Vec3 } from "../../../src/core/maths/vec3";

/**
 * Mass of a club's head and grip end, as shares of a body of 75 kg (an iron: 0.27 kg in the head,
 * 0.15 kg near the hands).
 */
const CLUB = { head: 0.27 / 75, grip: 0.15 / 75 };

/** Points that stand for the body: segments by de Leva's masses and centres, and the club. */
function masses(sim: Simulation, p: Pose): { m: number; at: Vec3 }[] {
  const out: { m: number; at: Vec3 }[] = [];
  eachSegment(p, sim.body, (m, at) => out.push({ m, at }));
  if (sim.script.club !== null)
    out.push({ m: CLUB.head, at: p.clubHead }, { m: CLUB.grip, at: p.midHands });
  return out;
}

/**
 * Pressure along T by full dynamics of those point masses: p = Σ m((a_U + g)·T − a_T·U) / Σ m(a_U +
 * g), which has the angular momentum of arms and club and the vertical acceleration that the plain
 * pendulum leaves out; cm, on the 240 Hz clock. The masses' paths are low-passed at 20 Hz, as a
 * force plate's signal is.
 */
export function dynamicPressure(sim: Simulation): Float64Array {
  const frames = sim.poses.map((p) => masses(sim, p));
  const n = frames.length;
  const count = frames[0]!.length;
  const smooth = lowPass(20, 1 / TRUTH_HZ);
  const top = new Float64Array(n);
  const bottom = new Float64Array(n);
  for (let k = 0; k < count; k++) {
    const along = (axis: 0 | 1) =>
      filtfilt(
        smooth,
        Float64Array.from(frames, (f) => f[k]!.at[axis]),
      );
    const [t, u] = [along(0), along(1)];
    const m = frames[0]![k]!.m;
    for (let i = 1; i < n - 1; i++) {
      const at = (t[i + 1]! - 2 * t[i]! + t[i - 1]!) * TRUTH_HZ ** 2;
      const au = (u[i + 1]! - 2 * u[i]! + u[i - 1]!) * TRUTH_HZ ** 2;
      top[i]! += m * ((au + GRAVITY) * t[i]! - at * u[i]!);
      bottom[i]! += m * (au + GRAVITY);
    }
  }
  top[0] = top[1]!;
  bottom[0] = bottom[1]!;
  top[n - 1] = top[n - 2]!;
  bottom[n - 1] = bottom[n - 2]!;
  return top.map((v, i) => v / bottom[i]!);
}
