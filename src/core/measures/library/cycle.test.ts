import { describe, expect, it } from "vitest";
import {
  follow,
  level,
  line,
  measured,
  spell,
  values,
  type Drawn,
} from "../../../../tests/core/handMade";

type Turn = readonly [of: "hands" | "pressure", ms: number, side: "target" | "away"];
const period = (turns: Turn[] = [], more: Drawn["rep"] = {}): Drawn => ({
  rep: {
    kind: "cycle",
    fromMs: 200,
    toMs: 1700,
    turns: turns.map(([of, ms, side]) => ({ of, ms, side })),
    ...more,
  },
});

describe("a to-and-fro", () => {
  it("has a cadence by its period", () => {
    expect(values(period(), "cadence")).toEqual([40]);
  });

  it("is led by the ground, by the mean of turns on the same side", () => {
    const led = period([
      // Of the periods before and after.
      ["pressure", 20, "target"],
      ["hands", 30, "target"],
      ["hands", 200, "away"],
      ["pressure", 140, "away"],
      ["hands", 950, "target"],
      ["pressure", 850, "target"],
      ["pressure", 900, "away"],
      ["hands", 1700, "away"],
      ["pressure", 1680, "away"],
      ["pressure", 1930, "target"],
      ["hands", 1950, "target"],
    ]);
    expect(values(led, "groundLeadsHands")).toEqual([60]);
    // A turn of another period does not count, and without any there is none.
    const alone = period([
      ["hands", 950, "target"],
      ["pressure", 400, "target"],
    ]);
    expect(measured("groundLeadsHands", alone).why).toBe("eventNotFound");
  });

  it("reaches with the hands beyond the feet, on either side", () => {
    const wide = { motion: { handsT: line([200, 0], [800, 33], [1500, -41]) }, ...period() };
    expect(values(wide, "handRange")).toEqual([17]);
    // Within the feet it is negative: how far they stay inside.
    const small = { motion: { handsT: line([200, 0], [800, 10], [1500, -4]) }, ...period() };
    expect(values(small, "handRange")).toEqual([-14]);
  });

  it("tells how far the hands go from side to side, and up", () => {
    const swung = {
      motion: {
        handsT: line([200, 0], [800, 33], [1500, -41]),
        handsU: line([200, 75], [800, 90], [1500, 71]),
      },
      ...period(),
    };
    expect(values(swung, "handTravel", "handRise")).toEqual([74, 19]);
  });

  it("lands before the hands turn", () => {
    const footEvents = [
      { foot: "lead", event: "landing", ms: 150 },
      { foot: "trail", event: "liftOff", ms: 800 },
      { foot: "lead", event: "landing", ms: 900 },
      { foot: "trail", event: "landing", ms: 1650 },
      { foot: "lead", event: "landing", ms: 1900 },
    ] as never;
    const turns: Turn[] = [
      ["hands", 1000, "target"],
      ["hands", 1700, "away"],
      ["hands", 1990, "target"],
    ];
    expect(values(period(turns, { footEvents }), "landBeforeTurnaround")).toEqual([75]);
    expect(measured("landBeforeTurnaround", period(turns)).why).toBe("noStep");
  });

  it("lets planted feet travel by their toes, each from where it stood", () => {
    const moved = (t: Float64Array) => spell(18, 0, 2000, { toe: follow(t) });
    const drawn = {
      ...period(),
      spells: { lead: [moved(line([100, 9], [200, 2], [900, 5], [1700, 5], [1800, 30]))] },
    };
    expect(values(drawn, "leadPlantedTravel", "trailPlantedTravel")).toEqual([3, 0]);
  });

  it("turns chest and hips by as much as they narrow", () => {
    const narrow = line([200, 20], [900, 10], [1700, 20]);
    const half = (w: Float64Array) => ({ t: w.map((v) => v / 2), u: level(95) });
    const drawn = {
      ...period(),
      joints: { lead: { hip: half(narrow) }, trail: { hip: half(narrow.map((v) => -v)) } },
    };
    const [hips, chest] = values(drawn, "pelvisRange", "thoraxRange");
    expect(Math.abs(hips! - 60)).toBeLessThan(8);
    expect(chest).toBeLessThan(1);
  });

  it("has nothing of a swing", () => {
    expect(measured("pelvisSway", period()).why).toBe("otherKind");
    expect(measured("cadence").why).toBe("otherKind");
  });
});

describe("a pivot", () => {
  const pivot = (foot: "lead" | "trail"): Drawn => ({
    rep: { kind: "pivot", foot, fromMs: 100, toMs: 1900 },
    events: { pivotStart: 300, pivotPeak: 900, pivotBack: 1600 },
    motion: { direction: { lead: level(0), trail: line([300, 5], [900, -38], [1600, 2]) } },
  });

  it("is measured of the foot that turns, from where it stood at first", () => {
    expect(values(pivot("trail"), "trailFootTurn", "pivotTime")).toEqual([-38, 1300]);
    expect(measured("leadFootTurn", pivot("trail")).why).toBe("otherKind");
    const unseen = {
      ...pivot("trail"),
      motion: { direction: { lead: level(0), trail: level(NaN) } },
    };
    expect(measured("trailFootTurn", unseen).why).toBe("footNotSeen");
  });

  it("lets the heel travel by what was followed of it, within the turn", () => {
    const heel = follow(line([50, 8], [100, 0], [900, 4], [1900, 1], [1950, 20]));
    const drawn = { ...pivot("trail"), spells: { trail: [spell(-18, 0, 2000, { heel })] } };
    expect(values(drawn, "trailHeelTravel")).toEqual([4]);
    // From where it stood when the turn began, wherever that was.
    const along = follow(line([100, 2], [900, 6]));
    const other = { ...pivot("trail"), spells: { trail: [spell(-18, 0, 2000, { heel: along })] } };
    expect(values(other, "trailHeelTravel")).toEqual([4]);
    expect(values(pivot("trail"), "trailHeelTravel")).toEqual([0]);
  });
});
