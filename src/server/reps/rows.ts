import type { Measured } from "../../core/judge/verdict";
import type { measure } from "../db/schema";

/** Rows by a key of theirs, in their order. */
export function groups<T>(rows: readonly T[], key: (row: T) => string): Map<string, T[]> {
  const out = new Map<string, T[]>();
  for (const row of rows) out.set(key(row), [...(out.get(key(row)) ?? []), row]);
  return out;
}

/** A stored measure as the core has it. */
export const toMeasured = (m: typeof measure.$inferSelect): Measured => ({ value: m.value, u: m.u, unit: m.unit, state: m.state, ...(m.reason ? { reason: m.reason } : {}), ...(m.at === null ? {} : { at: m.at }) });
