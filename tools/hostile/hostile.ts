/**
 * What hostile files, hostile requests and damage do: `npm run hostile` (1,000 films and 1,000
 * requests after a build, and every damage to a database at twenty places; `--check`: eight of
 * each, and two damages once; `--only media,requests,damage`, `--seed N`). All of it comes from the
 * seed. Ends with 1 where anything was crashed, unclear, slow, too large, changed or lost.
 */
import { parseArgs } from "node:util";
import { report, reportParts } from "../bench/report";
import { tryDamages } from "./damage";
import { DAMAGES } from "./damageStore";
import { tryMedia } from "./media";
import { tryRequests } from "./requests";

const { values } = parseArgs({
  options: {
    check: { type: "boolean" },
    only: { type: "string" },
    seed: { type: "string", default: "1" },
  },
});
const seed = Number(values.seed);
const wanted = (name: string) => values.only === undefined || values.only.split(",").includes(name);
const count = values.check ? 8 : 1000;
const MOST_MB = 1500;
/** A lost file is found before the database is opened, a cut table when it is read. */
const IN_CI = ["PG_VERSION is lost", "tables are cut"];
const bad: string[] = [];
const figures: Record<string, Record<string, unknown>> = {};
const list = (name: string, what: readonly string[]) =>
  bad.push(...what.map((w) => `${name}: ${w}`));

if (wanted("media")) {
  const m = await tryMedia(count, seed);
  console.log(
    `${m.tried} films: ${m.read} were read, ${m.refused} refused; the slowest took ` +
      `${m.slowestBeyondS.toFixed(1)} s more than one that is whole; ${m.peakMB} MB at most`,
  );
  list("unclear", m.unclear);
  list("slow", m.slow);
  if (m.peakMB > MOST_MB) bad.push(`memory: ${m.peakMB} MB`);
  figures.media = { seed, ...m, unclear: m.unclear.length, slow: m.slow.length };
}
if (wanted("requests")) {
  const r = await tryRequests(count, seed);
  console.log(
    `${r.tried} requests: ${r.answered} were answered, ${r.refused} refused; the slowest ` +
      `took ${r.slowestS.toFixed(1)} s; ${r.peakMB} MB at most`,
  );
  list("unclear", r.unclear);
  list("slow", r.slow);
  list("changed", r.changed);
  if (r.peakMB > MOST_MB) bad.push(`memory: ${r.peakMB} MB`);
  figures.requests = {
    seed,
    ...r,
    unclear: r.unclear.length,
    slow: r.slow.length,
    changed: r.changed.length,
  };
}
if (wanted("damage")) {
  const d = await tryDamages(
    values.check ? IN_CI : Object.keys(DAMAGES),
    values.check ? 1 : 20,
    values.check ? 2 : 7,
    seed,
  );
  console.log(
    `${d.tried} damages: ${d.refused} were refused in words, ${d.whole} did no harm; ` +
      `after ${d.back} of them one command brought the last good copy back, ` +
      `${d.notBack.length} times it did not`,
  );
  list("damage", d.wrong);
  list("not back", d.notBack);
  figures.damage = { seed, ...d, wrong: d.wrong.length, notBack: d.notBack.length };
}
bad.forEach((b) => console.log(b));
if (values.check) report("hostile", { ...figures, bad: bad.length }, false);
else reportParts("hostile", figures);
process.exit(bad.length ? 1 : 0);
