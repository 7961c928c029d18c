import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { readByPlan } from "./partly";
import { analyse, type AnalyseOptions } from "../../src/core/analysis";
import { findStage } from "../../src/core/drills";
import { readTrack } from "../../src/core/formats/trackFile";
import { readFrames } from "../../src/core/track/unread";
import { askedBy } from "../../src/vision/anytime/asked";
import { firstLook, gridStep, nextFrames, spaced } from "../../src/vision/anytime/plan";

const { stage } = findStage("double-step");
const load = (name: string) => readTrack(readFileSync(`demo/tracks/${name}.track`));
const options = (statureCm: number, hand: "left" | "right"): AnalyseOptions => ({
  golfer: { statureCm, hand },
  drill: "double-step",
});

describe("a plan of what to look at", () => {
  it("looks on grids that hold one another", () => {
    const times = Float64Array.from({ length: 300 }, (_, i) => (i * 1000) / 60);
    const close = new Set(spaced(times, 1000, 2000, 33));
    expect(spaced(times, 1000, 2000, 66).every((i) => close.has(i))).toBe(true);
    expect(gridStep(66, 1000 / 240)).toBe(16);
    expect(firstLook(times).length).toBeLessThan(300 / 7);
  });

  it.each([
    ["double-step-good", "pass"],
    ["double-step-lead-late", "fail"],
  ] as const)(
    "decides %s as the whole clip does, with two fifths of its pictures at most",
    async (name, result) => {
      const track = load(name);
      const asked = options(170, "right");
      expect(analyse(track, asked).reps[0]!.verdict!.result).toBe(result);
      const less = await readByPlan(track, askedBy(asked)!, true);
      expect(analyse(less.track, asked).reps[0]!.verdict!.result).toBe(result);
      expect(less.runs / track.times.length).toBeLessThan(0.4);
    },
  );

  it("asks for nothing twice and comes to an end, whatever is wanted", async () => {
    const track = load("double-step-good");
    const asked = options(170, "right");
    const { track: part } = await readByPlan(
      track,
      { wanted: "everything", analyse: (t) => analyse(t, { ...asked, samples: 4 }) },
      true,
    );
    expect(nextFrames(part, analyse(part, { ...asked, samples: 4 }), "everything", true)).toEqual(
      [],
    );
    expect(readFrames(part).length).toBeLessThan(track.times.length);
  });

  it("reads every picture before it says that there is no rep", async () => {
    const track = load("double-step-good");
    const none = await readByPlan(
      track,
      { wanted: stage, analyse: () => ({ ...analyse(track, options(170, "right")), reps: [] }) },
      true,
    );
    expect(none.runs).toBe(track.times.length);
  });

  it("says of a clip that is hardly read that it can't tell, not that it passed", async () => {
    const track = load("double-step-good");
    const { track: thin } = await readByPlan(
      track,
      {
        wanted: { checks: [] },
        analyse: (t) => analyse(t, { ...options(170, "right"), samples: 4 }),
      },
      true,
    );
    const rep = analyse(thin, options(170, "right")).reps[0]!;
    const whole = analyse(track, options(170, "right")).reps[0]!;
    expect(rep.measures.leadLandBeforeTop.u ?? Infinity).toBeGreaterThanOrEqual(
      whole.measures.leadLandBeforeTop.u!,
    );
  });
});
