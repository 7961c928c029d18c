import type { Motion, PointPath } from "../motion/motion";
import { turnByWidth, turnRate } from "../motion/turn";
import type { Rep } from "../reps/rep";
import { nearest, toMs, valueAt } from "../reps/clock";
import { armAngle } from "../reps/events/hands";
import { eventOf, got, MOMENTS, SIDES, type Measures } from "./catalogue";
import { extremes, range, struck } from "./spans";
import { placeAt } from "./steps";
import { derivative } from "../maths/filter";

const DEG = 180 / Math.PI;

/** Side tilt and height of the hands, face-on; degrees and cm. */
export function postureMeasures(m: Motion, rep: Rep): Measures {
  const { address, top } = rep.events;
  const tilt = (ms: number) =>
    Math.atan2(
      valueAt(m, m.hipT, ms) - valueAt(m, m.shoulderT, ms),
      valueAt(m, m.shoulderU, ms) - valueAt(m, m.hipU, ms),
    ) *
      DEG -
    rep.roll;
  return {
    sideTiltAddress: got(tilt(address), address),
    sideTiltTop: got(tilt(top), top),
    sideTiltChange: got(tilt(top) - tilt(address), top),
    handHeightTop: got(valueAt(m, m.handsU, top) - valueAt(m, m.shoulderU, top), top),
  };
}

/**
 * Elbows, and turns of hips and chest by how narrow they look: worth some ten degrees, so their u
 * is wide.
 */
export function turnMeasures(m: Motion, rep: Rep): Measures {
  const { address, top, halfwayDown } = rep.events;
  const hit = struck(rep);
  const end = nearest(m, Number.isNaN(hit) ? top : hit);
  const [a, t] = [nearest(m, address), nearest(m, top)];
  const pelvis = turnByWidth(m, "hip", t, end);
  const thorax = turnByWidth(m, "shoulder", t, end);
  const elbow = SIDES.map((s) =>
    jointAngle(m.joints[s].shoulder, m.joints[s].elbow, m.joints[s].wrist),
  );
  const out: Measures = {
    elbowAngleMinAddressToTop: got(Math.min(...elbow.map((e) => extremes(e, a, t).low)), top),
    pelvisRange: got(range(pelvis, a, end), hit),
    thoraxRange: got(range(thorax, a, end), hit),
  };
  for (const moment of MOMENTS) {
    const ms = rep.events[eventOf(moment)];
    out[`pelvisTurn${moment}`] = got(valueAt(m, pelvis, ms) - pelvis[a]!, ms);
  }
  if (!Number.isNaN(halfwayDown)) {
    const rate = turnRate(thorax, m.dt);
    let i = nearest(m, halfwayDown);
    while (i > a && rate[i]! > 0) i--;
    out.thoraxBeforeHands = got(top - toMs(m, i), toMs(m, i));
  }
  if (Number.isNaN(hit)) return out;
  const rate = turnRate(pelvis, m.dt);
  const peak = extremes(rate, t, end);
  const chest = extremes(turnRate(thorax, m.dt), t, end);
  const arms = extremes(
    derivative(armAngle(m.handsT, m.handsU, m.shoulderT, m.shoulderU), m.dt),
    t,
    end,
  );
  out.pelvisPeakTurnRate = got(peak.high, toMs(m, peak.highAt));
  out.pelvisRateAtImpact = got((valueAt(m, rate, hit) / peak.high) * 100, hit);
  out.peakPelvisTurnAt = got(
    ((toMs(m, peak.highAt) - top) / (hit - top)) * 100,
    toMs(m, peak.highAt),
  );
  out.pelvisPeakBeforeThorax = got(
    (chest.highAt - peak.highAt) * m.dt * 1000,
    toMs(m, peak.highAt),
  );
  out.thoraxPeakBeforeArms = got((arms.lowAt - chest.highAt) * m.dt * 1000, toMs(m, chest.highAt));
  return out;
}

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

/**
 * What only the view down the line shows: the rear edge of the body, the bend of the back; cm along
 * D and degrees.
 */
export function behindMeasures(m: Motion, rep: Rep): Measures {
  const { address, top } = rep.events;
  const hit = struck(rep);
  const [lead, trail] = SIDES.map((s) => valueAt(m, m.joints[s].ankle.t, address)) as [
    number,
    number,
  ];
  const knee = m.joints.trail.knee.t;
  const out: Measures = {
    footStagger: got(lead - trail, address),
    hipsToBallTop: got(valueAt(m, m.rear, top) - valueAt(m, m.rear, address), top),
  };
  for (const moment of ["Address", ...MOMENTS] as const) {
    const ms = rep.events[moment === "Address" ? "address" : eventOf(moment)];
    const end = (key: "heelT" | "toeT") =>
      SIDES.reduce((sum, s) => sum + placeAt(m, s, key, ms) / 2, 0);
    out[`copDepth${moment}`] = got(
      ((valueAt(m, rep.pressure, ms) - end("heelT")) / (end("toeT") - end("heelT"))) * 100,
      ms,
    );
  }
  if (Number.isNaN(hit)) return out;
  out.hipsToBall = got(valueAt(m, m.rear, hit) - valueAt(m, m.rear, address), hit);
  out.bendChange = got(valueAt(m, m.bend, hit) - valueAt(m, m.bend, address), hit);
  const most = extremes(knee, nearest(m, top), nearest(m, hit));
  out.trailKneeTowardBall = got(most.high - valueAt(m, knee, top), toMs(m, most.highAt));
  return out;
}
