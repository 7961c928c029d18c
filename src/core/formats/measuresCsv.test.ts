import { readFileSync } from "node:fs";
import Papa from "papaparse";
import { expect, it } from "vitest";
import { analyse } from "../analysis";
import { measuresCsv } from "./measuresCsv";
import type { MeasureId } from "../measures";
import { readTrack } from "./trackFile";

it("a rep's measures come back from CSV as they were, with their bands and whatever is said of them", () => {
  const [rep] = analyse(readTrack(readFileSync("demo/tracks/double-step-sways.track")), {
    golfer: { statureCm: 178, hand: "right" },
    drill: "double-step",
    samples: 8,
  }).reps;
  const csv = measuresCsv([
    {
      rep: "r1",
      bout: 'a "bout", of two',
      drill: "double-step",
      stage: null,
      at: "2026-11-24T10:00:00.000Z",
      measures: rep!.measures,
      verdict: rep!.verdict,
    },
  ]);
  const { data, errors } = Papa.parse<Record<string, string>>(csv, { header: true });
  expect(errors).toEqual([]);
  expect(data).toHaveLength(Object.keys(rep!.measures).length);
  for (const row of data) {
    const m = rep!.measures[row.measure as MeasureId];
    expect(row.value === "" ? null : Number(row.value)).toBe(m.value);
    expect(row.u === "" ? null : Number(row.u)).toBe(m.u);
    expect([row.unit, row.state, row.bout]).toEqual([m.unit, m.state, 'a "bout", of two']);
  }
  for (const c of rep!.verdict!.checks)
    expect(data.find((row) => row.measure === c.measure)!.result).toBe(c.result);
});
