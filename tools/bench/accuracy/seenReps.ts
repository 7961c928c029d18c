import { analyse, type AnalysedRep } from "../../../src/core/analysis";
import { type Drill, isJudged, type Stage } from "../../../src/core/drills";
import { body } from "../../../src/core/figure/anthropometry";
import type { MovementScript } from "../../../src/core/figure/script";
import { sized } from "../../../src/core/figure/sized";
import { simulate } from "../../../src/core/figure/simulate";
import { truths, type Truth } from "../../../src/core/figure/truth/truth";
import { seeded } from "../../../src/core/maths/seeded";
import { filmed } from "../../study/simulatedRep";

/** Copies behind each uncertainty: the deviation of 16 is within 18 % of that of many. */
const COPIES = 16;

/** Judged stages whose reps can be simulated: the model of the network's errors is one of the front. */
export const isSimulated = (stage: Stage): boolean => isJudged(stage) && stage.view === "face-on";

export interface Seen {
  statureCm: number;
  truth: Truth;
  rep: AnalysedRep | null;
}

/**
 * The reps of a movement as a golfer of some size makes them before a phone somewhere, read with
 * the network's errors.
 */
export function seenReps(
  drill: Pick<Drill, "id">,
  stage: Stage,
  script: MovementScript,
  seed: number,
): Seen[] {
  const random = seeded(seed);
  const statureCm = 155 + random.uniform() * 40;
  const sim = simulate(
    body(statureCm, random.uniform() < 0.5 ? "female" : "male", 0.88 + 0.3 * random.uniform()),
    sized(script, statureCm),
  );
  const known = truths(sim, stage.view);
  const hand = random.uniform() < 0.15 ? "left" : "right";
  const distance = 320 + random.uniform() * 150;
  const track = filmed(sim, known[0]!.events.address ?? known[0]!.from, { hand, distance }, seed);
  const { reps } = analyse(track, {
    golfer: { statureCm, hand },
    drill: drill.id,
    stage: stage.id,
    samples: COPIES,
    seed,
  });
  const middle = (from: number, to: number) => (from + to) / 2;
  return known.map((truth) => {
    const own = reps.filter(
      (r) => middle(r.from, r.to) >= truth.from && middle(r.from, r.to) <= truth.to,
    );
    return { statureCm, truth, rep: own[0] ?? null };
  });
}
