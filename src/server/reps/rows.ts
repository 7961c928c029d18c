import { and, isNull } from "drizzle-orm";
import { alias } from "drizzle-orm/pg-core";
import { type Level, LEVELS } from "../../core/drills";
import type { Measured, Verdict } from "../../core/judge";
import { bout, rep, verdict, type measure } from "../db/schema";

/** The golfer's own verdicts, where they overrule the program's. */
export const overruled = alias(verdict, "overruled");

/** Neither the rep nor its bout is in the bin. */
export const there = and(isNull(rep.removedAt), isNull(bout.removedAt));

/** Rows by a key of theirs, in their order. */
export function groups<T>(rows: readonly T[], key: (row: T) => string): Map<string, T[]> {
  const out = new Map<string, T[]>();
  for (const row of rows) {
    const own = out.get(key(row));
    if (own) own.push(row);
    else out.set(key(row), [row]);
  }
  return out;
}

/** A stored measure as the core has it. */
export const toMeasured = (m: typeof measure.$inferSelect): Measured => ({
  value: m.value,
  u: m.u,
  unit: m.unit,
  state: m.state,
  ...(m.reason ? { reason: m.reason } : {}),
  ...(m.at === null ? {} : { at: m.at }),
});

/** What is stored of a verdict, its rep apart. */
export const verdictRow = ({
  result,
  reason,
  cue,
  actions,
  checks,
}: Verdict): Omit<typeof verdict.$inferInsert, "repId" | "by"> => ({
  result,
  reasonCode: reason?.code ?? null,
  reasonMessage: reason?.message ?? null,
  cueId: cue?.id ?? null,
  cueWords: cue?.words ?? null,
  actions,
  checks,
});

/** A stored verdict as the core has it. */
export const toVerdict = (v: typeof verdict.$inferSelect): Verdict => ({
  result: v.result,
  reason: v.reasonCode ? { code: v.reasonCode, message: v.reasonMessage ?? "" } : null,
  cue: v.cueId ? { id: v.cueId, words: v.cueWords ?? "" } : null,
  actions: v.actions,
  checks: v.checks.map((c) => ({ ...c, level: roleOf(c.level) })),
});

/** Verdicts of before limits have a "should" that decided nothing; what was told stays. */
const roleOf = (level: string): Level => LEVELS.find((l) => l === level) ?? "advice";
