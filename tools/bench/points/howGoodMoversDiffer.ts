import {
  BODY_CURVES,
  FOOT_CURVES,
  type FootScript,
  type MovementScript,
  type Step,
} from "../../../src/core/figure/script";
import type { Knot } from "../../../src/core/maths";

/**
 * Ways in which people who do a drill well differ, as changes to any movement. Their sizes are what
 * the literature gives as the spread between golfers, quoted from memory of it and rounded up:
 *
 * - _time_: ways back of 0.7 to 1.1 s and ways down of 0.21 to 0.32 s among players of all levels
 *   (Grober and Cholewicki 2006, arXiv physics/0611291), about ± 20 % of the middle;
 * - _turn_: standard deviations of 8 to 12 % of the turn of pelvis and chest at the top within one
 *   level of skill (Myers et al. 2008, J. Sports Sci. 26:181), and a range that falls by about a
 *   fifth from 30 to 70 years (Intolo et al. 2009, Man. Ther. 14:596, for the lumbar spine);
 * - _stance_: breadths of shoulders and hips spread by about 5 % at one stature (ANSUR II, 2012), and
 *   the choice of a stance adds to it.
 */
export interface GoodMover {
  id: string;
  how: string;
  moves: (script: MovementScript) => MovementScript;
}

export const GOOD_MOVERS: readonly GoodMover[] = [
  {
    id: "slower",
    how: "a fifth slower",
    moves: (s) => paced(s, 1.2),
  },
  {
    id: "older",
    how: "four fifths of the turn, hands less far, a tenth slower",
    moves: (s) => paced(turned(s, 0.8, 0.9), 1.1),
  },
  {
    id: "supple",
    how: "a sixth more turn, a seventh quicker",
    moves: (s) => paced(turned(s, 1.15, 1.05), 0.87),
  },
  {
    id: "wider",
    how: "feet a seventh farther apart, in steps too; leans a little more",
    moves: (s) => leaning(spaced(s, 1.15), 4),
  },
];

const onClock = (knots: readonly Knot[], k: number): Knot[] =>
  knots.map(([t, v, slope, bend]) =>
    slope === undefined
      ? [t * k, v]
      : bend === undefined
        ? [t * k, v, slope / k]
        : [t * k, v, slope / k, bend / (k * k)],
  );
const scaled = (knots: readonly Knot[], k: number): Knot[] =>
  knots.map(
    ([t, v, ...of]) => [t, v * k, ...of.map((d) => (d === undefined ? d : d * k))] as const as Knot,
  );

/** All that moves by the clock, the body's curves and those of a whole script. */
const CURVES = [...BODY_CURVES, "leadShare", "pressureDepth", "clubAhead"] as const;

/** The same movement on a clock that runs `k` times as long. */
function paced(script: MovementScript, k: number): MovementScript {
  const foot = (f: FootScript): FootScript => ({
    ...f,
    ...Object.fromEntries(FOOT_CURVES.flatMap((c) => (f[c] ? [[c, onClock(f[c], k)]] : []))),
    steps: f.steps.map((s): Step => ({
      ...s,
      from: s.from * k,
      to: s.to * k,
      ...(s.hang === undefined ? {} : { hang: s.hang * k }),
    })),
  });
  return {
    ...script,
    ...Object.fromEntries(CURVES.flatMap((c) => (script[c] ? [[c, onClock(script[c], k)]] : []))),
    duration: script.duration * k,
    feet: { lead: foot(script.feet.lead), trail: foot(script.feet.trail) },
    pushes: script.pushes.map((t) => t * k),
    reps: script.reps.map((r) => ({
      ...r,
      from: r.from * k,
      to: r.to * k,
      ...(r.strike === undefined ? {} : { strike: r.strike * k }),
      ...(r.propDrop === undefined ? {} : { propDrop: r.propDrop * k }),
    })),
  };
}

/** Turns of pelvis and chest, and the swing of the arms, times `k` and `arms`. */
const turned = (script: MovementScript, k: number, arms: number): MovementScript => ({
  ...script,
  pelvisTurn: scaled(script.pelvisTurn, k),
  thoraxTurn: scaled(script.thoraxTurn, k),
  armSwing: scaled(script.armSwing, arms),
});

/** Feet `k` times as far apart, and steps as much longer. */
function spaced(script: MovementScript, k: number): MovementScript {
  const foot = (f: FootScript): FootScript => ({
    ...f,
    ankleT: f.ankleT * k,
    steps: f.steps.map((s) => ({ ...s, alongTarget: s.alongTarget * k })),
  });
  return { ...script, feet: { lead: foot(script.feet.lead), trail: foot(script.feet.trail) } };
}

const leaning = (script: MovementScript, deg: number): MovementScript => ({
  ...script,
  forwardBend: script.forwardBend.map(([t, v, ...of]) => [t, v + deg, ...of] as Knot),
});
