import Papa from "papaparse";
import type { InsoleReading } from "../practice";
import { writeCsv } from "./csv";

export type ReadInsoles = { ok: true; reading: InsoleReading } | { ok: false; message: string };

const LOADS = ["left_heel", "left_toe", "right_heel", "right_toe"] as const;
/**
 * Rows a second that tell a step (files have 50 to 100); slower ones blur a landing by
 * more than a film does.
 */
const [LEAST_HZ, MOST_HZ] = [45, 500] as const;
const MOST_ROWS = 2_000_000;

/**
 * Reads an insoles' file: CSV with a heading row `t_ms` (or `t_s`), `left_heel`, `left_toe`,
 * `right_heel`, `right_toe` in any order, other columns left aside; times rise. Loads below nothing
 * (a sensor's zero) count as nothing.
 *
 * @example readInsolesCsv("t_ms,left_heel,left_toe,right_heel,right_toe\n0,210,180,200,190\n…")
 */
export function readInsolesCsv(text: string): ReadInsoles {
  const no = (message: string): ReadInsoles => ({ ok: false, message });
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: true,
    transformHeader: (h) => h.trim().toLowerCase(),
  });
  const fields = meta.fields ?? [];
  const time = fields.includes("t_ms") ? "t_ms" : fields.includes("t_s") ? "t_s" : null;
  const missing = [...(time ? [] : ["t_ms"]), ...LOADS.filter((f) => !fields.includes(f))];
  if (missing.length)
    return no(
      `There is no column ${missing.join(", ")}. The first row must name t_ms, ${LOADS.join(", ")}.`,
    );
  if (data.length < 2) return no("There is nothing below the first row.");
  if (data.length > MOST_ROWS)
    return no(`More than ${MOST_ROWS} rows: cut the file to the practice.`);
  const column = (name: string, k = 1) =>
    Float64Array.from(data, (row) => Number(row[name] === "" ? NaN : row[name]) * k);
  const t = column(time!, time === "t_s" ? 1000 : 1);
  const loads = LOADS.map((name) => column(name).map((v) => Math.max(0, v)));
  for (const [i, ms] of t.entries()) {
    if (!Number.isFinite(ms) || loads.some((l) => !Number.isFinite(l[i]!)))
      return no(`Row ${i + 2} has something that is no number.`);
    if (i > 0 && ms <= t[i - 1]!) return no(`Row ${i + 2}: the time does not go on.`);
  }
  const hz = (1000 * (t.length - 1)) / (t.at(-1) - t[0]!);
  if (hz < LEAST_HZ || hz > MOST_HZ)
    return no(
      `${hz.toFixed(0)} rows a second: 50 to 100 are wanted. Is the time in ${time === "t_s" ? "seconds" : "ms"}?`,
    );
  const [leftHeel, leftToe, rightHeel, rightToe] = loads as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  return {
    ok: true,
    reading: {
      t,
      left: { heel: leftHeel, toe: leftToe },
      right: { heel: rightHeel, toe: rightToe },
    },
  };
}

/** The same as a file. */
export function insolesCsv({ t, left, right }: InsoleReading): string {
  const round = (v: number) => Math.round(v * 10) / 10;
  return writeCsv(
    ["t_ms", ...LOADS],
    Array.from(t, (ms, i) =>
      [ms, left.heel[i]!, left.toe[i]!, right.heel[i]!, right.toe[i]!].map(round),
    ),
  );
}
