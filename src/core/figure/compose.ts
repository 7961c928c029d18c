import { curve, type Knot } from "../maths";
import {
  BODY_CURVES,
  FOOT_CURVES,
  type BodyCurves,
  type FootScript,
  type MovementScript,
} from "./script";

/**
 * Movements one after another on one clock: the body goes smoothly from where one ends to where the
 * next begins, and each foot that stands elsewhere steps to its next place.
 *
 * @param gapSeconds time between two movements (at least 1.2 s, so that both feet can step)
 * @example
 * compose([walk(), swing(), swing({ back: 0.95 })], [0.8, 2]).reps.length; // 2
 */
// eslint-disable-next-line max-lines-per-function -- a script: what moves when, from beginning to end
export function compose(
  parts: readonly MovementScript[],
  gapSeconds: number | readonly number[] = 1.8,
): MovementScript {
  const gap = (i: number) =>
    typeof gapSeconds === "number" ? gapSeconds : gapSeconds[i % gapSeconds.length]!;
  const starts: number[] = [];
  let clock = 0;
  parts.forEach((p, i) => {
    starts.push(clock);
    clock += p.duration + (i + 1 < parts.length ? gap(i) : 0);
  });
  const joined = (of: (p: MovementScript) => Knot[] | undefined): Knot[] => {
    const out: Knot[] = [];
    parts.forEach((p, i) => {
      const knots = of(p)?.length ? of(p)! : ([[0, 0]] as Knot[]);
      const at = curve(knots);
      const from = starts[i]!;
      if (knots[0]![0] > 1e-6) out.push([from, at(0)]);
      for (const [t, ...rest] of knots) if (t >= -1e-9) out.push([from + t, ...rest] as Knot);
      if (knots[knots.length - 1]![0] < p.duration - 1e-6)
        out.push([from + p.duration, at(p.duration)]);
    });
    return out;
  };
  const share = joined((p) => p.leadShare);
  const feet = { lead: joinFoot("lead"), trail: joinFoot("trail") };
  function joinFoot(name: "lead" | "trail"): FootScript {
    const first = parts[0]!.feet[name];
    const out: FootScript = { ...first, steps: [], heelPitch: [] };
    const side = name === "lead" ? 1 : -1;
    let [t, d, deg] = [first.ankleT, first.ankleD, first.turnOut * side];
    parts.forEach((p, i) => {
      const foot = p.feet[name];
      const [dT, dD, turn] = [foot.ankleT - t, foot.ankleD - d, foot.turnOut * side - deg];
      if (i > 0 && (Math.hypot(dT, dD) > 0.2 || Math.abs(turn) > 1)) {
        const g = gap(i - 1);
        const end = starts[i]! - g;
        // The lead foot steps in the first half of the gap, the trail foot in the second.
        const from = end + g * (name === "lead" ? 0.12 : 0.5);
        out.steps.push({
          from,
          to: from + g * 0.3,
          alongTarget: dT,
          towardBall: dD,
          turn,
          apex: 5,
        });
        const empty = name === "lead" ? 8 : 92;
        share.push([from - 0.02, empty], [from + g * 0.3 + 0.02, empty]);
        [t, d, deg] = [foot.ankleT, foot.ankleD, foot.turnOut * side];
      }
      for (const step of foot.steps) {
        out.steps.push({ ...step, from: starts[i]! + step.from, to: starts[i]! + step.to });
        t += step.alongTarget;
        d += step.towardBall ?? 0;
        deg += step.turn ?? 0;
      }
      const slide = foot.slide;
      if (slide?.length) t += slide[slide.length - 1]![1];
    });
    for (const name2 of FOOT_CURVES) {
      if (!parts.some((p) => p.feet[name][name2]?.length)) continue;
      out[name2] = name2 === "slide" ? slides(name) : joined((p) => p.feet[name][name2]);
    }
    return out;
  }
  /** A drag stays where it ended: the next movement's places take it into account by a step. */
  function slides(name: "lead" | "trail"): Knot[] {
    const out: Knot[] = [];
    let kept = 0;
    parts.forEach((p, i) => {
      const knots = p.feet[name].slide;
      if (!knots?.length) return;
      const last = out[out.length - 1];
      if (!last || last[0] < starts[i]!) out.push([starts[i]!, kept]);
      for (const [t, v] of knots) if (t > 0) out.push([starts[i]! + t, kept + v]);
      kept += knots[knots.length - 1]![1];
    });
    return out;
  }
  share.sort((a, b) => a[0] - b[0]);
  const bodyCurves = Object.fromEntries(
    BODY_CURVES.filter((name) => parts.some((p) => p[name]?.length)).map((name) => [
      name,
      joined((p) => p[name]),
    ]),
  ) as Partial<Record<keyof BodyCurves, Knot[]>> as BodyCurves;
  return {
    ...bodyCurves,
    duration: clock,
    feet,
    leadShare: distinct(share),
    pressureDepth: joined((p) => p.pressureDepth ?? [[0, 50]]),
    pushes: parts.flatMap((p, i) => p.pushes.map((t) => starts[i]! + t)),
    reps: parts.flatMap((p, i) =>
      p.reps.map((r) => ({
        ...r,
        from: starts[i]! + r.from,
        to: starts[i]! + r.to,
        ...(r.strike === undefined ? {} : { strike: starts[i]! + r.strike }),
        ...(r.propDrop === undefined ? {} : { propDrop: starts[i]! + r.propDrop }),
      })),
    ),
    club: parts[0]!.club,
    clubAhead: joined((p) => p.clubAhead),
  };
}

/** Knots that rise in time: of two at (nearly) one instant the first stays. */
function distinct(knots: Knot[]): Knot[] {
  const out: Knot[] = [];
  for (const k of knots) if (!out.length || k[0] > out[out.length - 1]![0] + 1e-3) out.push(k);
  return out;
}
