import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { analyse } from "../analysis";
import { readTrack } from "../formats/trackFile";
import { bestOf, differences, margin, warp } from "./compare";

const read = (name: string) =>
  analyse(readTrack(readFileSync(`demo/tracks/${name}.track`)), {
    golfer: { statureCm: 170, hand: "right" },
    drill: "double-step",
    samples: 16,
  }).reps[0]!;
const times = (r: ReturnType<typeof read>) =>
  Object.fromEntries(Object.entries(r.events).map(([name, e]) => [name, e.t]));

describe("two reps", () => {
  const [good, late] = [read("double-step-good"), read("double-step-lead-late")];
  const asked = good.verdict!.checks.map((c) => c.measure);

  it("are aligned at each event that both have, and never go back in time between", () => {
    const to = warp(times(late), times(good));
    for (const name of ["handStart", "top", "impact", "finish"] as const)
      expect(to(late.events[name]!.t)).toBeCloseTo(good.events[name]!.t, 6);
    const way = Array.from({ length: 500 }, (_, i) =>
      to(late.from + ((late.to - late.from) * i) / 499),
    );
    way.slice(1).forEach((t, i) => expect(t).toBeGreaterThan(way[i]!));
    // Before the first and after the last event it is their own time.
    expect(to(late.events.address!.t - 200)).toBeCloseTo(good.events.address!.t - 200, 6);
    expect(to(late.events.finish!.t + 300)).toBeCloseTo(good.events.finish!.t + 300, 6);
    expect(warp({ top: 100, impact: 90 }, { top: 50, impact: 70 })(120)).toBe(70);
    expect(warp({}, {}, [100, 20])(150)).toBe(70);
  });

  it("differ first in what one of them does wrong, and a rep from itself in nothing", () => {
    const [first] = differences(late.measures, good.measures, asked);
    expect(first!.measure).toBe("leadLandBeforeTop");
    expect(first!.by).toBeCloseTo(
      late.measures.leadLandBeforeTop.value! - good.measures.leadLandBeforeTop.value!,
      9,
    );
    expect(first!.doubts).toBeGreaterThan(1);
    expect(
      differences(good.measures, good.measures, asked).every((d) => d.by === 0 && d.doubts === 0),
    ).toBe(true);
    // What is not measured in one is no difference.
    const hidden = {
      ...late.measures,
      leadLandBeforeTop: {
        ...late.measures.leadLandBeforeTop,
        state: "not measurable" as const,
        u: null,
      },
    };
    expect(differences(hidden, good.measures, asked).map((d) => d.measure)).not.toContain(
      "leadLandBeforeTop",
    );
  });

  it("have as the best the pass that is farthest from failing", () => {
    expect(margin(good.verdict!)).toBeGreaterThan(0);
    expect(margin(late.verdict!)).toBeLessThan(0);
    const tall = read("double-step-good-tall");
    const best = bestOf([late, good, tall])!;
    expect(margin(best.verdict!)).toBe(Math.max(margin(good.verdict!)!, margin(tall.verdict!)!));
    expect(bestOf([late])).toBeNull();
  });
});
