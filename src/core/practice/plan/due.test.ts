import { describe, expect, it } from "vitest";
import { DRILLS } from "../../drills";
import { isJudged } from "../../drills/drill";
import type { StageRep } from "../ladder";
import { dueOf, type DueAsk } from "./due";

const drill = (id: string) => DRILLS.find((d) => d.id === id)!;
const ask = (more: Partial<DueAsk>): DueAsk => ({
  drills: DRILLS,
  reps: new Map(),
  last: new Map(),
  goals: [],
  suggestions: [],
  styles: {},
  hasGear: () => true,
  ...more,
});
const reps = (
  stageId: string,
  results: readonly StageRep["result"][],
  day = (i: number) => `day ${i % 3}`,
): StageRep[] => results.map((result, i) => ({ stageId, day: day(i), result }));
const ten = (passes: number): StageRep["result"][] =>
  Array.from({ length: 10 }, (_, i) => (i < passes ? "pass" : "fail"));

describe("what is due", () => {
  it("is what is under way before what a complaint asks for, each once, with the stage that is open", () => {
    const step = drill("double-step");
    const due = dueOf(
      ask({
        goals: ["noDistance"],
        reps: new Map([[step.id, reps(step.stages[0]!.id, ["pass", "fail"])]]),
        last: new Map([[step.id, "2026-11-24"]]),
      }),
    );
    expect(due[0]).toMatchObject({
      drill: { id: step.id },
      why: { kind: "goesOn" },
      last: "2026-11-24",
    });
    expect(due.filter((d) => d.drill.id === step.id)).toHaveLength(1);
    expect(due.slice(1).every((d) => d.why.kind === "goal")).toBe(true);
    expect(due.length).toBeGreaterThan(2);
  });

  it("goes back a stage where few passed, and on along a path where all did", () => {
    const two = DRILLS.find(
      (d) => d.stages.length > 1 && d.stages[1]!.main && d.stages.every(isJudged),
    )!;
    const [first, second] = two.stages;
    const back = dueOf(
      ask({ reps: new Map([[two.id, [...reps(second!.id, ten(2)), ...reps(first!.id, ten(9))]]]) }),
    );
    expect(back[0]).toMatchObject({
      stage: { id: first!.id },
      why: { kind: "back", passed: 2, of: 10 },
    });

    const path = DRILLS.find((d) => d.then?.length && d.group !== "baseline")!;
    const all = path.stages.flatMap((s) =>
      reps(
        s.id,
        Array.from({ length: 2 * path.dose.sets * path.dose.reps + 10 }, () => "pass" as const),
        (i) => `day ${i % 2}`,
      ),
    );
    const on = dueOf(ask({ reps: new Map([[path.id, all]]) }));
    expect(on.map((d) => [d.drill.id, d.why.kind])).toEqual([
      ...path.then!.map((id) => [id, "path"]),
      ["transfer-check", "carry"],
    ]);
  });

  it("leaves out what takes gear that is not there, and the other side of a question", () => {
    const all = dueOf(ask({ goals: ["sway"] })).map((d) => d.drill.id);
    const [gone] = all;
    expect(
      dueOf(ask({ goals: ["sway"], hasGear: (d) => d.id !== gone })).map((d) => d.drill.id),
    ).toEqual(all.slice(1));
    expect(all).toContain("big-toe-brace");
    expect(
      dueOf(ask({ goals: ["sway"], styles: { pressesBack: "heel" } })).map((d) => d.drill.id),
    ).not.toContain("big-toe-brace");
  });
});
