import type { Measured, Verdict } from "../judge";
import { writeCsv } from "./csv";
import { CATALOGUE, type MeasureId } from "../measures";

/** What a table of measures is made of. */
export interface MeasuredRep {
  rep: string;
  bout: string;
  drill: string | null;
  stage: string | null;
  /** ISO 8601. */
  at: string;
  measures: Readonly<Record<string, Measured>>;
  verdict: Verdict | null;
}

const COLUMNS = [
  "rep",
  "bout",
  "drill",
  "stage",
  "at",
  "measure",
  "name",
  "value",
  "u",
  "unit",
  "state",
  "reason",
  "bandLow",
  "bandHigh",
  "result",
] as const;

/**
 * Measures as CSV (RFC 4180, UTF-8, comma, point as the decimal mark): a row a measure, `u` one
 * standard uncertainty in the row's unit, band and result where a check asks for it;
 * docs/formats.md.
 */
export function measuresCsv(reps: readonly MeasuredRep[]): string {
  const rows = reps.flatMap(({ rep, bout, drill, stage, at, measures, verdict }) =>
    Object.entries(measures).map(([id, m]) => {
      const check = verdict?.checks.find((c) => c.measure === id);
      return [
        rep,
        bout,
        drill,
        stage,
        at,
        id,
        CATALOGUE[id as MeasureId]?.name ?? id,
        m.value,
        m.u,
        m.unit,
        m.state,
        m.reason ?? null,
        check?.band[0] ?? null,
        check?.band[1] ?? null,
        check?.result ?? null,
      ];
    }),
  );
  return writeCsv(COLUMNS, rows);
}
