import { describe, expect, it } from "vitest";
import { analyse, type Analysis } from "../../src/core/analysis";
import { body } from "../../src/core/figure/anthropometry";
import type { MovementScript } from "../../src/core/figure/script";
import { simulate } from "../../src/core/figure/simulate";
import { truths } from "../../src/core/figure/truth/truth";
import { seeded } from "../../src/core/maths/seeded";
import type { RepRules } from "../../src/core/reps/rep";
import * as move from "../../tools/clips/movements";
import { exactTrack } from "../../tools/study/exactTrack";
import { someOf } from "../whole";

/**
 * Every kind of rep from exact joints: what the estimator makes of a perfect network, against the
 * truth's own definitions.
 */
function read(
  script: MovementScript,
  rules: Partial<RepRules> = {},
  fps = 60,
): { analysis: Analysis; truth: ReturnType<typeof truths> } {
  const sim = simulate(body(176), script);
  const track = exactTrack(sim, { hand: "right", fps, distance: 400, height_px: 720 });
  const analysis = analyse(track, {
    golfer: { statureCm: 176, hand: "right" },
    drill: "none",
    rules: { kind: script.reps[0]!.kind, clubAhead: false, ...rules },
    samples: 4,
  });
  return { analysis, truth: truths(sim) };
}
const close = (got: number | null | undefined, want: number, within: number, what: string) =>
  expect(Math.abs((got ?? NaN) - want), `${what}: ${got} against ${want}`).toBeLessThanOrEqual(
    within,
  );

describe("from exact joints", () => {
  it.each(someOf([1, 2, 3, 4], 2))(
    "a bout with walking, waggles and balls placed (%i) is split into its reps and nothing else",
    (seed) => {
      const { analysis, truth } = read(move.manyReps(seeded(seed), "swing", 3), {}, 30);
      expect(analysis.reps).toHaveLength(3);
      analysis.reps.forEach((rep, k) =>
        close(rep.events.top!.t, truth[k]!.events.top!, 60, `top of rep ${k + 1}`),
      );
    },
  );

  it("rocking gives a rep a period, its cadence and the ground's lead", () => {
    const { analysis, truth } = read(move.rocking(seeded(5)));
    expect(analysis.reps).toHaveLength(truth.length);
    analysis.reps.forEach((rep, k) => {
      close(
        rep.measures.cadence.value,
        truth[k]!.measures.cadence!,
        truth[k]!.measures.cadence! * 0.02,
        "cadence",
      );
      close(
        rep.measures.groundLeadsHands.value,
        truth[k]!.measures.groundLeadsHands!,
        90,
        "ground leads hands",
      );
      // Its strip is one time to and fro, with the turns that the number is taken from.
      const { t, handsT, turn } = rep.series;
      expect(t[0]!).toBeGreaterThanOrEqual(rep.from);
      expect(t[t.length - 1]!).toBeLessThanOrEqual(rep.to);
      expect(handsT).toHaveLength(t.length);
      close(turn!.hands - turn!.pressure!, rep.measures.groundLeadsHands.value!, 60, "drawn lead");
    });
  });

  it.each(someOf([1, 2, 3], 3))("a pivot's fan (%i) opens as far as the foot turns", (seed) => {
    for (const rep of read(move.pivotApart(seeded(seed)), { foot: "trail" }, 30).analysis.reps) {
      const { foot, degrees } = rep.series.footTurn!;
      expect(foot).toBe("trail");
      close(
        Math.max(...degrees.map((d) => d ?? 0)),
        rep.measures.trailFootTurn.value!,
        5,
        "drawn turn",
      );
    }
  });

  it("a hold lasts from taking the position until the foot comes down", () => {
    const { analysis, truth } = read(move.oneLeg(seeded(3)));
    close(analysis.reps[0]!.measures.holdTime.value, truth[0]!.measures.holdTime!, 0.25, "held");
  });

  it("a gesture without a strike has a release, and no impact", () => {
    const { analysis, truth } = read(move.gesture(seeded(2), 0));
    const [rep] = analysis.reps;
    close(rep!.events.release!.t, truth[0]!.events.release!, 60, "release");
    expect(rep!.events.impact).toBeUndefined();
    expect(rep!.measures.leadShareImpact.state).toBe("not measurable");
  });

  it("a walk through the strike tells where the trail foot lands", () => {
    const { analysis, truth } = read(move.walkThrough(seeded(4)));
    const { measures } = analysis.reps[0]!;
    close(
      measures.trailLandsPastLead.value,
      truth[0]!.measures.trailLandsPastLead!,
      4,
      "lands past the lead foot",
    );
    close(
      measures.trailLandAfterImpact.value,
      truth[0]!.measures.trailLandAfterImpact!,
      60,
      "lands after the strike",
    );
  });

  it("what another view or another kind of rep has is not measurable, and says why", () => {
    const { measures } = read(move.plainSwing(seeded(6))).analysis.reps[0]!;
    expect(measures.hipsToBall).toMatchObject({
      value: null,
      state: "not measurable",
      reason: "this view does not show it",
    });
    expect(measures.cadence.reason).toBe("it does not belong to this kind of rep");
  });

  it.each(someOf([1, 2, 3, 4], 2))(
    "a foot that pivots (%i) turns by as much as it does, out and back",
    (seed) => {
      const { analysis, truth } = read(move.footPivot(seeded(seed)), { foot: "trail" });
      expect(analysis.reps).toHaveLength(truth.length);
      analysis.reps.forEach((rep, k) => {
        const { value, state } = rep.measures.trailFootTurn;
        // Where the other foot hides the toe nothing is said.
        if (state === "measured") close(value, truth[k]!.measures.trailFootTurn!, 10, "turn");
      });
      expect(
        analysis.reps.some((rep) => rep.measures.trailFootTurn.state === "measured") ||
          truth[0]!.measures.trailFootTurn! > 60,
      ).toBe(true);
    },
  );
});
