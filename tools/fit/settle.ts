import { analyse, type AnalysedRep } from "../../src/core/analysis";
import type { RequiredAction, Stage } from "../../src/core/drills";
import { decidingInstant, SETTLES_MS } from "../../src/core/judge/deciding";
import { cutShort } from "../study/cutShort";
import { rulesOf } from "../study/compare";
import { stageOf, TEST_CHECKS } from "../study/testStages";
import type { TruthClip } from "../study/truthClip";

const TRIED_MS = [50, 100, 200, 300, 400, 500];
const COPIES = 16;

/** Every step that a drill may ask for. */
const STEPS: RequiredAction[] = (["lead", "trail"] as const).flatMap((foot) =>
  (["top", "impact"] as const).map((before) => ({
    id: `${foot} ${before}`,
    name: foot,
    cue: "Step",
    next: "Step.",
    need: { kind: "step" as const, foot, before },
  })),
);

interface Tried {
  said: number;
  open: number;
  turned: string[];
}

/**
 * How long after a deciding instant what is said no longer turns into its opposite: each test check
 * and each step of each single rep, from what was seen so long after that instant, against the
 * whole clip.
 */
export function fitSettle(list: readonly TruthClip[]): void {
  const tried = new Map<number, Tried>(TRIED_MS.map((x) => [x, { said: 0, open: 0, turned: [] }]));
  for (const clip of list) {
    const { truth } = clip;
    const rules = rulesOf(truth);
    const stages = TEST_CHECKS.filter(
      (c) => c.view === truth.view && c.kinds.includes(rules.kind),
    ).map((c) => stageOf(c, rules));
    const stage: Stage = {
      ...stages[0]!,
      checks: stages.flatMap((s) => s.checks),
      actions: truth.view === "face-on" ? STEPS : [],
    };
    const options = {
      golfer: { statureCm: truth.golfer.stature, hand: truth.golfer.hand },
      drill: "none",
      by: stage,
      samples: COPIES,
    };
    const track = clip.track();
    const [whole] = analyse(track, options).reps;
    if (!whole) continue;
    const known = new Map<number, AnalysedRep | undefined>();
    const asked = [
      ...stage.checks.map((c) => ({ checks: [c], actions: [] })),
      ...stage.actions.map((a) => ({ checks: [], actions: [a] })),
    ];
    for (const one of asked) {
      const at = decidingInstant(one, whole);
      if (at === null) continue;
      for (const [after, row] of tried) {
        const until = Math.round((at + after) / 10) * 10;
        if (!known.has(until)) known.set(until, analyse(cutShort(track, until), options).reps[0]);
        const part = known.get(until);
        if (!part || decidingInstant(one, part) === null) continue;
        count(
          row,
          said(part, one),
          said(whole, one),
          `${clip.id} ${one.checks[0]?.id ?? one.actions[0]!.id}`,
        );
      }
    }
  }
  const shown = [...tried].map(
    ([x, r]) =>
      `${x} ms: ${r.turned.length} of ${r.said} ` +
      `turned${r.turned.length ? ` (${r.turned.slice(0, 4).join(", ")})` : ""}, ${r.open} ` +
      "open",
  );
  const least = [...tried].find(([x]) =>
    [...tried].every(([y, r]) => y < x || r.turned.length === 0),
  )?.[0];
  console.log(
    `judge.deciding settles ${least ?? "later than tried"} ms (now ${SETTLES_MS}); ${shown.join("; ")}`,
  );
}

/** What is said of the one check or action: yes, no, or nothing yet. */
function said(
  rep: AnalysedRep,
  { checks, actions }: Pick<Stage, "checks" | "actions">,
): boolean | null {
  const result = checks[0]
    ? rep.verdict!.checks.find((c) => c.id === checks[0]!.id)!.result
    : rep.verdict!.actions.find((a) => a.id === actions[0]!.id)!.result;
  return result === "pass" || result === "done"
    ? true
    : result === "fail" || result === "missing"
      ? false
      : null;
}

function count(row: Tried, now: boolean | null, then: boolean | null, name: string): void {
  if (now === null) row.open++;
  else {
    row.said++;
    if (then !== null && now !== then) row.turned.push(name);
  }
}
