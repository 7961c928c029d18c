import type { Simulation } from "../simulate";
import { FEET, ofSide, type Exact, type Foot } from "./exact";
import { MS } from "./search";

type FootEventName =
  | "heelUp"
  | "heelDown"
  | "toeUp"
  | "toeDown"
  | "liftOff"
  | "landing"
  | "turnOutStart"
  | "turnOutEnd";

export interface FootEventTruth {
  foot: Foot;
  event: FootEventName;
  /** ms. */
  t: number;
}

/** One foot against its place at a rep's address; cm, degrees on the ground. */
interface FootTruth {
  heel: Float64Array;
  toe: Float64Array;
  air: boolean[];
  /** Middle of the sole along T. */
  centre: Float64Array;
  /** Direction of the foot, degrees about U, + toward the target, against address. */
  turn: Float64Array;
}

export type FeetTruth = Record<Foot, FootTruth>;

/** Rule heights, cm: a part is off the ground; a rise counts. */
const OFF = 1.5;
const RISES = 3;

export function feetAgainst(sim: Simulation, address: number): FeetTruth {
  const one = (foot: Foot): FootTruth => {
    const start = sim.poses[address]![foot];
    const heel = ofSide(sim, foot, (s) => s.heel[1] - start.heel[1]);
    const toe = ofSide(sim, foot, (s) => s.toe[1] - start.toe[1]);
    const direction = (s: typeof start) =>
      (Math.atan2(s.toe[0] - s.heel[0], s.toe[2] - s.heel[2]) * 180) / Math.PI;
    const first = direction(start);
    return {
      heel,
      toe,
      air: Array.from(heel, (h, i) => h > OFF && toe[i]! > OFF),
      centre: ofSide(sim, foot, (s) => (s.heel[0] + s.toe[0]) / 2),
      turn: ofSide(sim, foot, (s) => ((direction(s) - first + 540) % 360) - 180),
    };
  };
  return { lead: one("lead"), trail: one("trail") };
}

/** Foot events between two samples, in order of time. */
export function footEventsIn(feet: FeetTruth, from: number, to: number): FootEventTruth[] {
  const out: FootEventTruth[] = [];
  for (const foot of FEET) {
    const { heel, toe, air } = feet[foot];
    for (let i = Math.max(1, from); i <= to; i++)
      if (air[i] !== air[i - 1])
        out.push({ foot, event: air[i] ? "liftOff" : "landing", t: i * MS });
    for (const [height, up, down] of [
      [heel, "heelUp", "heelDown"],
      [toe, "toeUp", "toeDown"],
    ] as const) {
      for (let i = Math.max(1, from); i <= to; i++) {
        if (!(height[i - 1]! <= OFF && height[i]! > OFF)) continue;
        let j = i;
        let high = 0;
        while (j <= to && height[j]! > OFF) high = Math.max(high, height[j++]!);
        if (high < RISES) continue;
        out.push({ foot, event: up, t: i * MS });
        if (j <= to) out.push({ foot, event: down, t: j * MS });
      }
    }
  }
  return out.sort((a, b) => a.t - b.t);
}

/**
 * Lead share, %, of the plain pendulum: clamped to the feet, all on the one foot while the other is
 * in the air.
 */
export function leadShareOf(x: Exact, feet: FeetTruth): Float64Array {
  return Float64Array.from({ length: x.n }, (_, i) => {
    if (feet.lead.air[i]) return 0;
    if (feet.trail.air[i]) return 100;
    const part =
      (x.cop[i]! - feet.trail.centre[i]!) / (feet.lead.centre[i]! - feet.trail.centre[i]!);
    return 100 * Math.min(Math.max(part, 0), 1);
  });
}
