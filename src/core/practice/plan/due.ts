import { opposed, type Suggestion, drillsFor } from "../../choose";
import type { Drill, Stage, Styles, SymptomId } from "../../drills";
import { isThrough, ladder, type StageRep, type LadderStanding, type WentOn } from "../ladder";
import type { Day, Due, Why } from "./week";

export interface DueAsk {
  drills: readonly Drill[];
  /** The golfer's reps by drill, the latest first; none of a drill that was never done. */
  reps: ReadonlyMap<string, readonly StageRep[]>;
  /** The day on which each drill was done last. */
  last: ReadonlyMap<string, Day>;
  /** Stages that they went on from by their own decision. */
  wentOn?: WentOn;
  goals: readonly SymptomId[];
  /** What the golfer's own swings speak for. */
  suggestions: readonly Pick<Suggestion, "drill" | "because">[];
  styles: Styles;
  /** Whether the golfer has what it takes. */
  hasGear: (drill: Drill) => boolean;
}

/**
 * The check whether drills carry over, and how many judged reps of any drill make it worth asking.
 * By hand.
 */
const CARRY = "transfer-check";
const CARRY_FROM = 10;

/**
 * What a golfer should do, the most wanted first, each drill once with the stage that is open to
 * them: what is under way, the latest first; what their complaints ask for; what their own swings
 * speak for; where a path goes on; and, once there is something to carry over, the check of that.
 */
export function dueOf({
  drills,
  reps,
  last,
  wentOn,
  goals,
  suggestions,
  styles,
  hasGear,
}: DueAsk): Due[] {
  const byId = new Map(drills.map((d) => [d.id, d] as const));
  const through = (d: Drill) => isThrough(d, ladder(d, reps.get(d.id) ?? [], wentOn));
  const begun = drills
    .filter((d) => d.group !== "baseline" && reps.get(d.id)?.length)
    .sort((a, b) => (last.get(b.id) ?? "").localeCompare(last.get(a.id) ?? ""));
  const wanted: { drill: Drill; why: Why }[] = [
    ...begun
      .filter((d) => !through(d))
      .map((drill) => ({ drill, why: { kind: "goesOn" as const } })),
    ...goals
      .flatMap((symptom) =>
        drillsFor(symptom).map((drill) => ({ drill, why: { kind: "goal" as const, symptom } })),
      )
      .filter(({ drill }) => !opposed(drill, styles).length),
    ...suggestions
      .map(({ drill, because }) => ({
        drill,
        why: { kind: "swing" as const, measure: because[0]!.measure },
      }))
      .filter(({ drill }) => !opposed(drill, styles).length),
    ...begun
      .filter(through)
      .flatMap((from) =>
        (from.then ?? [])
          .flatMap((id) => byId.get(id) ?? [])
          .map((drill) => ({ drill, why: { kind: "path" as const, from: from.id } })),
      ),
  ];
  const judged = begun.reduce(
    (n, d) => n + reps.get(d.id)!.filter((r) => r.result === "pass" || r.result === "fail").length,
    0,
  );
  const carry = byId.get(CARRY);
  if (carry && judged >= CARRY_FROM) wanted.push({ drill: carry, why: { kind: "carry" } });
  const out = new Map<string, Due>();
  for (const { drill, why } of wanted) {
    if (out.has(drill.id) || !hasGear(drill) || (through(drill) && why.kind !== "carry")) continue;
    out.set(drill.id, {
      drill,
      last: last.get(drill.id) ?? null,
      ...openStage(ladder(drill, reps.get(drill.id) ?? [], wentOn), why),
    });
  }
  return [...out.values()];
}

/** The stage that a golfer is on; the one before it where few of its last reps passed. */
function openStage(steps: readonly LadderStanding[], why: Why): { stage: Stage; why: Why } {
  const at = Math.max(
    0,
    steps.findIndex((s) => s.is === "here"),
  );
  const here = steps[at]!;
  return here.back && at > 0
    ? { stage: steps[at - 1]!.stage, why: { kind: "back", passed: here.passed, of: here.judged } }
    : { stage: here.stage, why };
}
