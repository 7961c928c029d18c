import { describe, expect, it } from "vitest";
import { DRILLS, findStage } from "../drills";
import { briefOf } from "./brief";
import { FIGURE_POINTS, type FigurePoint } from "./figurePoints";
import { movementOf } from "./movement";

const { stage } = findStage("double-step");
const played = movementOf(stage, stage.target!(), { statureCm: 170, hand: "right" });
const point = (frame: readonly number[], name: FigurePoint) => {
  const i = 2 * FIGURE_POINTS.indexOf(name);
  return [frame[i]!, frame[i + 1]!] as const;
};

describe("a drill's movement", () => {
  it("has every point in every frame, feet on the ground and a head above them", () => {
    for (const frame of played.frames) {
      expect(frame).toHaveLength(2 * FIGURE_POINTS.length);
      expect(frame.every(Number.isInteger)).toBe(true);
      expect(point(frame, "leadToe")[1]).toBeGreaterThanOrEqual(0);
      expect(point(frame, "head")[1]).toBeGreaterThan(1200);
    }
  });

  it("is mirrored for a left-hander, and nothing else of it changes", () => {
    const left = movementOf(stage, stage.target!(), { statureCm: 170, hand: "left" });
    left.frames.forEach((frame, k) =>
      frame.forEach((v, i) =>
        expect(Math.abs(v - (i % 2 ? 1 : -1) * played.frames[k]![i]!)).toBeLessThanOrEqual(1),
      ),
    );
    expect(left.checks).toEqual(played.checks);
    expect(left.events).toEqual(played.events);
  });

  it("passes its own stage exactly, and a fault's fails by what it names", () => {
    const musts = (checks: typeof played.checks) => checks.filter((c) => c.must);
    expect(musts(played.checks).every((c) => c.result === "pass" && c.u === 0)).toBe(true);
    const fault = stage.faults!.find((f) => stage.checks.some((c) => c.id === f.fails))!;
    const faulty = movementOf(stage, fault.script(), { statureCm: 170, hand: "right" });
    expect(faulty.checks.find((c) => c.id === fault.fails)!.result).toBe("fail");
  });

  it("has its strip on the time of its frames, zero where the golfer stood", () => {
    const { series, from, to, fps, frames } = played;
    expect(series.t[0]!).toBeGreaterThanOrEqual(from - 1000 / fps);
    expect(series.t.at(-1)).toBeLessThanOrEqual(to + 1000 / fps);
    expect(to).toBeLessThanOrEqual((frames.length * 1000) / fps);
    for (const curve of [series.pelvisT, series.headT, series.handsT, series.leadFootT])
      expect(curve).toHaveLength(series.t.length);
    const address = series.t.findIndex((t) => t >= played.events.address!);
    expect(Math.abs(series.pelvisT[address]!)).toBeLessThan(1);
    expect(series.leadShare.every((s) => s >= 0 && s <= 100)).toBe(true);
  });

  it("is as tall as its golfer", () => {
    const tall = movementOf(stage, stage.target!(), { statureCm: 190, hand: "right" });
    const height = (m: typeof played) => point(m.frames[0]!, "head")[1];
    expect(height(tall) / height(played)).toBeCloseTo(190 / 170, 1);
  });

  it("has a fan where a foot turns, turns where it rocks, and a side view from behind", () => {
    const of = (id: string, stageId?: string) => {
      const found = findStage(id, stageId);
      return movementOf(found.stage, found.stage.target!(), { statureCm: 178, hand: "right" });
    };
    const pivot = of("trail-foot-pivot");
    expect(pivot.series.footTurn!.foot).toBe("trail");
    expect(pivot.events.pivotStart!).toBeLessThan(pivot.events.pivotPeak!);
    expect(pivot.events.pivotPeak!).toBeLessThan(pivot.events.pivotBack!);
    expect(of("rocking-board-level").series.turn).toBeDefined();
    const behind = DRILLS.flatMap((d) => d.stages.map((s) => [d.id, s] as const)).find(
      ([, s]) => s.view === "down-the-line" && s.target,
    )!;
    expect(of(behind[0], behind[1].id).series.behind).toBeDefined();
    expect(played.series.behind).toBeUndefined();
  });

  it("in brief is every third sample of its strip", () => {
    const brief = briefOf(played);
    expect(brief.series.t).toEqual(played.series.t.filter((_, i) => i % 3 === 0));
    expect(brief.series.leadShare).toHaveLength(brief.series.t.length);
    expect(brief.events).toBe(played.events);
  });
});
