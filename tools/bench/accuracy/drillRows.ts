import { DRILLS, type Stage } from "../../../src/core/drills";
import { failingFaults } from "../../../src/core/drills/drillTruth";
import type { MovementScript } from "../../../src/core/figure/script";
import { truthRep } from "../../study/simulatedRep";
import { isSimulated, seenReps, type Seen } from "./seenReps";
import { countRep, drillCount, type DrillCount } from "./drillCount";

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
  return DRILLS.filter(
    (d) => d.stages.some(isSimulated) && (only === undefined || d.id === only),
  ).map((drill) => {
    const at = drill.number;
    progress(drill.id);
    const row: DrillRow = { drill: drill.id, stages: 0, notFound: 0, ...drillCount() };
    for (const stage of drill.stages.filter(isSimulated)) {
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
