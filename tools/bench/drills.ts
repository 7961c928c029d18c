/**
 * A row for every drill: `npm run bench:drills [-- --golfers 8 | --drill ID | --check]`. Simulated
 * golfers of every size do each judged stage as it is asked for, and with each of its faults,
 * before a phone somewhere; their tracks carry the network's fitted errors. With `--check` (CI) one
 * golfer does each, nothing is written, and a promise that is broken ends it with 1.
 */
import { writeFileSync } from "node:fs";
import { parseArgs } from "node:util";
import { DRILLS, isJudged } from "../../src/core/drills";
import { drillRows, type DrillRow } from "./accuracy/drillRows";
import { report } from "./report";

const { values } = parseArgs({
  options: {
    golfers: { type: "string", default: "8" },
    drill: { type: "string" },
    check: { type: "boolean", default: false },
  },
});
const golfers = values.check ? 1 : Number(values.golfers);
const rows = drillRows(
  golfers,
  7_000,
  values.drill,
  (name) => process.stdout.isTTY && process.stdout.write(`\r${name.padEnd(30)}`),
);

const share = (part: number, of: number) =>
  of === 0 ? "–" : `${((100 * part) / of).toFixed(of < 50 ? 0 : 1)} %`;
const cueShare = (r: DrillRow) => share(r.rightCue, r.faultReps - r.faultNotJudged);
const cells = (r: DrillRow): string[] => [
  r.drill,
  `${r.stages}`,
  share(r.tally.agreed, r.tally.judged),
  `${r.tally.judged}`,
  share(r.targetNotJudged, r.targetReps),
  `${r.targetReps}`,
  cueShare(r),
  `${r.faultReps}`,
  share(r.faultNotJudged, r.faultReps),
  `${r.tally.falsePasses}`,
  `${r.passedWithoutAction}`,
  `${r.notFound}`,
];
const sum = (of: (r: DrillRow) => number) => rows.reduce((s, r) => s + of(r), 0);
const HEAD = [
  "drill",
  "judged stages",
  "agreement",
  "of judged",
  "target not judged",
  "of",
  "right cue",
  "of faulty",
  "faulty not judged",
  "false passes",
  "passed without its action",
  "not found",
];
const table = [HEAD, HEAD.map(() => "---"), ...rows.map(cells)]
  .map((c) => `| ${c.join(" | ")} |`)
  .join("\n");
console.log(`\n${table}`);
for (const r of rows)
  for (const w of [...r.tally.wrong, ...r.otherCue, ...r.open]) console.log(`${r.drill}: ${w}`);
for (const r of rows)
  if (Object.keys(r.tally.reasons).length)
    console.log(`${r.drill}: good and not judged ${JSON.stringify(r.tally.reasons)}`);

const overall = {
  agreement: sum((r) => r.tally.agreed) / sum((r) => r.tally.judged),
  targetNotJudged: sum((r) => r.targetNotJudged) / sum((r) => r.targetReps),
  rightCue: sum((r) => r.rightCue) / sum((r) => r.faultReps - r.faultNotJudged),
  falsePasses: sum((r) => r.tally.falsePasses),
  passedWithoutAction: sum((r) => r.passedWithoutAction),
};
console.log(JSON.stringify(overall));
if (values.check || values.drill) {
  if (
    overall.falsePasses ||
    overall.passedWithoutAction ||
    overall.agreement < 0.98 ||
    overall.rightCue < 0.95
  ) {
    console.log("BROKEN: no false pass, none without its action, 98 % agreement, 95 % right cues");
    process.exitCode = 1;
  }
} else {
  report("drills", {
    golfers,
    overall,
    rows: rows.map(({ tally, otherCue: _o, open: _p, ...r }) => ({
      ...r,
      agreed: tally.agreed,
      judged: tally.judged,
      falsePasses: tally.falsePasses,
      reasons: tally.reasons,
    })),
  });
  const rehearsals = DRILLS.flatMap((d) =>
    d.stages.filter((s) => !isJudged(s)).map((s) => `${d.id} ${s.id}`),
  );
  writeFileSync(
    "docs/drills.md",
    `# The drills, judged\n\n\`npm run bench:drills\`: ${golfers} simulated golfers of ` +
      "155 to 195 cm do every judged stage as it is asked for and with each named fault; " +
      "their tracks carry the fitted errors of the network. Agreement counts reps that are " +
      "surely good or surely faulty (musts inside by more than 2U, or outside by more than " +
      `U) and were judged.\n\n${table}\n\nRehearsals, counted and shown, not judged: ` +
      `${rehearsals.join(", ")}.\n`,
  );
}
