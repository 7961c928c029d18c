import type { Verdict } from "../../core/judge";

const MEANS: Readonly<Record<string, Verdict["result"]>> = {
  p: "pass",
  f: "fail",
  n: "not judged",
};

/**
 * What was said of each of a bout's reps, from how the bout keeps it; null for one that was only
 * measured.
 */
export const resultsOf = (results: string): (Verdict["result"] | null)[] =>
  [...results].map((c) => MEANS[c] ?? null);
