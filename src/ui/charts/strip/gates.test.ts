import { readFileSync } from "node:fs";
import { beforeAll, describe, expect, it } from "vitest";
import { analyse, type AnalysedRep } from "@/core/analysis";
import { findStage } from "@/core/drills";
import { readTrack } from "@/core/formats/trackFile";
import { movementOf } from "@/core/play/movement";
import { gatesOf, type Gate } from "./gates";
import { FILM, runs, sampleAt, stripScales, TINY } from "./geometry";

let rep: AnalysedRep;
let events: Record<string, number>;
const at = () => Object.fromEntries(Object.entries(rep.measures).map(([id, m]) => [id, m.at]));
beforeAll(() => {
  rep = analyse(readTrack(readFileSync("demo/tracks/double-step-lead-late.track")), {
    golfer: { statureCm: 170, hand: "right" },
    drill: "double-step",
    samples: 16,
  }).reps[0]!;
  events = Object.fromEntries(Object.entries(rep.events).map(([k, v]) => [k, v.t]));
});
const gates = (hand: "left" | "right", size = FILM): Map<string, Gate> => {
  const s = stripScales(size, rep.series, events, hand);
  return new Map(
    gatesOf(rep.verdict!.checks, at(), rep.series, events, s, size).map((g) => [g.check.id, g]),
  );
};

describe("the strip", () => {
  it("runs down in time and across as in the film: the lead foot right for a right-hander, left for a left-hander", () => {
    for (const [hand, sign] of [
      ["right", 1],
      ["left", -1],
    ] as const) {
      const s = stripScales(FILM, rep.series, events, hand);
      expect(Math.sign(s.x(rep.series.leadFootT[0]!) - s.x(rep.series.trailFootT[0]!))).toBe(sign);
      expect(s.y(events.top!)).toBeGreaterThan(s.y(events.handStart!));
      for (const t of [...rep.series.leadFootT, ...rep.series.trailFootT])
        expect(s.x(t)).toBeGreaterThan(0);
    }
  });

  it("shows each foot in the air once", () => {
    const all = rep.series.t.map((_, i) => i);
    expect(runs(rep.series.leadAir, all).filter((r) => r.on).length).toBe(1);
    expect(runs(rep.series.trailAir, all).filter((r) => r.on).length).toBe(1);
  });
});

describe("gates", () => {
  it("stand for every check that has a place, in both sizes, and head drift has none", () => {
    for (const size of [FILM, TINY])
      expect([...gates("right", size).keys()].sort()).toEqual([
        "foot-first",
        "hips-inside",
        "lead-down",
        "lead-lift",
        "lead-step",
        "small-step",
        "weight-across",
        "weight-back",
      ]);
  });

  it("have what happened between their posts when passed and beyond them when missed", () => {
    for (const g of gates("right").values()) {
      const [lo, hi] = [Math.min(g.a, g.b), Math.max(g.a, g.b)];
      if (g.happened === null) continue;
      const inside = g.happened >= lo - 0.5 && g.happened <= hi + 0.5;
      if (g.check.result === "fail") expect(inside, g.check.id).toBe(false);
      if (g.check.result === "pass" && g.check.band.every((b) => b !== null))
        expect(inside, g.check.id).toBe(true);
    }
    const late = gates("right").get("lead-down")!;
    expect(late.happened!).toBeGreaterThan(Math.max(late.a, late.b));
  });

  it("mirror for a left-hander and keep their heights", () => {
    const right = gates("right");
    for (const [id, g] of gates("left")) {
      const other = right.get(id)!;
      if (g.posts === "upright") expect(g.a + other.a).toBeCloseTo(FILM.width, 0);
      else expect(g.across + other.across).toBeCloseTo(FILM.width, 0);
      expect(g.anchor).toBeCloseTo(other.anchor, 6);
    }
  });
});

describe("the strip's relatives", () => {
  const golfer = { statureCm: 178, hand: "left" } as const;
  const played = (drillId: string, stageId: string, fault?: string) => {
    const { stage } = findStage(drillId, stageId);
    const m = movementOf(
      stage,
      (fault ? stage.faults!.find((f) => f.id === fault)!.script : stage.target!)(),
      golfer,
    );
    const s = stripScales(FILM, m.series, m.events, golfer.hand);
    return { m, s, gates: gatesOf(m.checks, m.at, m.series, m.events, s, FILM) };
  };
  const within = ({ a, b, happened }: Gate) =>
    happened !== null && happened >= Math.min(a, b) && happened <= Math.max(a, b);

  it.each([
    ["trail-foot-pivot", "pivot-fo", "trailFootTurn", "half-turn"],
    ["rocking-board-side", "slow-fo", "groundLeadsHands", "block"],
  ] as const)(
    "%s has a gate that its target goes through and its fault misses",
    (drill, stage, measure, fault) => {
      const gate = (p: ReturnType<typeof played>) =>
        p.gates.find((g) => g.check.measure === measure)!;
      expect(within(gate(played(drill, stage)))).toBe(true);
      expect(within(gate(played(drill, stage, fault)))).toBe(false);
    },
  );

  it("opens a pivot's bank toward the target and no farther than the other foot", () => {
    const { m, s, gates } = played("trail-foot-pivot", "pivot-fo");
    const stands = s.x(m.series.trailFootT[0]!);
    const turned = gates.find((g) => g.check.measure === "trailFootTurn")!.happened!;
    expect(Math.sign(turned - stands)).toBe(s.toTarget);
    expect(Math.abs(turned - stands)).toBeLessThan(Math.abs(s.x(m.series.leadFootT[0]!) - stands));
  });

  it("shows from behind how far the hips are from the wall at the strike", () => {
    const { m, s, gates } = played("hips-on-wall", "whole-dtl");
    const gate = gates.find((g) => g.check.measure === "hipsToBall")!;
    expect(within(gate)).toBe(true);
    // The drawn hips and the measured number are the same thing.
    const drawn = s.x(m.series.behind!.rear[sampleAt(m.series, m.events.impact!)]!);
    expect(gate.happened!).toBeCloseTo(drawn, 0);
    // A left-hander's ball lies to the left.
    expect(s.x(m.series.behind!.toes[0]!)).toBeLessThan(s.x(m.series.behind!.heels[0]!));
  });
});
