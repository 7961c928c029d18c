import type { View } from "../scene";
import type { Motion } from "../motion";
import { type EventName, type Rep, type RepRules, nearest } from "../reps";
import { struck } from "./spans";

export const FACE_ON = ["face-on"] as const;
export const DOWN_THE_LINE = ["down-the-line"] as const;
export const BOTH_VIEWS = ["face-on", "down-the-line"] as const;

type Unit = "cm" | "ms" | "%" | "ratio" | "°" | "s" | "times" | "°/s" | "cm/s" | "a minute";
export type Family = "sway" | "posture" | "weight" | "feet" | "legs" | "order" | "balance";

/** Parts of a rep that a measure reads: what is read closely when little of a film can be. */
export const EVERY_PART = [
  "still",
  "start",
  "back",
  "top",
  "down",
  "impact",
  "through",
  "finish",
  "trailOff",
  "trailOn",
  "leadOff",
  "leadOn",
] as const;
export type RepPart = (typeof EVERY_PART)[number];

/**
 * What must have been found before a measure is known: an event; the strike, or the release that
 * stands for it in a gesture; a foot's landing; the end of a hold, or of the rep.
 */
export type Awaited = EventName | "strike" | "leadLanding" | "trailLanding" | "held" | "end";

/** How the rep strip shows what a check of the measure asks for. */
type StripGate =
  /** The lead share at an event. */
  | { kind: "leadShare"; at: EventName }
  /** The largest trail share, where it was. */
  | { kind: "trailShare" }
  /** The share crosses the middle, ms before the top. */
  | { kind: "crossing" }
  /** The trail foot leaves, ms before the hands start. */
  | { kind: "liftOff" }
  /** The lead foot lands, ms before the top. */
  | { kind: "landing" }
  /** The lead foot leaves, ms after the lead arm is level on the way back. */
  | { kind: "lateLiftOff" }
  /** Where a foot lands, cm along T from where it stood. */
  | { kind: "step"; foot: "lead" | "trail" }
  /** The hips' farthest place. */
  | { kind: "hips" }
  /** The turn of the weight, ms before the hands' turn. */
  | { kind: "groundTurn" }
  /** The turning foot, as the fan shows it, degrees. */
  | { kind: "footTurn"; foot: "lead" | "trail" }
  /** The rear edge of the body at an event, cm along D. */
  | { kind: "rearEdge"; at: "impact" | "top" };

export type WhyNot =
  | "eventNotFound"
  | "footNotSeen"
  | "noStep"
  | "neverLoaded"
  | "otherView"
  | "otherKind"
  | "footMoved"
  | "feetClose"
  | "headHidden"
  | "notHeard";

/**
 * A measure of one rep: NaN with a reason where it can't be had; `atMs` where in the rep it was
 * taken.
 */
export interface RawMeasure {
  value: number;
  atMs?: number;
  why?: WhyNot;
}

export const unmeasured = (why: WhyNot): RawMeasure => ({ value: NaN, why });

/** A value, or why there is none. */
export const got = (value: number, atMs?: number, why: WhyNot = "eventNotFound"): RawMeasure =>
  Number.isFinite(value) ? (atMs === undefined ? { value } : { value, atMs }) : unmeasured(why);

export type Compute = (r: RepMotion) => RawMeasure;

/** Kinds of reps that are measured alike: a step swing and a gesture as a swing. */
export type MeasuredKind = "swing" | "cycle" | "pivot" | "hold";

/**
 * One measure, whole: what it is called, what it means, what it needs and how it is computed. All
 * that the program knows of it is here; a field that can be left out says what that means.
 */
export interface Measure {
  /** As a table shows it. */
  name: string;
  unit: Unit;
  family: Family;
  /** Views from which it can be measured. */
  views: readonly View[];
  /** What it means to a golfer, in a sentence or two. */
  definition: string;
  /** It is known when all of these are. */
  waitsFor: readonly Awaited[];
  reads: readonly RepPart[];
  /** Parts of the body: where a problem of the film touches one of them, there is no value. */
  spoiledBy: readonly ("feet" | "head")[];
  /**
   * Whether it says something about an ordinary swing too. Sway, posture, knees, weight, order and
   * heels do; set-up, steps, landings, holds and props belong to their drill.
   */
  ofAnySwing: boolean;
  /** What a value under or over its band means, as a sentence without its full stop. */
  plain?: { below?: string; above?: string };
  /** Null where the strip shows nothing of it. */
  gate: StripGate | null;
  /** Of a share of the weight: the foot, and when, in words. */
  share?: { foot: "lead" | "trail"; when: string };
  /** By kind of rep: computed from channels that the noise model of `uncertainty` moves. */
  channels?: Partial<Record<MeasuredKind, Compute>>;
  /**
   * In a swing: computed from single joints and followed shoes, which the noise model does not
   * move. How good it is is told by its method's error alone.
   */
  joints?: Compute;
}

/**
 * A rep with the motion that it is in, as measures read them. What several measures derive from
 * them is computed once.
 */
export class RepMotion {
  /** The strike or the release that stands for it, ms; NaN when neither was found. */
  readonly hit: number;
  private readonly derived = new Map<(r: RepMotion) => unknown, unknown>();

  constructor(
    readonly m: Motion,
    readonly rep: Rep,
    readonly rules: RepRules,
  ) {
    this.hit = struck(rep);
  }

  /** The result of `derive` for this rep, computed at the first call. */
  of<T>(derive: (r: RepMotion) => T): T {
    if (!this.derived.has(derive)) this.derived.set(derive, derive(this));
    return this.derived.get(derive) as T;
  }

  /** Sample nearest to an event; to the strike or release for `hit`. */
  sample(event: EventName | "hit"): number {
    return nearest(this.m, event === "hit" ? this.hit : this.rep.events[event]);
  }
}

/** A computation that needs the strike, or the release that stands for it. */
export const afterHit =
  (compute: Compute): Compute =>
  (r) =>
    Number.isNaN(r.hit) ? unmeasured("eventNotFound") : compute(r);
