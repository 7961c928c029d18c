import { existsSync, readFileSync } from "node:fs";
import { DRILLS } from "../../../src/core/drills";
import { commitNow, report } from "../report";
import { isNamed } from "./notSeen";
import type { MovementCount } from "./pointRows";

const FILE = "docs/bench/points.json";
const percent = (part: number, of: number) => (of ? `${((100 * part) / of).toFixed(1)} %` : "–");
const sum = (rows: readonly MovementCount[], of: (r: MovementCount) => number) =>
  rows.reduce((s, r) => s + of(r), 0);

/** Of some movements: reps, and shares of them. */
const figures = (rows: readonly MovementCount[]) => {
  const [warned, good] = [rows.filter((r) => !r.good), rows.filter((r) => r.good)];
  return {
    warned: warned.length,
    warnedReps: sum(warned, (r) => r.reps),
    warnedPassed: sum(warned, (r) => r.passed),
    warnedOnMoreThanOneBody: warned.filter((r) => r.bodiesPassed > 1).length,
    goodReps: sum(good, (r) => r.reps),
    goodFailed: sum(good, (r) => r.failed),
    goodNotJudged: sum(good, (r) => r.notJudged + r.notFound),
  };
};

/** Prints a row a drill, and every movement that came out otherwise than it should; keeps them. */
export function pointsReport(
  rows: readonly MovementCount[],
  { bodies, keep }: { bodies: number; keep: boolean },
): void {
  const drills = [...new Set(rows.map((r) => r.drill))];
  console.log("drill | warned of: movements, passed, on > 1 body | good: failed, not judged");
  for (const drill of drills) {
    const f = figures(rows.filter((r) => r.drill === drill));
    console.log(
      `${drill} | ${f.warned}, ${f.warnedPassed} of ${f.warnedReps}, ${f.warnedOnMoreThanOneBody} | ` +
        `${f.goodFailed} of ${f.goodReps}, ${percent(f.goodNotJudged, f.goodReps)}`,
    );
  }
  for (const r of rows)
    if (r.good ? r.failed + r.notJudged + r.notFound > 0 : r.passed > 0 || r.notJudged > 0)
      console.log(
        `${r.good ? "good" : "warned of"} ${r.drill} ${r.stage} ${r.movement}: passed ${r.passed}, failed ${r.failed}, ` +
          `not judged ${r.notJudged}, not found ${r.notFound} of ${r.reps}; ${JSON.stringify(r.said)}`,
      );
  for (const [name, [n, out]] of outsideOf(rows.filter((r) => r.good)))
    if (out) console.log(`surely outside in good movers: ${name} ${out} of ${n}`);
  const all = figures(rows);
  console.log(JSON.stringify(all));
  if (keep) keepRows(rows, bodies);
}

interface Kept {
  bodies: number;
  movements: KeptRow[];
}
type KeptRow = MovementCount & { commit: string };

/** Keeps rows beside those of drills that did not run, each with its commit. */
function keepRows(rows: readonly MovementCount[], bodies: number): void {
  const before = existsSync(FILE)
    ? (JSON.parse(readFileSync(FILE, "utf8")) as Kept)
    : { bodies, movements: [] };
  const commit = commitNow();
  const others = before.movements.filter((r) => !rows.some((now) => now.drill === r.drill));
  if (others.length && before.bodies !== bodies)
    throw new Error(`the other drills are of ${before.bodies} bodies: run all of them`);
  const order = (r: MovementCount) => DRILLS.findIndex((d) => d.id === r.drill);
  const all = [...others, ...rows.map((r): KeptRow => ({ ...r, commit }))].sort(
    (a, b) => order(a) - order(b),
  );
  report("points", {
    bodies,
    overall: figures(all),
    named: figures(all.filter((r) => isNamed(r))),
    others: figures(all.filter((r) => !isNamed(r))),
    drills: Object.fromEntries(
      [...new Set(all.map((r) => r.drill))].map((d) => [
        d,
        figures(all.filter((r) => r.drill === d)),
      ]),
    ),
    outside: Object.fromEntries(outsideOf(all.filter((r) => r.good))),
    movements: all,
  });
}

/** Of every must and limit: good reps in which it was measured, and those surely outside. */
function outsideOf(rows: readonly MovementCount[]): Map<string, [number, number]> {
  const out = new Map<string, [number, number]>();
  for (const r of rows)
    for (const [id, [n, o]] of Object.entries(r.outside)) {
      const key = `${r.drill} ${r.stage} ${id}`;
      const [a, b] = out.get(key) ?? [0, 0];
      out.set(key, [a + n, b + o]);
    }
  return out;
}
