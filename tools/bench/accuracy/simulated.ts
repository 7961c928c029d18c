import { analyse } from "../../../src/core/analysis";
import { findStage } from "../../../src/core/drills";
import { body } from "../../../src/core/figure/anthropometry";
import type { MovementScript } from "../../../src/core/figure/script";
import { simulate } from "../../../src/core/figure/simulate";
import { truths } from "../../../src/core/figure/truth/truth";
import { seeded, type Seeded } from "../../../src/core/maths/seeded";
import * as move from "../../clips/movements";
import type { Pair } from "../../study/compare";
import { filmed, truthRep } from "../../study/simulatedRep";
import { count, tally, type Tally } from "./verdicts";

const FAULTS = Object.keys(move.DOUBLE_STEP_FAULTS) as (keyof typeof move.DOUBLE_STEP_FAULTS)[];
/** Copies behind each uncertainty here: the deviation of 16 is within 18 % of that of many. */
const COPIES = 16;

export interface Simulated {
  tracks: number;
  notFound: number;
  tally: Tally;
  measures: Map<string, Pair[]>;
}

/**
 * Double steps, good and in each of the drill's faults, and plain swings, with errors of the fitted
 * noise; judged by the drill.
 */
export function simulated(
  tracks: number,
  seed: number,
  progress: (done: number) => void,
): Simulated {
  const out: Simulated = { tracks, notFound: 0, tally: tally(), measures: new Map() };
  const { stage } = findStage("double-step");
  for (let k = 0; k < tracks; k++) {
    const random = seeded(seed + k);
    const stature = 150 + random.uniform() * 50;
    const script = scriptOf(random, k);
    const sim = simulate(
      body(stature, random.uniform() < 0.5 ? "female" : "male", 0.85 + 0.4 * random.uniform()),
      script,
    );
    const [truth] = truths(sim);
    const hand = random.uniform() < 0.15 ? "left" : "right";
    const distance = 300 + random.uniform() * 200;
    const track = filmed(sim, truth!.events.address!, { hand, distance }, seed + k);
    const [rep] = analyse(track, {
      golfer: { statureCm: stature, hand },
      drill: "double-step",
      samples: COPIES,
      seed: k + 1,
    }).reps;
    if (!rep) {
      out.notFound++;
      continue;
    }
    const known = truthRep(truth!);
    const steps = ["trailStepLength", "leadStepLength"].every(
      (id) => known.measures[id] !== undefined,
    );
    if (steps) {
      count(out.tally, `track ${k}`, stage, stature, known, rep, rep.verdict!);
    } else if (rep.verdict!.result === "pass") {
      out.tally.falsePasses++;
      out.tally.wrong.push(`track ${k}: passed without a step`);
    } else out.tally.faulty++;
    for (const [id, m] of Object.entries(rep.measures)) {
      const exactValue = known.measures[id];
      if (m.value === null || m.u === null || exactValue === undefined) continue;
      const pair: Pair = {
        clip: `track ${k}`,
        about: "simulated",
        golfer: "",
        sort: steps ? "step" : "planted",
        value: m.value,
        u: m.u,
        truth: exactValue,
      };
      const list = out.measures.get(id);
      if (list) list.push(pair);
      else out.measures.set(id, [pair]);
    }
    if (k % 50 === 0) progress(k);
  }
  return out;
}

function scriptOf(random: Seeded, k: number): MovementScript {
  if (k % 8 === 7) return move.plainSwing(random);
  if (k % 4 === 0) return move.surelyGoodDoubleStep(random);
  const fault = k % 2 === 0 ? null : FAULTS[(k >> 1) % FAULTS.length]!;
  return move.anyDoubleStep(random, fault);
}
