// Not the catalogue: the page that films holds this too.
import { isJudged, type Drill, type Stage } from "../drills";
import type { Verdict } from "../judge";

/**
 * One rep of a stage: the day it was done on, and what was said of it; null for one that was only
 * measured.
 */
export interface StageRep {
  stageId: string;
  day: string;
  result: Verdict["result"] | null;
}

/**
 * A stage is passed with so many passes of its last judged reps, and they span two days at least;
 * with so few of them the one before it is due again.
 */
export const PASSES = 8;
export const LAST = 10;
const FEW = 3;
export const DAYS = 2;

/** Where a golfer is on one stage, and what that is taken from. */
export interface LadderStanding {
  stage: Stage;
  /** Through it; at it; not yet. */
  is: "done" | "here" | "ahead";
  /**
   * Of a judged stage: the last judged reps, ten at most, those of them that passed, and the days
   * they span. Of a rehearsal: its reps, none of them passed, and the days on which its dose was
   * done.
   */
  judged: number;
  passed: number;
  days: number;
  /** Few of the last ten passed: the stage before it is due again. */
  back: boolean;
  /** What the last judged reps came to, the latest first; none of a rehearsal's. */
  last: readonly ("pass" | "fail")[];
  /** The day on which the golfer went on from it by their own decision; null: they did not. */
  wentOn: string | null;
}

/** Stages that a golfer went on from before they were done, as `drill stage`, with the day. */
export type WentOn = Readonly<Record<string, string>>;
export const wentOnKey = (drillId: string, stageId: string): string => `${drillId} ${stageId}`;

/**
 * Where a golfer is on each stage of a drill. A judged stage is done when 8 of its last 10 judged
 * reps passed and they span two days; a rehearsal when its dose was done on two days; any when the
 * golfer went on from it. The first that is not done is where the golfer is.
 *
 * @param reps the latest first
 */
export function ladder(
  drill: Drill,
  reps: readonly StageRep[],
  wentOn: WentOn = {},
): LadderStanding[] {
  let reached = true;
  return drill.stages.map((stage) => {
    const own = reps.filter((r) => r.stageId === stage.id);
    const { done, ...counted } = isJudged(stage) ? judgedOf(own) : dosed(own, drill);
    const left = (!done && wentOn[wentOnKey(drill.id, stage.id)]) || null;
    const over = done || left !== null;
    const is = over ? "done" : reached ? "here" : "ahead";
    reached &&= over;
    return { stage, is, ...counted, wentOn: left };
  });
}

/**
 * Whether a path goes on from a drill: its main judged stages are done, or its main ones where none
 * is judged.
 */
export function isThrough(drill: Drill, standings: readonly LadderStanding[]): boolean {
  const main = standings.filter(({ stage }) => stage.main);
  const judged = main.filter(({ stage }) => isJudged(stage));
  return (judged.length ? judged : main).every(({ is }) => is === "done");
}

type Counted = Omit<LadderStanding, "stage" | "is" | "wentOn"> & { done: boolean };

function judgedOf(reps: readonly StageRep[]): Counted {
  const latest = reps
    .flatMap(({ result, day }) => (result === "pass" || result === "fail" ? [{ result, day }] : []))
    .slice(0, LAST);
  const last = latest.map((r) => r.result);
  const passed = last.filter((r) => r === "pass").length;
  const days = new Set(latest.map((r) => r.day)).size;
  return {
    judged: last.length,
    passed,
    days,
    last,
    back: last.length === LAST && passed <= FEW,
    done: last.length === LAST && passed >= PASSES && days >= DAYS,
  };
}

/** A rehearsal: the days on which its whole dose was done. */
function dosed(reps: readonly StageRep[], { dose }: Drill): Counted {
  const count = new Map<string, number>();
  for (const r of reps) count.set(r.day, (count.get(r.day) ?? 0) + 1);
  const days = [...count.values()].filter((n) => n >= dose.sets * dose.reps).length;
  return { judged: reps.length, passed: 0, days, last: [], back: false, done: days >= DAYS };
}
