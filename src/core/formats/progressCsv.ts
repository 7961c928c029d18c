import type { CheckVerdict } from "../judge";
import { writeCsv } from "./csv";
import { CATALOGUE } from "../measures";

interface DottedBout {
  id: string;
  day: string;
  startedAt: Date;
  feltShare: number | null;
  reps: readonly { id: string; checks: readonly CheckVerdict[] }[];
}

/**
 * What each check said of each rep as CSV (RFC 4180, UTF-8, comma, point as the decimal mark): a
 * row a rep and check; docs/formats.md.
 */
export const progressCsv = (bouts: readonly DottedBout[]): string =>
  writeCsv(
    [
      "bout",
      "day",
      "at",
      "feltShare",
      "rep",
      "check",
      "measure",
      "value",
      "u",
      "unit",
      "bandLow",
      "bandHigh",
      "result",
    ],
    bouts.flatMap((b) =>
      b.reps.flatMap((r) =>
        r.checks.map((c) => [
          b.id,
          b.day,
          new Date(b.startedAt).toISOString(),
          b.feltShare,
          r.id,
          c.id,
          c.measure,
          c.value,
          c.u,
          CATALOGUE[c.measure].unit,
          c.band[0],
          c.band[1],
          c.result,
        ]),
      ),
    ),
  );
