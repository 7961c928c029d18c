import { describe, expect, it } from "vitest";
import { DRILLS, isJudged, type Check, type RequiredAction } from "../drills";
import type { MeasureId } from "../measures";
import { decidesByTop, decidingInstant, holdOf } from "./deciding";

type Found = Parameters<typeof decidingInstant>[1];
const stage = (measures: MeasureId[], needs: object[] = [], level = "must") => ({
  checks: measures.map((measure) => ({ measure, level, band: [null, 5] })) as unknown as Check[],
  actions: needs.map((need) => ({ need })) as unknown as RequiredAction[],
});
const at = (ms: Record<string, number>) =>
  Object.fromEntries(Object.entries(ms).map(([name, t]) => [name, { t }]));
const rep = (ms: Record<string, number>, more: Partial<Found> = {}): Found => ({
  kind: "swing",
  events: at(ms),
  footEvents: [],
  to: 2000,
  ...more,
});
const landing = (foot: "lead" | "trail", t: number) => ({ foot, event: "landing", t });

describe("what decides a rep", () => {
  const swing = rep({ address: 200, handStart: 300, top: 1000, impact: 1300, finish: 1800 });

  it("is the latest of what the musts wait for", () => {
    expect(decidingInstant(stage(["pelvisSway"]), swing)).toBe(1000);
    expect(decidingInstant(stage(["pelvisSway", "leadShareImpact"]), swing)).toBe(1300);
    expect(decidingInstant(stage(["pelvisSway", "leadShareFinish"]), swing)).toBe(1800);
  });

  it("is open while one of them was not found", () => {
    expect(
      decidingInstant(stage(["pelvisSway", "leadShareFinish"]), rep({ top: 1000 })),
    ).toBeNull();
  });

  it("asks nothing of advice; a rehearsal is over when the movement is", () => {
    const mixed = stage(["pelvisSway"]);
    mixed.checks.push(...stage(["leadShareFinish"], [], "advice").checks);
    expect(decidingInstant(mixed, swing)).toBe(1000);
    expect(decidingInstant(stage([]), swing)).toBe(1800);
    expect(decidingInstant(stage([]), rep({ top: 1000 }))).toBe(2000);
  });

  it("takes a release for the strike in a gesture", () => {
    expect(decidingInstant(stage(["leadShareImpact"]), rep({ release: 1250 }))).toBe(1250);
  });

  it("knows at the strike that a foot has not landed", () => {
    const landed = { footEvents: [landing("lead", 500), landing("lead", 1100)] };
    const musts = stage(["leadLandBeforeTop"]);
    expect(decidingInstant(musts, rep({ top: 1000, impact: 1300 }, landed))).toBe(1100);
    expect(decidingInstant(musts, rep({ top: 1000, impact: 1300 }))).toBe(1300);
    expect(decidingInstant(musts, rep({ top: 1000 }))).toBeNull();
  });

  it("waits for the landing of its own foot, however often the other steps", () => {
    const steps = {
      footEvents: [
        landing("lead", 1100),
        landing("trail", 1200),
        { foot: "lead" as const, event: "liftOff", t: 1250 },
      ],
    };
    const found = rep({ top: 1000, impact: 1300 }, steps);
    expect(decidingInstant(stage(["leadLandBeforeTop"]), found)).toBe(1100);
    const step = stage([], [{ kind: "step", foot: "lead", before: "top" }]);
    expect(decidingInstant(step, found)).toBe(1100);
  });

  it("knows at the top that the weight never crossed the middle", () => {
    const musts = stage(["recentreBeforeTop"]);
    expect(decidingInstant(musts, rep({ top: 1000, recentre: 900 }))).toBe(
      decidingInstant(musts, rep({ top: 1000 })),
    );
  });
});

