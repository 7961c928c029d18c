import { describe, expect, it } from "vitest";
import { DRILLS } from "../drills";
import { conflicts, conflictWords } from "./conflicts";
import { search } from "./search";
import { drillsFor, SYMPTOM_ROWS } from "./symptoms";

const drill = (id: string) => DRILLS.find((d) => d.id === id)!;

describe("drills that pull against each other", () => {
  it.each([
    ["feet-together", "hanging-arms-turn", "pelvisBeforeHands"],
    ["bent-knee-driver", "bent-knee-iron", "leadShareImpact"],
  ])("%s and %s, by the bands of %s", (a, b, measure) => {
    const found = conflicts(drill(a), drill(b));
    expect(found).toContainEqual(expect.objectContaining({ kind: "band", measure }));
    expect(conflicts(drill(b), drill(a))).toHaveLength(found.length);
  });

  it.each([
    ["trail-step-flat", "heel-keeps-pace", "trailFoot"],
    ["big-toe-brace", "heel-toe-swap", "pressesBack"],
  ])("%s and %s, by their sides on %s", (a, b, style) => {
    expect(conflicts(drill(a), drill(b))).toContainEqual(
      expect.objectContaining({ kind: "style", style }),
    );
  });

  it("says why with names, numbers and units", () => {
    const [band] = conflicts(drill("bent-knee-driver"), drill("bent-knee-iron"));
    expect(conflictWords(band!, "Driver", "Iron")).toBe(
      "Lead share, at the strike: Driver wants 35 to 64 %, Iron 65 % or more.",
    );
  });

  it("never sets a drill against itself or along its own path", () => {
    for (const d of DRILLS) {
      expect(conflicts(d, d)).toEqual([]);
      for (const next of d.then ?? [])
        expect(
          conflicts(d, drill(next)).filter((c) => c.kind === "band"),
          `${d.id} → ${next}`,
        ).toEqual([]);
    }
  });
});

describe("what is noticed", () => {
  it("leads to the catalogue's drills, in their order", () => {
    const numbers = (id: (typeof SYMPTOM_ROWS)[number]["id"]) => drillsFor(id).map((d) => d.number);
    expect(Object.fromEntries(SYMPTOM_ROWS.map((s) => [s.id, numbers(s.id)]))).toEqual({
      heavy: [28, 29, 1, 21, 27],
      thin: [20, 17, 13],
      slice: [1, 2, 10, 12, 13],
      hook: [13, 4, 2, 24],
      noDistance: [5, 7, 8, 10, 23],
      stuckBefore: [7, 5, 8, 11],
      shortBack: [5, 6, 13, 14, 9],
      sway: [15, 16, 18, 13],
      endsOnTrail: [27, 19, 26, 21],
      hipsStall: [30, 25, 13],
      feetSlip: [23, 22, 11],
      offBalance: [1, 3, 14],
    });
  });

  it.each([
    ["I catch the ground first", "heavy"],
    ["hevy strikes", "heavy"],
    ["sway", "sway"],
    ["fat", "heavy"],
    ["off balanse", "offBalance"],
    ["over the top", "slice"],
    ["no power", "noDistance"],
    ["feet slipp", "feetSlip"],
  ])("is found by '%s'", (text, id) => {
    expect(
      search(text)
        .symptoms.slice(0, 2)
        .map((s) => s.id),
    ).toContain(id);
  });

  it("finds drills that are misspelt", () => {
    expect(search("dubble step").drills[0]?.id).toBe("double-step");
    expect(search("rocking bord").drills[0]?.id).toContain("rocking-board");
    expect(search("q")).toEqual({ symptoms: [], drills: [] });
  });
});
