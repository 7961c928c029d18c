import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { decides, DRILLS, isJudged } from "../../src/core/drills";

/** What `npm run bench:points` found of good movers. */
const { outside } = JSON.parse(readFileSync("docs/bench/points.json", "utf8")) as {
  outside: Record<string, [measured: number, outside: number]>;
};

/** A limit may call good movers outside this often (docs/movement.md, verdict rule 2). */
const MOST = 1 / 200;

/** Stages seen from behind are not simulated: their films are held against the truth instead. */
const STAGES = DRILLS.flatMap((d) =>
  d.stages
    .filter((s) => isJudged(s) && s.view === "face-on")
    .map((s) => [`${d.id} ${s.id}`, s] as const),
);

describe("which checks may be limits", () => {
  it.each(STAGES)("%s calls no good mover outside", (name, stage) => {
    const broken = stage.checks.filter(decides).flatMap((c) => {
      const counts = outside[`${name} ${c.id}`];
      if (!counts) return [`${c.id}: not in the bench`];
      const [measured, out] = counts;
      return out > MOST * measured ? [`${c.id}: ${out} of ${measured}`] : [];
    });
    expect(broken).toEqual([]);
  });
});