describe("an action", () => {
  it("before an event waits for its landing, or for that event", () => {
    const step = stage([], [{ kind: "step", foot: "trail", before: "top" }]);
    const landed = { footEvents: [landing("trail", 700)] };
    expect(decidingInstant(step, rep({ top: 1000 }, landed))).toBe(700);
    expect(decidingInstant(step, rep({ top: 1000 }))).toBe(1000);
    const late = stage([], [{ kind: "step", foot: "trail", before: "impact" }]);
    expect(decidingInstant(late, rep({ top: 1000 }))).toBeNull();
  });

  it("after the strike waits for a landing after it, as long as a pace may take", () => {
    const pace = stage([], [{ kind: "step", foot: "trail", after: "impact" }]);
    const landed = (t: number) => ({ footEvents: [landing("trail", t)] });
    expect(decidingInstant(pace, rep({ impact: 1300 }, landed(1700)))).toBe(1700);
    expect(decidingInstant(pace, rep({ impact: 1300 }, landed(700)))).toBe(2500);
    expect(decidingInstant(pace, rep({}))).toBeNull();
    // What lands with the strike was on its way before it.
    expect(decidingInstant(pace, rep({ impact: 1300 }, landed(1300)))).toBe(2500);
  });

  it("before an event that never came is open", () => {
    for (const before of ["top", "impact"])
      expect(
        decidingInstant(stage([], [{ kind: "step", foot: "trail", before }]), rep({})),
      ).toBeNull();
  });

  it("of both feet is known at the end", () => {
    expect(decidingInstant(stage([], [{ kind: "bothLand" }]), rep({ top: 1000 }))).toBe(2000);
  });
});

describe("a position that is held", () => {
  const hold = (lost?: number) =>
    rep({ taken: 500, ...(lost === undefined ? {} : { lost }) }, { kind: "hold" });

  it("is decided when it is lost, or has been held for as long as is asked", () => {
    const asked = stage(["holdTime"]);
    asked.checks[0]!.band = [3, null];
    expect(holdOf(asked)).toBe(3);
    expect(decidingInstant(asked, hold())).toBe(3500);
    expect(decidingInstant(asked, hold(900))).toBe(900);
    expect(holdOf(stage(["wobble"]))).toBe(1);
    expect(decidingInstant(stage(["wobble"]), hold())).toBe(1500);
    const mixed = stage(["wobble", "holdTime"]);
    mixed.checks[1]!.band = [3, null];
    expect(holdOf(mixed)).toBe(3);
    // A rehearsal of it is over when the position is, and a finish is held from the finish on.
    expect(decidingInstant(stage([]), hold())).toBe(1500);
    expect(decidingInstant(stage(["wobble"]), rep({ finish: 700 }))).toBe(1700);
    expect(decidingInstant(stage(["wobble"]), rep({}))).toBeNull();
  });
});

describe("a stage that is decided by its top", () => {
  it("asks for nothing that comes after it", () => {
    expect(decidesByTop(stage(["pelvisSway"]))).toBe(true);
    expect(decidesByTop(stage(["pelvisSway", "leadShareImpact"]))).toBe(false);
    const step = { kind: "step", foot: "trail" };
    expect(decidesByTop(stage([], [{ ...step, before: "top" }]))).toBe(true);
    expect(decidesByTop(stage(["pelvisSway"], [{ ...step, after: "impact" }]))).toBe(false);
    expect(decidesByTop(stage([]))).toBe(false);
    // Advice holds nothing up, and an action that is measured waits for what its measure does.
    const mixed = stage(["pelvisSway"]);
    mixed.checks.push(...stage(["leadShareImpact"], [], "advice").checks);
    expect(decidesByTop(mixed)).toBe(true);
    const turns = (measure: string) => stage([], [{ kind: "measure", measure, atLeast: 5 }]);
    expect(decidesByTop(turns("pelvisSway"))).toBe(true);
    expect(decidesByTop(turns("leadShareImpact"))).toBe(false);
  });

  it("never has a deciding instant after a top that all else came before", () => {
    const all = DRILLS.flatMap((d) => d.stages.filter(isJudged));
    const early = all.filter(decidesByTop);
    expect(early.length).toBeGreaterThan(0);
    const swing = rep(
      { address: 200, handStart: 300, recentre: 900, top: 1000 },
      {
        footEvents: [landing("lead", 950), landing("trail", 600)],
      },
    );
    for (const s of early) expect(decidingInstant(s, swing), s.id).toBeLessThanOrEqual(1000);
  });
});
