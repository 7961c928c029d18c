import type { Knot } from "../maths";
import type { FootScript, MovementScript } from "./script";

/** Stature for which scripts are written, cm. */
export const SCRIPTED_FOR = 178;

/**
 * The same movement for a golfer of another size: lengths grow with the stature, times and angles
 * stay.
 */
export function sized(script: MovementScript, statureCm: number): MovementScript {
  const k = statureCm / SCRIPTED_FOR;
  const grown = (knots: readonly Knot[]): Knot[] =>
    knots.map(
      ([t, value, ...of]) =>
        [t, value * k, ...of.map((v) => (v === undefined ? v : v * k))] as const as Knot,
    );
  const foot = (f: FootScript): FootScript => ({
    ...f,
    ankleT: f.ankleT * k,
    ankleD: f.ankleD * k,
    ...(f.slide ? { slide: grown(f.slide) } : {}),
    steps: f.steps.map((s) => ({
      ...s,
      alongTarget: s.alongTarget * k,
      apex: s.apex * k,
      ...(s.towardBall === undefined ? {} : { towardBall: s.towardBall * k }),
    })),
  });
  return {
    ...script,
    feet: { lead: foot(script.feet.lead), trail: foot(script.feet.trail) },
    pelvisRise: grown(script.pelvisRise),
    clubAhead: grown(script.clubAhead),
    ...(script.handsApart ? { handsApart: grown(script.handsApart) } : {}),
  };
}
