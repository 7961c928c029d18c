import { describe, expect, it } from "vitest";
import { norm, sub } from "../maths/vec3";
import { body } from "./anthropometry";
import { doubleStep } from "./scripts/doubleStep";
import { swing } from "./scripts/swing";
import { simulate } from "./simulate";
import { truth } from "./truth/truth";

const good = simulate(body(178), doubleStep());
const exact = truth(good);

describe("the simulated golfer", () => {
  it("keeps its bones' lengths and its feet out of the ground", () => {
    for (const p of good.poses)
      for (const side of [p.lead, p.trail]) {
        expect(norm(sub(side.hip, side.knee))).toBeCloseTo(good.body.thigh, 3);
        expect(norm(sub(side.knee, side.ankle))).toBeCloseTo(good.body.shank, 0);
        expect(Math.min(side.heel[1], side.toe[1])).toBeGreaterThan(good.body.soleHeight - 0.01);
      }
  });

  it("never slides a planted foot", () => {
    const before = good.poses.filter((_, i) => good.times[i]! < 1.15).map((p) => p.trail.toe[0]);
    expect(Math.max(...before) - Math.min(...before)).toBeLessThan(1e-9);
  });

  it("stands still until its first push, and the push then is what moves it", () => {
    const at = (t: number) => good.poses[Math.round(t * 240)]!.midHip[0];
    expect(Math.abs(at(0.7) - at(0))).toBeLessThan(0.05);
    expect(at(1.15) - at(0.7)).toBeGreaterThan(1.5);
  });

  it("moves its weight as scripted: pressure from the motion itself matches the asked share", () => {
    const share = (t: number) => exact.leadShare[Math.round(t * 240)]!;
    expect(share(0.5)).toBeCloseTo(50, 0);
    expect(share(1.3)).toBe(100);
    expect(share(2.1)).toBe(0);
    expect(exact.measures.trailSharePeak).toBeCloseTo(88, 0);
  });
});

describe("its truth", () => {
  it("finds the steps where the script puts them", () => {
    expect(exact.measures.trailStepLength).toBeCloseTo(-9, 1);
    expect(exact.measures.leadStepLength).toBeCloseTo(11, 1);
    expect(exact.events.address!).toBeLessThan(exact.events.handStart!);
    expect(exact.events.top!).toBeLessThan(exact.events.impact!);
  });

  it("tells each fault by its own measure", () => {
    const of = (o: Parameters<typeof doubleStep>[0]) =>
      truth(simulate(body(178), doubleStep(o))).measures;
    expect(of({ trailFirst: -0.2 }).trailStepBeforeHands).toBeLessThan(-100);
    expect(of({ trailStep: -25 }).trailStepLength).toBeCloseTo(-25, 0);
    expect(of({ leadBeforeTop: -0.17 }).leadLandBeforeTop).toBeLessThan(-80);
    expect(
      of({ tiltTop: -19, loadedShare: 2, trailStep: -6 }).pelvisSway! - exact.measures.pelvisSway!,
    ).toBeGreaterThan(5);
    expect(of({ sentShare: 68, loadedShare: 66 }).trailSharePeak).toBeLessThan(45);
  });

  it("sees no step in an ordinary swing", () => {
    const quiet = truth(simulate(body(166, "female"), swing()));
    expect(quiet.measures.trailStepLength).toBeUndefined();
    expect(quiet.footEvents.map((e) => e.event)).toEqual(["heelUp"]);
  });
});
