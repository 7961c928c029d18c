import type { Measured, Verdict } from "../../core/judge/verdict";
import type { measure, verdict } from "../db/schema";

/** Rows by a key of theirs, in their order. */
export function groups<T>(rows: readonly T[], key: (row: T) => string): Map<string, T[]> {
  const out = new Map<string, T[]>();
  for (const row of rows) out.set(key(row), [...(out.get(key(row)) ?? []), row]);
  return out;
}

/** A stored measure as the core has it. */
export const toMeasured = (m: typeof measure.$inferSelect): Measured => ({ value: m.value, u: m.u, unit: m.unit, state: m.state, ...(m.reason ? { reason: m.reason } : {}), ...(m.at === null ? {} : { at: m.at }) });

/** What is stored of a verdict, its rep apart. */
export const verdictRow = ({ result, reason, cue, actions, checks }: Verdict): Omit<typeof verdict.$inferInsert, "repId" | "by"> => ({
  result, reasonCode: reason?.code ?? null, reasonMessage: reason?.message ?? null, cueId: cue?.id ?? null, cueWords: cue?.words ?? null, actions, checks,
});
