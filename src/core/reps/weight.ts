import { JerkSmoother } from "../maths";
import {
  STANDARD_GRAVITY,
  placeOnClock,
  samePlace,
  type FootMotion,
  type Motion,
  perMotion,
} from "../motion";
import type { SideName } from "../track";
import { nearest, toMs } from "./clock";
import { footEvents, type FootEvent } from "./events/footEvents";
import { PRESSURE_FIT } from "./fitted";
import { withOverrides, type FootEventOverride } from "./overrides";

/**
 * Smoothing of the pressure: white jerk, cm/s³/√Hz, and a position's spread at 60 pictures a
 * second, cm (docs/decisions/26).
 */
const PRESSURE_JERK = 55;
const PRESSURE_SD = 0.3;

/**
 * The smoother for the centre of mass of a motion and of every perturbed copy of it. A to-and-fro
 * is smoothed more: nothing in it is as quick as the strike, and what the points make of its turns
 * would come out as pressure several times over.
 */
export const pressureSmoother = (m: Pick<Motion, "n" | "dt">, toAndFro: boolean): JerkSmoother =>
  new JerkSmoother(
    m.n,
    m.dt,
    toAndFro ? PRESSURE_FIT.cycleJerk : PRESSURE_JERK,
    PRESSURE_SD * Math.sqrt(1 / 60 / m.dt),
  );

/** Pressure that moves less than this share of the feet's distance does not turn around. */
export const LEAST_SHIFT = 0.15;

/** Spells in which a foot is in the air, ms. */
export type Airborne = Record<SideName, [from: number, to: number][]>;

function airborne(events: FootEvent[], endMs: number): Airborne {
  const spells = (foot: SideName): [number, number][] => {
    const out: [number, number][] = [];
    for (const e of events) {
      if (e.foot !== foot) continue;
      if (e.event === "liftOff") out.push([e.ms, endMs]);
      else if (e.event === "landing" && out.length && out[out.length - 1]![1] === endMs)
        out[out.length - 1]![1] = e.ms;
    }
    return out;
  };
  return { lead: spells("lead"), trail: spells("trail") };
}

/** Whether both feet are down at a time, and for `clearMs` before and after it. */
export const bothDown = (air: Airborne, ms: number, clearMs = 0): boolean =>
  !(["lead", "trail"] as const).some((f) =>
    air[f].some(([from, to]) => ms > from - clearMs && ms < to + clearMs),
  );

/**
 * Both feet of a rep: what they did between two times, and where they stood, each spell ending
 * where the picture says.
 */
export interface FeetOfRep {
  events: FootEvent[];
  air: Airborne;
  standing: Record<SideName, FootMotion>;
}

export function bothFeet(
  m: Motion,
  fromMs: number,
  toMs_: number,
  said?: readonly FootEventOverride[],
): FeetOfRep {
  const events = withOverrides(
    seenEvents(m)
      .filter((e) => e.ms >= fromMs && e.ms <= toMs_)
      .sort((a, b) => a.ms - b.ms),
    said,
  );
  const air = airborne(events, Infinity);
  // A rise that no landing ends is a heel's: taken for a step it would put all the weight on the
  // other foot to the end of the film.
  const landed = (spells: Airborne[SideName]) => spells.filter(([, to]) => to < Infinity);
  return {
    events,
    air: { lead: landed(air.lead), trail: landed(air.trail) },
    standing: {
      lead: untilContact(m.feet.lead, "lead", events),
      trail: untilContact(m.feet.trail, "trail", events),
    },
  };
}

/** What both feet did in the whole motion. */
const seenEvents = perMotion((m) => {
  const found = {
    lead: footEvents("lead", m.feet.lead, m.view),
    trail: footEvents("trail", m.feet.trail, m.view),
  };
  return [
    ...withRough("lead", m.feet.lead, found.lead, m.feet.trail, found.trail),
    ...withRough("trail", m.feet.trail, found.trail, m.feet.lead, found.lead),
  ];
});

const NEAR_MS = 300;
/** No foot is up and down again sooner than this (steps in the drills take 180 ms and more). */
const SHORTEST_STEP_MS = 100;

/**
 * A step whose leaving or landing was lost in the picture still has one: the ends of its spells
 * tell it roughly. Where neither was seen the other foot must stand meanwhile: else the network
 * drew one leg over the other.
 */
