import type { JerkSmoother } from "../maths";
import type { FootMotion } from "../motion";
import type { SideName } from "../track";
import { EVENT_NAMES, type EventName } from "./eventNames";
import type { FootEvent } from "./events/footEvents";
import type { Turn } from "./turns";
import type { Overrides } from "./overrides";
import type { Airborne } from "./weight";

export { EVENT_NAMES, type EventName } from "./eventNames";

export type RepKind = "swing" | "step-swing" | "cycle" | "pivot" | "hold" | "gesture";

/** One rep as read from a motion: its events (ms; NaN = not found), feet and weight. */
export interface Rep {
  kind: RepKind;
  fromMs: number;
  toMs: number;
  events: Record<EventName, number>;
  footEvents: FootEvent[];
  air: Airborne;
  /**
   * Both feet's spells on the ground, each ending at its lift-off and beginning at its landing
   * where those were found.
   */
  feet: Record<SideName, FootMotion>;
  /** Start of the still spell that ends at address. */
  stillFromMs: number;
  /** No stillness before it: the quietest 100 ms stand for address. */
  moving: boolean;
  leadShare: Float64Array;
  /** Pressure along the axis across the picture, cm; not clamped to the feet. */
  pressure: Float64Array;
  /** Lead share at the still address, %. */
  shareStill: number;
  turns: Turn[];
  /** Of a pivot: the foot that turns. */
  foot?: SideName;
  /** Roll of the camera by balance at a still address, degrees; 0 where nothing tells. */
  roll: number;
  /** A strike that was heard near the impact, ms. */
  struckMs?: number;
  /** The first other knock on the way down or through, ms: a prop that falls. */
  knockMs?: number;
}

/** What a stage says of how its reps go. */
export interface RepRules {
  kind: RepKind;
  /** The club starts ahead of the ball, so the hands' address place says nothing of impact. */
  clubAhead: boolean;
  /** The body is already moving when the hands start. */
  movingStart?: boolean;
  /** A foot steps before the hands start: the stillness ends with that step. */
  stepsFirst?: boolean;
  /** Something stands where a foot knocks it over: its fall is listened for. */
  prop?: boolean;
  /**
   * How the weight stands at the start is asked for: that it is even there tells nothing of the
   * camera.
   */
  uneven?: boolean;
  /** Rehearsal at half speed: thresholds of speed are lower. */
  slow?: boolean;
  /** The hands stay: the hips are all that moves. */
  hipsOnly?: boolean;
  /** The foot that turns. */
  foot?: SideName;
}

/** Kinds whose reps hang together: they are read in the whole motion. */
export const hangTogether = ({ kind }: Pick<RepRules, "kind">): boolean =>
  kind === "cycle" || kind === "pivot";
/** Kinds with a strike, which can be heard. */
export const hasStrike = ({ kind }: Pick<RepRules, "kind">): boolean =>
  kind === "swing" || kind === "step-swing";
/** Kinds whose reps are found by the arms. */
export const foundByArms = (rules: Pick<RepRules, "kind" | "hipsOnly">): boolean =>
  !hangTogether(rules) && rules.kind !== "hold" && !rules.hipsOnly;

/** What reading a rep needs beside its motion; the same for every perturbed copy. */
export interface RepContext {
  rules: RepRules;
  smoother: JerkSmoother;
  /**
   * Times at which strikes were heard, at the ball, ms; and their standard uncertainty against the
   * picture.
   */
  strikes: { ms: readonly number[]; u: number };
  /** What the golfer says of it, as late as the methods tell such events (see `MethodError`). */
  overrides?: Overrides;
}

export const emptyEvents = (): Record<EventName, number> =>
  Object.fromEntries(EVENT_NAMES.map((e) => [e, NaN])) as Record<EventName, number>;
