import Papa from "papaparse";
import { median } from "../maths";
import { flight, LINES, STRIKES, type Flight } from "../practice";

export type ReadFlight =
  { ok: true; flight: Flight; shots: number } | { ok: false; message: string };

const WORDS = { strike: STRIKES, start: LINES, curve: LINES } as const;
const NUMBERS = { carry_m: "carryM", club_speed_ms: "clubSpeedMs" } as const;
const COLUMNS = [...Object.keys(WORDS), ...Object.keys(NUMBERS)];

/**
 * Reads what the ball did from a file with one shot a row: any of the columns `strike`, `start`,
 * `curve`, `carry_m`, `club_speed_ms`, others left aside, empty fields not known. A bout has one
 * row: the middle of the numbers, and of words the one that most shots have, if more have it than
 * any other.
 *
 * @example readFlightCsv("strike,carry_m\nclean,132\nthin,118\nclean,135\n") // { strike: "clean",
 * carryM: 132 }
 */
export function readFlightCsv(text: string): ReadFlight {
  const no = (message: string): ReadFlight => ({ ok: false, message });
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: true,
    transformHeader: (h) => h.trim().toLowerCase(),
    transform: (v) => v.trim(),
  });
  const known = COLUMNS.filter((c) => meta.fields?.includes(c));
  if (!known.length)
    return no(`None of the columns ${COLUMNS.join(", ")} is there. The first row must name them.`);
  if (!data.length) return no("There is nothing below the first row.");
  const out: Record<string, string | number> = {};
  for (const column of known) {
    const filled = data.flatMap((row, i) =>
      row[column] ? [{ value: row[column].toLowerCase(), line: i + 2 }] : [],
    );
    if (!filled.length) continue;
    const words: readonly string[] | undefined = WORDS[column as keyof typeof WORDS];
    if (words) {
      const wrong = filled.find((f) => !words.includes(f.value));
      if (wrong)
        return no(
          `Row ${wrong.line}: ${column} is one of ${words.join(", ")}, not “${wrong.value}”.`,
        );
      const count = words
        .map((w) => ({ w, n: filled.filter((f) => f.value === w).length }))
        .sort((a, b) => b.n - a.n);
      if (count[0]!.n > count[1]!.n) out[column] = count[0]!.w;
    } else {
      const wrong = filled.find((f) => !Number.isFinite(Number(f.value)));
      if (wrong)
        return no(`Row ${wrong.line}: ${column} has “${wrong.value}”, which is no number.`);
      out[NUMBERS[column as keyof typeof NUMBERS]] =
        Math.round(median(filled.map((f) => Number(f.value))) * 10) / 10;
    }
  }
  const parsed = flight.safeParse(out);
  if (!parsed.success)
    return no(
      "A distance or speed in it is none that a golf ball or club has: carry_m is in m, club_speed_ms in m/s.",
    );
  return { ok: true, flight: parsed.data, shots: data.length };
}
