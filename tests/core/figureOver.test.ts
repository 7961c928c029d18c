import { describe, expect, it } from "vitest";
import { findStage } from "@/core/drills";
import { body } from "@/core/figure/anthropometry";
import { doubleStep, type DoubleStepOptions } from "@/core/figure/scripts/doubleStep";
import { simulate } from "@/core/figure/simulate";
import { sized } from "@/core/figure/sized";
import { truth } from "@/core/figure/truth/truth";
import { movementOf } from "@/core/play/movement";
import {
  filmedFigure,
  laidOver,
  playedFigure,
  type OverlaidFigure,
  type Joints,
} from "@/core/practice/figureOver";
import { exactTrack } from "../../tools/study/exactTrack";

const STATURE = 178;
const TALL_PX = 720;

/** Films a double step with a perfect network. */
function filmed(
  options: Partial<DoubleStepOptions>,
  hand: "left" | "right",
  distance: number,
  stature = STATURE,
): { figure: OverlaidFigure; address: number; top: number } {
  const sim = simulate(body(stature, "male", 1), doubleStep(options));
  const { events } = truth(sim);
  return {
    figure: filmedFigure(exactTrack(sim, { hand, fps: 60, distance, height_px: TALL_PX }), {
      hand,
      statureCm: stature,
      addressMs: events.address!,
    }),
    address: events.address!,
    top: events.top!,
  };
}

/** The largest distance between two figures' joints, cm of the film's golfer. */
const apart = (one: Joints, other: Joints, { address }: OverlaidFigure): number =>
  Math.max(
    ...(["lead", "trail"] as const).flatMap((side) =>
      (["hip", "knee", "ankle", "heel", "toe", "shoulder"] as const).map(
        (part) =>
          Math.hypot(
            one[side][part][0] - other[side][part][0],
            one[side][part][1] - other[side][part][1],
          ) / address.pxPerCm,
      ),
    ),
  );

describe("a figure laid over another one's film", () => {
  const film = filmed({}, "right", 400);

  it.each([
    ["right", 400],
    ["right", 520],
    ["left", 400],
    ["left", 340],
  ] as const)(
    "is the same golfer when it is the same movement, filmed of a %s-hander from %i cm",
    (hand, distance) => {
      const over = laidOver(filmed({}, hand, distance).figure, film.figure);
      // What is left is perspective: parts nearer to the phone are larger, the more so the nearer
      // it stands.
      for (let ms = 0; ms < 3000; ms += 100)
        expect(apart(over(ms), film.figure.at(ms), film.figure), `${ms} ms`).toBeLessThan(
          distance === 400 ? 0.1 : 2,
        );
    },
  );

  it("steps as much farther on the film as it does on the ground, and from the same place", () => {
    const far = filmed({ leadStep: 14 }, "left", 450);
    const near = filmed({ leadStep: 8 }, "right", 400);
    const over = laidOver(far.figure, near.figure);
    const heel = (joints: Joints) => joints.lead.heel[0] / near.figure.address.pxPerCm;
    const moved = (at: (ms: number) => Joints, { address, top }: typeof far) =>
      heel(at(top + 300)) - heel(at(address));
    expect(moved(over, far) - moved(near.figure.at, near)).toBeCloseTo(14 - 8, 0);
    expect(apart(over(far.address), near.figure.at(near.address), near.figure)).toBeLessThan(1.5);
  });

  it("is the target's own movement, begun where the golfer stands", () => {
    const { stage } = findStage("double-step");
    const script = stage.target!();
    const sim = simulate(body(STATURE, "male", 1), sized(script, STATURE));
    const movement = movementOf(stage, script, { statureCm: STATURE, hand: "right" });
    const track = exactTrack(sim, { hand: "right", fps: 60, distance: 400, height_px: TALL_PX });
    const own = filmedFigure(track, {
      hand: "right",
      statureCm: STATURE,
      addressMs: movement.events.address!,
    });
    const over = laidOver(playedFigure(movement, "right"), own);
    expect(
      apart(over(movement.events.address!), own.at(movement.events.address!), own),
    ).toBeLessThan(2.5);
    for (const ms of [movement.events.top!, movement.events.impact!])
      expect(apart(over(ms), own.at(ms), own), `${ms} ms`).toBeLessThan(4);
  });
});
