import type { Stage } from "../drills";
import { judge, reached, type ActionVerdict, type Measured, type Verdict } from "../judge";
import type { MeasureId } from "../measures";
import type { Problem } from "../scene";

/** What is kept of a rep that a verdict needs. */
export interface KeptRep {
  id: string;
  statureCm: number;
  measures: Partial<Record<string, Measured>>;
  actions: ActionVerdict[];
  problems: Problem[];
  result: Verdict["result"];
}

const UNKNOWN: Measured = {
  value: null,
  u: null,
  unit: "",
  state: "not measurable",
  reason: "not kept",
};

/**
 * The verdict on a kept rep by another version of its stage: from its measures, without film or
 * track. What was never measured is not measurable; an action that was not looked for then is told
 * by its measure, or not seen.
 */
export function judgeAgain(stage: Stage, rep: Omit<KeptRep, "id" | "result">): Verdict {
  const wanted = [
    ...stage.checks.flatMap((c) => [
      c.measure,
      ...(c.told ? [c.told.by] : []),
      ...(c.told?.earlier ? [c.told.earlier.by] : []),
    ]),
    ...stage.actions.flatMap(({ need }) => (need.kind === "measure" ? [need.measure] : [])),
  ];
  const measures = {
    ...Object.fromEntries(wanted.map((id) => [id, UNKNOWN])),
    ...rep.measures,
  } as Record<MeasureId, Measured>;
  const actions = stage.actions.map(
    ({ id, need }): ActionVerdict =>
      rep.actions.find((v) => v.id === id) ?? {
        id,
        result: need.kind === "measure" ? reached(need, rep.measures) : "not seen",
      },
  );
  return judge({ stage, statureCm: rep.statureCm, measures, actions, problems: rep.problems });
}

export interface Changed {
  id: string;
  before: Verdict["result"];
  after: Verdict;
}

/** What a version of a stage would say of kept reps, in their order. */
export const wouldSay = (stage: Stage, reps: readonly KeptRep[]): Changed[] =>
  reps.map((r) => ({ id: r.id, before: r.result, after: judgeAgain(stage, r) }));
