import type { Motion } from "../motion/motion";
import type { Rep } from "../reps/rep";
import { nearest, toMs, valueAt } from "../reps/clock";
import { eventOf, got, missing, MOMENTS, SIDES, type Measures } from "./catalogue";
import { jointAngle } from "./posture";
import { extremes, range, spansOf, struck } from "./spans";
import { placeAt } from "./steps";

const DEG = 180 / Math.PI;

/** Knees, shins and the lead leg under the hip: single joints, worth 2 to 3 cm. */
export function legMeasures(m: Motion, rep: Rep): Measures {
  const out: Measures = {};
  for (const side of SIDES) {
    const angle = jointAngle(m.joints[side].hip, m.joints[side].knee, m.joints[side].ankle);
    for (const { span, from, to } of spansOf(m, rep)) {
      out[`${side}KneeAngleChange${span}`] = got(angle[to]! - angle[from]!, toMs(m, to));
      if (m.view === "face-on")
        out[`${side}KneeTravel${span}`] = got(range(m.joints[side].knee.t, from, to), toMs(m, to));
    }
  }
  return m.view === "face-on" ? { ...out, ...faceOn(m, rep) } : out;
}

function faceOn(m: Motion, rep: Rep): Measures {
  const { address, top, impact, halfwayDown } = rep.events;
  const hit = struck(rep);
  const out: Measures = {};
  const [a, t] = [nearest(m, address), nearest(m, top)];
  for (const side of SIDES)
    for (const [name, ms] of [
      ["Address", address],
      ["Top", top],
      ["Impact", impact],
    ] as const) {
      const { knee } = m.joints[side];
      const ankle = placeAt(m, side, "ankleT", ms);
      const ankleU = valueAt(m, m.joints[side].ankle.u, ms);
      out[`${side}ShinLean${name}`] = got(
        Math.atan2(valueAt(m, knee.t, ms) - ankle, valueAt(m, knee.u, ms) - ankleU) * DEG,
        ms,
      );
    }
  for (const moment of MOMENTS) {
    const ms = rep.events[eventOf(moment)];
    out[`leadLegStack${moment}`] = got(
      valueAt(m, m.joints.lead.hip.t, ms) - placeAt(m, "lead", "ankleT", ms),
      ms,
    );
  }
  const trail = m.joints.trail.knee.t.map((v) => v - placeAt(m, "trail", "ankleT", address));
  const knees = extremes(trail, a, t);
  out.trailKneeOut = got(-knees.low, toMs(m, knees.lowAt));
  out.trailKneeIn = got(knees.high, toMs(m, knees.highAt));
  if (Number.isNaN(hit)) return out;
  const h = nearest(m, hit);
  const gap = m.joints.lead.knee.t.map((v, i) => v - m.joints.trail.knee.t[i]!);
  const feet = placeAt(m, "lead", "ankleT", address) - placeAt(m, "trail", "ankleT", address);
  out.kneeGapDown = got(extremes(gap, t, h).low / feet, hit);
  out.kneeGapAddressToImpact = got(extremes(gap, a, h).high / feet, hit);
  out.kneePart = got(extremes(gap, a, h).high - valueAt(m, gap, address), hit);
  const half = nearest(m, halfwayDown);
  const toe = m.joints.trail.toe.t;
  const roll = (i: number) => m.joints.trail.knee.t[i]! - toe[i]!;
  if (!Number.isNaN(halfwayDown))
    out.trailFootRoll =
      range(toe, half, h) > 2 + TOE_NOISE ? missing("footMoved") : got(roll(h) - roll(half), hit);
  return out;
}

/** How far the network's toe wanders while it stands, cm. */
const TOE_NOISE = 1.5;
