import type { MeasureId, View } from "../measures/catalogue";
import type { RepRules } from "../reps/rep";

/** Where in the chain of causes a check stands: the earliest failed one gives the cue. */
export const PHASES = ["set-up", "action", "backswing feet", "backswing", "top", "downswing feet", "impact", "finish"] as const;
export type Phase = (typeof PHASES)[number];

/** Something that must happen for the rep to be this drill at all. */
export interface RequiredAction {
  id: "trailStep" | "leadStep";
  name: string;
  foot: "lead" | "trail";
  /** Must be under way before this event. */
  before: "top" | "impact";
  cue: string;
  /** One sentence of what to do next. */
  next: string;
}

/** What a check says when it fails on one side of its band. */
export interface FailWords {
  cue: string;
  next: string;
}

export interface Check {
  id: string;
  name: string;
  measure: MeasureId;
  /** Inclusive limits for a golfer of 178 cm; null = open. */
  band: readonly [number | null, number | null];
  /** Whether each limit scales with stature (cm of the body do; those of shoes, and ms and shares, do not). */
  scales: readonly [boolean, boolean];
  target: number;
  fault: number;
  level: "must" | "should" | "advice";
  /** One of these must be decided for a pass. */
  point: boolean;
  phase: Phase;
  /** Measured below or above the band. */
  below?: FailWords;
  above?: FailWords;
}

export interface Stage {
  id: string;
  name: string;
  view: View;
  main: boolean;
  rules: RepRules;
  actions: readonly RequiredAction[];
  checks: readonly Check[];
}

export interface Drill {
  id: string;
  name: string;
  version: number;
  why: string;
  setUp: readonly string[];
  cautions: readonly string[];
  stages: readonly Stage[];
}
