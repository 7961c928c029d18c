import { describe, expect, it } from "vitest";
import { glance, type GlanceRep } from "./glance";

/** A rep that lands so many ms before the top (40 late at most), with hips that go so far, cm. */
function rep(
  id: string,
  land: number,
  sway: number,
  cue: string | null = land < -40 ? "Lead foot down sooner" : null,
): GlanceRep {
  const check = {
    id: "land",
    measure: "leadLandBeforeTop" as const,
    band: [-40, null] as [number, null],
    level: "must" as const,
    must: true,
    result: land < -40 ? ("fail" as const) : ("pass" as const),
    value: land,
    u: 10,
  };
  return {
    id,
    result: check.result,
    cue,
    checks: [check],
    measures: { leadLandBeforeTop: { value: land, u: 10 }, pelvisSway: { value: sway, u: 0.6 } },
  };
}
const asked = ["leadLandBeforeTop", "pelvisSway"] as const;

describe("a bout at a glance", () => {
  const bout = [
    rep("a", 100, 2),
    rep("b", -60, 2.3),
    rep("c", -160, 1.8),
    rep("d", 90, 2.1),
    rep("e", 85, 9),
    rep("f", -110, 2.2),
  ];

  it("counts, names the one thing to change, and which reps to look at and why", () => {
    const { passed, judged, change, look } = glance(bout, asked);
    expect([passed, judged, change]).toEqual([3, 6, { words: "Lead foot down sooner", reps: 3 }]);
    expect(look.find((l) => l.why === "closest")!.id).toBe("b");
    expect(look.filter((l) => l.why === "odd")).toMatchObject([{ id: "e", measure: "pelvisSway" }]);
    expect(look.find((l) => l.why === "typical")!.id).not.toBe("e");
  });

  it("calls nothing odd that the film can't tell apart, and nothing usual among a few", () => {
    const alike = bout.map((r, k) => rep(r.id, 90, 2 + 0.3 * (k % 3)));
    expect(glance(alike, asked).look.filter((l) => l.why === "odd")).toEqual([]);
    expect(glance(bout.slice(0, 4), asked).look.map((l) => l.why)).toEqual(["closest"]);
    expect(glance([], asked)).toEqual({ passed: 0, judged: 0, change: null, look: [] });
  });

  it("goes by what the golfer says", () => {
    const own = bout.map((r) => (r.id === "b" ? { ...r, result: "pass" as const } : r));
    expect(glance(own, asked)).toMatchObject({ passed: 4, change: { reps: 2 } });
    expect(glance(own, asked).look[0]).toMatchObject({ why: "closest", id: "f" });
  });
});
