import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { DRILLS, isJudged } from "../drills";
import {
  checkDrillFile,
  drillSchema,
  fileOf,
  ownDrillSchema,
  readDrillFile,
  type DrillFile,
} from "./drillFile";

const base = DRILLS.find((d) => d.id === "double-step")!;
const changed = (change: (file: DrillFile) => void): unknown => {
  const file = structuredClone(fileOf(base));
  change(file);
  return file;
};
const problems = (value: unknown) => {
  const read = checkDrillFile(value);
  return read.ok ? [] : read.problems.map((p) => `${p.where}: ${p.what}`);
};

describe("a drill file", () => {
  it.each(DRILLS.map((d) => [d.id, d] as const))("carries %s there and back", (_, drill) => {
    const read = readDrillFile(JSON.stringify(fileOf(drill)));
    expect(read).toMatchObject({ ok: true });
    const own = ownDrillSchema((read as { file: DrillFile }).file, "own-1", 1);
    expect({ ...own, id: drill.id, version: drill.version, basedOn: undefined }).toEqual({
      ...drill,
      basedOn: undefined,
    });
  });

  it("keeps the movement of the built-in drill under bands and words of one's own", () => {
    const own = ownDrillSchema(
      changed((f) => {
        f.name = "Mine";
        f.stages[0]!.checks[0]!.band = [-50, null];
      }) as DrillFile,
      "own-1",
      3,
    );
    expect(own).toMatchObject({ id: "own-1", version: 3, name: "Mine", basedOn: "double-step" });
    expect(own.stages[0]!.checks[0]!.band).toEqual([-50, null]);
    expect([own.stages[0]!.target, own.stages[0]!.actions, own.stages[0]!.rules]).toEqual([
      base.stages[0]!.target,
      base.stages[0]!.actions,
      base.stages[0]!.rules,
    ]);
    expect(own.stages.some(isJudged)).toBe(true);
  });

  it("has one main stage a view, whichever were left out", () => {
    const swap = fileOf(DRILLS.find((d) => d.id === "heel-toe-swap")!);
    const own = ownDrillSchema(
      { ...swap, stages: swap.stages.filter((s) => s.id !== "joined-fo") },
      "own-2",
      1,
    );
    expect(own.stages.filter((s) => s.main).map((s) => s.id)).toEqual(["back-fo", "joined-dtl"]);
  });

  it("is told where it is wrong, and what to do", () => {
    expect(
      problems(
        changed((f) => {
          f.stages[0]!.checks[3]!.band = [6, 5];
        }),
      ),
    ).toEqual([
      "stages 1 (whole-fo), checks 4 (hips-inside), band: The lower limit must be below the upper one.",
    ]);
    expect(
      problems(
        changed((f) => {
          f.stages[0]!.checks[0]!.below = { cue: "one two three four five", next: "Do." };
        }),
      )[0],
    ).toMatch(/below, cue: Four words at most/);
    expect(
      problems(
        changed((f) => {
          f.basedOn = "no-such";
        }),
      ),
    ).toEqual(["basedOn: There is no built-in drill no-such."]);
    expect(
      problems(
        changed((f) => {
          f.stages[0]!.checks[0]!.measure = "pelvisSway";
        }),
      )[0],
    ).toMatch(/measure: Is trailStepBeforeHands in the built-in check/);
    expect(
      problems(
        changed((f) => {
          f.stages[0]!.checks.push(f.stages[0]!.checks[0]!);
        }),
      )[0],
    ).toMatch(/Is there twice/);
    expect(
      problems(
        changed((f) => {
          f.stages = [];
        }),
      ),
    ).toEqual(["stages: Keep one stage at least."]);
    expect(
      problems(
        changed((f) => {
          delete (f as Partial<DrillFile>).why;
        }),
      ),
    ).toEqual(["why: Is missing, or not text."]);
  });

  it("from a stranger harms nothing", () => {
    const bad = (text: string) => {
      const read = readDrillFile(text);
      return read.ok ? "read" : `${read.problems[0]!.where}: ${read.problems[0]!.what}`;
    };
    expect(bad("<html>")).toMatch(/the file: It is not JSON/);
    expect(bad(`"${"x".repeat(300_000)}"`)).toMatch(/larger than a drill/);
    expect(bad("[]")).toMatch(/the file: Is missing, or not a group of values/);
    expect(bad('{"format":"something else"}')).toContain("This is no drill file");
    expect(bad(JSON.stringify({ ...fileOf(base), script: "alert(1)" }))).toBe(
      "script: Is not known here: leave it out.",
    );
    expect(
      bad(
        JSON.stringify(fileOf(base)).replace(
          '"basedOn"',
          '"__proto__": {"polluted": true}, "basedOn"',
        ),
      ),
    ).toMatch(/not known|read/);
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
    expect(bad(JSON.stringify({ ...fileOf(base), name: "a\u202eb" }))).toMatch(
      /name: Holds letters/,
    );
    expect(bad(JSON.stringify(fileOf(base)).replace("[-20,null]", "[1e999,null]"))).not.toBe(
      "read",
    );
  });

  it("has a published schema that is current", () => {
    expect(JSON.parse(readFileSync("docs/drill.schema.json", "utf8"))).toEqual(
      JSON.parse(JSON.stringify(drillSchema())),
    );
  });
});
