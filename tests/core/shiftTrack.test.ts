import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { analyse } from "@/core/analysis";
import { readTrack, writeTrack } from "@/core/formats/trackFile";
import { MEASURE_IDS } from "@/core/measures";
import { shiftTrack } from "@/core/track/shiftTrack";

describe("a track on the clock of a film that began earlier", () => {
  it("tells the same of the same rep, so much later, also when it was stored meanwhile", () => {
    const track = readTrack(readFileSync("demo/tracks/double-step-lead-late.track"));
    const judged = (t: typeof track) =>
      analyse(t, {
        golfer: { statureCm: 170, hand: "right" },
        drill: "double-step",
        samples: 8,
        live: true,
      }).reps;
    const [before, after] = [
      judged(track),
      judged(readTrack(writeTrack(shiftTrack(track, 1234.5)))),
    ];
    expect(after.map((r) => [r.verdict!.result, r.verdict!.cue?.id])).toEqual([
      ["fail", "lead-down"],
    ]);
    for (const name of ["handStart", "top", "impact"] as const)
      expect(after[0]!.events[name]!.t - before[0]!.events[name]!.t).toBeCloseTo(1234.5, -1);
    expect(after[0]!.series.t[0]! - before[0]!.series.t[0]!).toBeCloseTo(1234.5, -1);
    for (const id of MEASURE_IDS) {
      const [was, is] = [before[0]!.measures[id], after[0]!.measures[id]];
      expect(is.state, id).toBe(was.state);
      if (was.value !== null)
        expect(Math.abs(is.value! - was.value), id).toBeLessThanOrEqual((was.u ?? 0) + 1e-6);
    }
  });
});
