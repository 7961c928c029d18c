import type { Problem } from "../scene";
import { decides, type Level } from "../drills";
import type { MeasureId } from "../measures";

/** A measure of one rep with its standard uncertainty, or why it can't be had. */
export interface Measured {
  value: number | null;
  /** One standard uncertainty, in the measure's unit. */
  u: number | null;
  unit: string;
  state: "measured" | "not measurable";
  reason?: string;
  /** The problem with the clip that spoils it. */
  because?: Problem["code"];
  /** Where in the rep, ms from the clip's first frame. */
  at?: number;
}

export type CheckResult = "pass" | "fail" | "too close" | "not measurable";

export interface CheckVerdict {
  id: string;
  measure: MeasureId;
  band: [number | null, number | null];
  level: Level;
  must: boolean;
  result: CheckResult;
  value: number | null;
  u: number | null;
  /** The measure that tells two faults of this check apart, where there is one. */
  told?: number;
  /** The one that tells the second of them apart again, where it is surely not nought. */
  earlier?: number;
}

/** Whether a check that could have decided was left open. */
export const leftOpen = ({ level, result }: Pick<CheckVerdict, "level" | "result">): boolean =>
  decides({ level }) && (result === "too close" || result === "not measurable");

export interface ActionVerdict {
  id: string;
  result: "done" | "missing" | "not seen";
}

export interface Reason {
  code: string;
  message: string;
}

/** What a golfer is told of a rep. */
export type VerdictSummary = Pick<Verdict, "result" | "cue" | "reason">;
export const summaryOf = ({ result, cue, reason }: VerdictSummary): VerdictSummary => ({
  result,
  cue,
  reason,
});

/**
 * What is said of a rep: pass, fail with one cue, or not judged with one reason. The reason of a
 * pass is what it does not cover, where that is anything.
 */
export interface Verdict {
  result: "pass" | "fail" | "not judged";
  reason: Reason | null;
  cue: { id: string; words: string } | null;
  actions: ActionVerdict[];
  checks: CheckVerdict[];
}

/** Reps of a stage without musts are counted, not judged. */
export const isRehearsal = (verdict: Pick<Verdict, "reason">): boolean =>
  verdict.reason?.code === "rehearsal";
