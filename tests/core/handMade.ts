import type { FootFollow, FootSpell, Motion, PointPath } from "../../src/core/motion";
import { measureAll, type MeasureId, type RawMeasure } from "../../src/core/measures";
import type { EventName, Rep, RepRules } from "../../src/core/reps";
import { emptyEvents } from "../../src/core/reps/rep";
import type { SideName } from "../../src/core/track";

/** Two seconds, a sample each 10 ms. */
const [N, STEP_MS] = [201, 10];

/** When everything happens in a swing that is drawn by hand, ms. */
export const AT = {
  address: 200,
  handStart: 300,
  midBack: 600,
  top: 1000,
  halfwayDown: 1150,
  impact: 1300,
  midThrough: 1450,
  finish: 1800,
} as const satisfies Partial<Record<EventName, number>>;

/**
 * A channel through given points, straight between them and level outside.
 *
 * @example line([200, 0], [1000, -8]) // 0 until 200 ms, −8 from 1000 ms on, −4 at 600 ms
 */
export const line = (...points: readonly (readonly [ms: number, value: number])[]): Float64Array =>
  Float64Array.from({ length: N }, (_, i) => {
    const ms = i * STEP_MS;
    const after = points.findIndex(([t]) => t >= ms);
    if (after < 0) return points.at(-1)![1];
    const [b, vb] = points[after]!;
    const [a, va] = points[Math.max(0, after - 1)]!;
    return b === a ? vb : va + ((vb - va) * (ms - a)) / (b - a);
  });
export const level = (value: number): Float64Array => line([0, value]);

/** What was followed in the picture: moves from where the foot stood, cm. */
export const follow = (t?: Float64Array, u?: Float64Array): FootFollow => ({
  times: Float64Array.from({ length: t || u ? N : 0 }, (_, i) => i * STEP_MS),
  t: t ?? level(0),
  u: u ?? level(0),
  residual: level(1),
});

/** A spell of a foot on the ground: heel 2 cm nearer to the middle than the ankle, toe 6 beyond. */
export const spell = (
  ankleT: number,
  fromMs = 0,
  toMs = 2000,
  more: Partial<FootSpell> = {},
): FootSpell => ({
  fromMs,
  toMs,
  ankleT,
  heelT: ankleT - Math.sign(ankleT) * 2,
  toeT: ankleT + Math.sign(ankleT) * 6,
  ankleU: 8,
  whole: follow(),
  heel: follow(),
  toe: follow(),
  rises: [],
  heelY: 600,
  rests: [fromMs, toMs],
  stepFollowed: false,
  ...more,
});

const at = (t: number, u: number): PointPath => ({ t: level(t), u: level(u) });
const joints = (sign: 1 | -1) => ({
  ear: at(0, 160),
  shoulder: at(sign * 17, 145),
  elbow: at(sign * 20, 115),
  wrist: at(sign * 4, 88),
  index: at(sign * 3, 80),
  hip: at(sign * 10, 95),
  knee: at(sign * 14, 52),
  ankle: at(sign * 18, 8),
  heel: at(sign * 16, 3),
  toe: at(sign * 24, 2),
});
type Joints = ReturnType<typeof joints>;

export interface Drawn {
  motion?: Partial<Omit<Motion, "feet" | "joints">>;
  joints?: Partial<Record<SideName, Partial<Joints>>>;
  spells?: Partial<Record<SideName, FootSpell[]>>;
  events?: Partial<Record<EventName, number>>;
  rep?: Partial<Omit<Rep, "events">>;
  rules?: Partial<RepRules>;
}

/**
 * A golfer of 178 cm who stands still with the weight in the middle, feet 36 cm apart, while the
 * events of a swing go by; what a test draws takes the place of that.
 */
export function handMade(drawn: Drawn = {}): { motion: Motion; rep: Rep; rules: RepRules } {
  const feet = {
    lead: { spells: drawn.spells?.lead ?? [spell(18)] },
    trail: { spells: drawn.spells?.trail ?? [spell(-18)] },
  };
  const motion: Motion = {
    view: "face-on",
    startMs: 0,
    dt: STEP_MS / 1000,
    n: N,
    statureCm: 178,
    hipT: level(0),
    hipU: level(95),
    headT: level(0),
    headU: level(162),
    headHidden: level(0),
    shoulderT: level(0),
    shoulderU: level(145),
    handsT: level(5),
    handsU: level(75),
    closeHandsT: level(NaN),
    closeHandsU: level(NaN),
    comT: level(0),
    comU: level(98),
    feet,
    direction: { lead: level(0), trail: level(0) },
    joints: {
      lead: { ...joints(1), ...drawn.joints?.lead },
      trail: { ...joints(-1), ...drawn.joints?.trail },
    },
    rear: level(0),
    bend: level(0),
    seen: 1,
    ...drawn.motion,
  };
  const kind = drawn.rep?.kind ?? "swing";
  const rep: Rep = {
    kind,
    fromMs: 0,
    toMs: 2000,
    footEvents: [],
    air: { lead: [], trail: [] },
    feet,
    stillFromMs: 0,
    moving: false,
    leadShare: level(50),
    pressure: level(0),
    shareStill: 50,
    turns: [],
    roll: 0,
    ...drawn.rep,
    events: { ...emptyEvents(), ...(kind === "swing" ? AT : {}), ...drawn.events },
  };
  return { motion, rep, rules: { kind, clubAhead: false, ...drawn.rules } };
}

/** One measure of what was drawn. */
export function measured(id: MeasureId, drawn: Drawn = {}): RawMeasure {
  const { motion, rep, rules } = handMade(drawn);
  const { atMs, ...one } = measureAll(motion, rep, rules)[id];
  return atMs === undefined ? one : { ...one, atMs: Math.round(atMs) };
}

/** The values of some measures, to a tenth. */
export function values(drawn: Drawn, ...ids: MeasureId[]): number[] {
  const { motion, rep, rules } = handMade(drawn);
  const all = measureAll(motion, rep, rules);
  return ids.map((id) => Math.round(all[id].value * 10) / 10);
}
