import { describe, expect, it } from "vitest";
import { analyse } from "../../src/core/analysis";
import { DRILLS, isJudged } from "../../src/core/drills";
import { body } from "../../src/core/figure/anthropometry";
import { simulate } from "../../src/core/figure/simulate";
import { sized } from "../../src/core/figure/sized";
import { truths } from "../../src/core/figure/truth/truth";
import { CATALOGUE, type MeasureId } from "../../src/core/measures";
import { exactTrack } from "../../tools/study/exactTrack";

const STATURE = 176;
/**
 * What is left when the network is perfect: perspective, smoothing, the picture plane. By unit; a
 * measure's own uncertainty counts where it is larger.
 */
const LEFT: Record<string, number> = { cm: 3, ms: 60, "%": 12, "°": 12, s: 0.15, ratio: 0.25 };

/**
 * Told from what exact joints do not have: the shoe's picture (heels that rise or travel, feet that
 * turn), the network's own place of hips and knees, a walk's changing distance. Rendered films hold
 * them to the truth (docs/accuracy.md).
 */
const NOT_FROM_JOINTS = new Set<MeasureId>([
  "crossBeforeTrailHeelUp",
  "footGapAddress",
  "footGapHipsAddress",
  "leadKneeAngleChangeAddressToTop",
  "leadFootTurnImpactToFinish",
  "leadFootTurnAddressToFinish",
  "leadFootTurnImpactToMidThrough",
  "leadToeOutFinish",
  "trailHeelTravelImpactToFinish",
  "trailHeelTravelAddressToFinish",
  "trailFootTravelImpactToMidThrough",
  "trailFootTravelAddressToFinish",
  "trailLandsPastLead",
  "trailKneeIn",
  "handRange",
  "handTravel",
  "beatSpread",
]);

/** Every measure of every drill's target, from exact joints, against the truth's own definition. */
const stages = DRILLS.flatMap((drill) =>
  drill.stages
    .filter((s) => isJudged(s) && s.view === "face-on" && s.target)
    .map((stage) => ({ drill, stage })),
);
const errors = new Map<MeasureId, { of: string; got: number; want: number; within: number }[]>();

/** Hips that turn alone begin no swing of the arms: what counts from one has nothing to count from. */
const NOT_OF_HIPS = new Set<MeasureId>(["shareReversals", "thoraxBeforeHands"]);

describe.each(stages)("$drill.id, $stage.id", ({ drill, stage }) => {
  it("is measured as it is", () => {
    const sim = simulate(body(STATURE), sized(stage.target!(), STATURE));
    const track = exactTrack(sim, { hand: "right", fps: 60, distance: 400, height_px: 720 });
    const { reps } = analyse(track, {
      golfer: { statureCm: STATURE, hand: "right" },
      drill: drill.id,
      stage: stage.id,
      samples: 16,
    });
    const want = truths(sim, stage.view);
    expect(reps).toHaveLength(want.length);
    reps.forEach((rep, k) => {
      for (const [id, m] of Object.entries(rep.measures) as [
        MeasureId,
        (typeof rep.measures)[MeasureId],
      ][]) {
        const exact = want[k]!.measures[id];
        if (stage.rules.hipsOnly && NOT_OF_HIPS.has(id)) continue;
        if (m.value === null || exact === undefined || Number.isNaN(exact)) continue;
        const within = Math.max(LEFT[CATALOGUE[id].unit] ?? 0.15 * Math.abs(exact), 2 * m.u!);
        errors.set(id, [
          ...(errors.get(id) ?? []),
          { of: `${drill.id}/${stage.id} rep ${k + 1}`, got: m.value, want: exact, within },
        ]);
      }
    });
  });
});

it("each measure lies where the truth has it", () => {
  const all = [...errors]
    .filter(([id]) => !NOT_FROM_JOINTS.has(id))
    .map(([id, list]) => ({
      id,
      n: list.length,
      off: list.filter((e) => Math.abs(e.got - e.want) > e.within),
    }));
  const wrong = all.filter((m) => m.off.length > m.n / 20);
  expect(
    wrong.map(
      (m) =>
        `${m.id}: ${m.off.length} of ${m.n}, ${m.off
          .slice(0, 3)
          .map((e) => `${e.of} ${e.got.toFixed(2)} for ${e.want.toFixed(2)}`)
          .join("; ")}`,
    ),
  ).toEqual([]);
  expect(all.length).toBeGreaterThan(70);
});
