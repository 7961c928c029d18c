/**
 * The worst of what the drills warn of, filmed: `npm run bench:points-filmed [-- --check]`. Of each
 * drill the two movements that came nearest to passing on `npm run bench:points` and all targets,
 * rendered and read by the real network. None of the worst may pass and no target fail, else it ends
 * with 1. With `--check` nothing is written, and the targets are left to `bench:accuracy`, which
 * reads them too.
 */
import { parseArgs } from "node:util";
import { compare } from "../study/compare";
import { truthClips, type TruthClip } from "../study/truthClip";
import { report } from "./report";

const { values } = parseArgs({ options: { check: { type: "boolean", default: false } } });

/** What was said of each rep of a clip. */
const said = (clip: TruthClip) => {
  const { found, missed } = compare(clip);
  return {
    missed: missed.length,
    verdicts: found.map(({ rep: { verdict } }) => verdict!),
  };
};
const told = (clips: readonly TruthClip[]) => clips.map((c) => ({ id: c.id, ...said(c) }));
const count = (list: ReturnType<typeof told>, result: string) =>
  list.reduce((n, c) => n + c.verdicts.filter((v) => v.result === result).length, 0);
const which = (list: ReturnType<typeof told>, result: string) =>
  list.flatMap((c) =>
    c.verdicts
      .filter((v) => v.result === result)
      .map((v) => `${c.id}: ${v.cue?.id ?? v.reason?.message ?? ""}`.replace(/: $/, "")),
  );

const worst = told(truthClips("tools/study/kept/points"));
const best = values.check
  ? []
  : told(truthClips("tools/study/kept/drills").filter(({ truth }) => truth.about === "target"));
const figures = Object.fromEntries(
  Object.entries({ worst, best }).map(([name, list]) => [
    name,
    {
      clips: list.length,
      passed: count(list, "pass"),
      failed: count(list, "fail"),
      notJudged: count(list, "not judged"),
      missed: list.reduce((n, c) => n + c.missed, 0),
    },
  ]),
);
const wrong = [...which(worst, "pass"), ...which(best, "fail")];
for (const [name, f] of Object.entries(figures)) console.log(`${name}: ${JSON.stringify(f)}`);
for (const line of which(worst, "not judged")) console.log(`open: ${line}`);
for (const line of which(worst, "fail")) console.log(`failed: ${line}`);
for (const line of wrong) console.log(`WRONG ${line}`);
if (!values.check) report("points-filmed", { ...figures, wrong });
if (wrong.length) process.exitCode = 1;
