import { readdirSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { someOf } from "../../../tests/whole";
import { CATALOGUE } from "../measures";
import { decides, isJudged, PHASES, type Stage } from "./drill";
import { dueCue, margins, truthsOf } from "./drillTruth";
import { pathsThrough } from "./paths";
import { DRILLS } from "./builtIn";
import { kebab } from "./parts";

const STAGES = DRILLS.flatMap((d) => d.stages.map((s) => [`${d.id} ${s.id}`, s, d] as const));
const words = (s: Stage) => [
  ...s.actions,
  ...s.checks.flatMap((c) =>
    [c.below, c.above, c.told?.minus, c.told?.plus].filter((w) => w !== undefined),
  ),
];
/** A movement with several reps begins with one that has nothing before it. */
const one = (script: Parameters<typeof truthsOf>[0], s: Stage) => {
  const reps = truthsOf(script, s.view);
  return reps[1] ?? reps[0]!;
};

describe("the library", () => {
  it("holds the 32 entries, each in the file of its name", () => {
    const files = readdirSync(new URL("library", import.meta.url))
      .filter((f) => f !== "all.ts")
      .map((f) => kebab(f.slice(0, -3)))
      .sort();
    expect(DRILLS.map((d) => d.id).sort()).toEqual(files);
    expect(DRILLS.map((d) => d.number)).toEqual(Array.from({ length: 32 }, (_, i) => i + 1));
  });

  it("has paths that lead somewhere and end", () => {
    expect(pathsThrough("feet-together")).toEqual([
      ["feet-together", "trail-toe-behind", "heel-keeps-pace"],
    ]);
    expect(pathsThrough("big-toe-brace").map((p) => p.slice(0, 3))).toEqual([
      ["thigh-rest", "big-toe-brace", "hips-on-wall"],
      ["thigh-rest", "big-toe-brace", "bent-knee-driver"],
    ]);
    expect(pathsThrough("double-step")).toEqual([]);
    for (const d of DRILLS)
      for (const path of pathsThrough(d.id))
        for (const id of path)
          expect(
            DRILLS.some((x) => x.id === id),
            id,
          ).toBe(true);
  });
});

describe("a drill", () => {
  it.each(DRILLS.map((d) => [d.id, d] as const))(
    "%s says all that is needed, with one main stage a view",
    (_, d) => {
      for (const text of [
        d.why,
        d.feel,
        d.at.feet,
        d.at.ball,
        d.at.club,
        d.at.phone,
        ...d.setUp,
        ...d.cautions,
      ])
        expect(text).toMatch(/^[A-Z].*[.?!]$/s);
      for (const view of new Set(d.stages.map((s) => s.view)))
        expect(d.stages.filter((s) => s.main && s.view === view)).toHaveLength(1);
      for (const s of d.stages) expect(s.id).toMatch(s.view === "face-on" ? /-fo$/ : /-dtl$/);
    },
  );
});

describe("a stage", () => {
  it.each(STAGES)("%s has checks that make sense, in its view, and short cues", (_, s) => {
    expect(new Set([...s.checks, ...s.actions].map((c) => c.id)).size).toBe(
      s.checks.length + s.actions.length,
    );
    for (const w of words(s)) expect(w.cue.split(" ").length, w.cue).toBeLessThanOrEqual(4);
    for (const c of s.checks) {
      expect(CATALOGUE[c.measure].views, c.id).toContain(s.view);
      expect(
        c.band.some((b) => b !== null),
        c.id,
      ).toBe(true);
      const [lo, hi] = [c.band[0] ?? -Infinity, c.band[1] ?? Infinity];
      expect(c.target >= lo && c.target <= hi, `${c.id}: target`).toBe(true);
      expect(c.fault < lo || c.fault > hi, `${c.id}: fault`).toBe(true);
      // Where a value may lie on either side of the band there are words for it.
      if (!c.told)
        expect([c.band[0] !== null && !c.below, c.band[1] !== null && !c.above], c.id).toEqual([
          false,
          false,
        ]);
    }
    const musts = s.checks.filter((c) => c.level === "must");
    // Without a point that can be decided a stage is a rehearsal, and says so.
    if (!isJudged(s)) expect([musts.length, s.note !== undefined]).toEqual([0, true]);
    for (const c of s.checks) expect(c.point && !decides(c), c.id).toBe(false);
  });

  it.each(
    someOf(
      STAGES.filter(([, s]) => s.target),
      2,
    ),
  )("%s: its target is good in truth", (_, s) => {
    const truth = one(s.target!(), s);
    expect(dueCue(s, truth)).toBeNull();
    const inside = margins(s, truth);
    for (const c of s.checks.filter((c) => c.level !== "advice")) {
      // What a script has no measure of (a prop that falls) it can't break.
      const m = inside.get(c.id)!;
      expect(Number.isNaN(m.value) || m.inside >= 0, `${c.measure} ${m.value}`).toBe(true);
    }
  });

  it.each(
    someOf(
      STAGES.flatMap(([name, s]) =>
        (s.faults ?? []).map((f) => [`${name} ${f.id}`, s, f] as const),
      ),
      4,
    ),
  )("%s: the fault is the one that it names", (_, s, f) => {
    const truth = one(f.script(), s);
    const check = s.checks.find((c) => c.id === f.fails);
    if (check && !decides(check)) expect(margins(s, truth).get(check.id)!.inside).toBeLessThan(0);
    else expect(dueCue(s, truth)).toBe(f.fails);
  });

  it("names its phases in the order of causes", () => {
    for (const [name, s] of STAGES)
      for (const c of s.checks) expect(PHASES, name).toContain(c.phase);
  });
});
