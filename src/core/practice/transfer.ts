import { isCarried } from "../choose";
import { decides, type Stage } from "../drills";
import type { Measured, Verdict } from "../judge";
import { judgeAgain } from "./judgeAgain";

/**
 * A stage as a normal swing is held to it: by its carried musts and limits alone, none of its steps and
 * set-up; null where nothing of it carries.
 */
export function carriedStage(stage: Stage): Stage | null {
  const checks = stage.checks
    .filter((c) => decides(c) && isCarried(c))
    .map((c) => ({ ...c, point: true }));
  return checks.length ? { ...stage, actions: [], checks } : null;
}

/** What a drill's carried checks say of a normal swing. */
export const transferVerdict = (
  carried: Stage,
  measures: Readonly<Record<string, Measured>>,
  statureCm: number,
): Verdict["result"] =>
  judgeAgain(carried, { statureCm, measures, actions: [], problems: [] }).result;
