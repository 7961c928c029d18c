import { analyse, type AnalysedRep } from "../../../src/core/analysis";
import { DRILLS, isJudged, type Drill, type Stage } from "../../../src/core/drills";
import { failingFaults } from "../../../src/core/drills/drillTruth";
import { body } from "../../../src/core/figure/anthropometry";
import type { MovementScript } from "../../../src/core/figure/script";
import { sized } from "../../../src/core/figure/sized";
import { simulate } from "../../../src/core/figure/simulate";
import { truths, type Truth } from "../../../src/core/figure/truth/truth";
import { seeded } from "../../../src/core/maths/seeded";
import { filmed, truthRep } from "../../study/simulatedRep";
import { countRep, drillCount, type DrillCount } from "./drillCount";

/** Copies behind each uncertainty: the deviation of 16 is within 18 % of that of many. */
const COPIES = 16;

/** What was said of one drill's simulated reps. */
export interface DrillRow extends DrillCount {
  drill: string;
  /** Stages that are judged; rehearsals are not counted. */
  stages: number;
  notFound: number;
}

/**
 * Judges so many simulated golfers of every size in each judged stage's target and faults; of all
 * drills, or one.
 */
export function drillRows(
  golfers: number,
  seed: number,
  only: string | undefined,
  progress: (name: string) => void,
): DrillRow[] {
  return DRILLS.filter((d) => d.stages.some(isJudged) && (only === undefined || d.id === only)).map(
    (drill) => {
      const at = drill.number;
      progress(drill.id);
      const row: DrillRow = { drill: drill.id, stages: 0, notFound: 0, ...drillCount() };
      for (const stage of drill.stages.filter(isJudged)) {
        row.stages++;
        for (let k = 0; k < golfers; k++) {
          const movement = (script: MovementScript, n: number) =>
            seenReps(drill, stage, script, seed + at * 10_000 + k * 100 + n);
          countSeen(row, stage, null, movement(stage.target!(), 0), `${stage.id} golfer ${k}`);
          failingFaults(stage).forEach((f, n) =>
            countSeen(
              row,
              stage,
              f.fails,
              movement(f.script(), n + 1),
              `${stage.id} ${f.id} golfer ${k}`,
            ),
          );
        }
      }
      return row;
    },
  );
}

interface Seen {
  statureCm: number;
  truth: Truth;
  rep: AnalysedRep | null;
}

/**
 * The reps of a movement as a golfer of some size makes them before a phone somewhere, read with
 * the network's errors.
 */
function seenReps(drill: Drill, stage: Stage, script: MovementScript, seed: number): Seen[] {
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

function countSeen(
  row: DrillRow,
  stage: Stage,
  fails: string | null,
  seen: Seen[],
  name: string,
): void {
  for (const { statureCm, truth, rep } of seen) {
    if (rep) countRep(row, name, stage, fails, statureCm, truthRep(truth), rep);
    else row.notFound++;
  }
}