function withRough(
  foot: SideName,
  { spells }: FootMotion,
  found: FootEvent[],
  otherFoot: FootMotion,
  other: FootEvent[],
): FootEvent[] {
  const out = [...found];
  const away = airborne(other, Infinity)[other[0]?.foot ?? foot];
  for (let i = 1; i < spells.length; i++) {
    const [a, b] = [spells[i - 1]!, spells[i]!];
    if (samePlace(a, b) || b.fromMs - a.toMs < SHORTEST_STEP_MS) continue;
    const has = (event: FootEvent["event"], ms: number) =>
      found.some((e) => e.event === event && Math.abs(e.ms - ms) < NEAR_MS);
    const seen = has("liftOff", a.toMs) || has("landing", b.fromMs);
    const middle = (a.toMs + b.fromMs) / 2;
    const otherStands =
      otherFoot.spells.some((o) => o.fromMs <= middle && o.toMs >= middle) &&
      !away.some(([from, to]) => from < b.fromMs && to > a.toMs);
    if (!seen && !otherStands) continue;
    // A shoe whose lowest edge never left the ground has slid or turned there.
    if (!(has("liftOff", a.toMs) && has("landing", b.fromMs)) && a.rests[1] >= b.rests[0]) continue;
    if (!has("liftOff", a.toMs)) out.push({ foot, event: "liftOff", ms: a.rests[1], rough: true });
    if (!has("landing", b.fromMs))
      out.push({ foot, event: "landing", ms: b.rests[0], rough: true });
  }
  return out;
}

/**
 * The network's points tell a spell's ends roughly; lift-off and landing, followed in the picture,
 * tell them exactly.
 */
function untilContact(foot: FootMotion, side: SideName, events: FootEvent[]): FootMotion {
  const near = (event: FootEvent["event"], ms: number) =>
    events.find((e) => e.foot === side && e.event === event && Math.abs(e.ms - ms) < 300)?.ms;
  return {
    spells: foot.spells.map((s, i) => ({
      ...s,
      fromMs: i === 0 ? s.fromMs : (near("landing", s.fromMs) ?? s.fromMs),
      toMs: i === foot.spells.length - 1 ? s.toMs : (near("liftOff", s.toMs) ?? s.toMs),
    })),
  };
}

/** Pressure along T by the plain inverted pendulum, and the lead share that follows. */
export interface Pressure {
  /** cm along T, not clamped to the feet. */
  p: Float64Array;
  /** Distance between the middles of the feet along T, cm. */
  gap: Float64Array;
  /** Lead share, %. */
  share: Float64Array;
  /**
   * Roll of the camera that would put the still centre of mass over the middle of the feet,
   * degrees, + clockwise.
   */
  roll: number;
}

/**
 * p = x − (h/g)·x″ on a heavily smoothed centre of mass, as its place between the two feet's
 * centres; all on the standing foot while the other is in the air. At a still, even address the
 * centre of mass is shifted once so that it stands over the middle of the feet: that takes out the
 * camera's roll and the network's constant offsets (and would call a golfer who stands uneven,
 * even).
 */
export function pressureOf(
  m: Motion,
  smoother: JerkSmoother,
  feet: FeetOfRep,
  still: { fromMs: number; toMs: number; even: boolean } | null,
): Pressure {
  const { position, acceleration } = smoother.smoothed(m.comT);
  const lead = placeOnClock(feet.standing.lead, m.startMs, m.dt, m.n);
  const trail = placeOnClock(feet.standing.trail, m.startMs, m.dt, m.n);
  const centre = (f: Record<"heelT" | "toeT", Float64Array>, i: number) =>
    (f.heelT[i]! + f.toeT[i]!) / 2;
  let shift = 0;
  let high = 0;
  if (still?.even) {
    const a = nearest(m, still.fromMs);
    const b = nearest(m, still.toMs);
    for (let i = a; i <= b; i++) {
      shift += ((centre(lead, i) + centre(trail, i)) / 2 - position[i]!) / (b - a + 1);
      high += m.comU[i]! / (b - a + 1);
    }
  }
  const share = new Float64Array(m.n);
  const p = new Float64Array(m.n);
  const gap = new Float64Array(m.n);
  for (let i = 0; i < m.n; i++) {
    p[i] = position[i]! + shift - (m.comU[i]! / STANDARD_GRAVITY) * acceleration[i]!;
    const t = centre(trail, i);
    gap[i] = centre(lead, i) - t;
    share[i] = 100 * Math.min(Math.max((p[i]! - t) / gap[i]!, 0), 1);
  }
  const during = (foot: SideName, value: number) => {
    for (const [from, to] of feet.air[foot])
      for (let i = 0; i < m.n; i++) {
        const ms = toMs(m, i);
        if (ms > from && ms < to) share[i] = value;
      }
  };
  during("lead", 0);
  during("trail", 100);
  return { p, gap, share, roll: high > 0 ? (Math.atan2(shift, high) * 180) / Math.PI : 0 };
}
