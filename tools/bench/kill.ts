/**
 * What a program that is killed loses: `npm run bench:kill` (after a build), 200 kills of a process
 * that saves, and 200 of the site: while two golfers' reps come in, at its start, during a backup,
 * a restore, a removal and a migration; `--check`: two, and the first three. Every acknowledged thing
 * is looked for afterwards, and every film is held against its hash.
 */
import { seeded } from "../../src/core/maths/seeded";
import { killInProcess } from "./kill/inProcess";
import { killOverHttp, WHILE } from "./kill/overHttp";
import { report } from "./report";

const check = process.argv.includes("--check");
const own = await killInProcess(check ? 2 : 200);
console.log(
  `${own.kills} kills while saving: of ${own.acked} acknowledged things ${own.lost} ` +
    `are lost; ${own.half} reps are half there; ${own.miscounted} bouts count wrongly; ` +
    `${own.mended} files without a row were put aside, ${own.orphans} are left`,
);
const random = seeded(11);
const total = { kills: 0, acked: 0, lost: [] as string[], half: 0, damagedFilms: 0 };
/** So many on one directory: with more, what is kept makes each round long. */
const A_STORE = 48;
for (let left = check ? 3 : 200; left > 0; left -= A_STORE) {
  const got = await killOverHttp(Math.min(left, A_STORE), random);
  total.kills += got.kills;
  total.acked += got.acked;
  total.lost.push(...got.lost);
  total.half += got.half;
  total.damagedFilms += got.damagedFilms;
  console.log(
    `${total.kills} kills of the site (${WHILE.join(", ")}): of ${total.acked} ` +
      `acknowledged reps ${total.lost.length} are lost; ${total.half} are half there; ` +
      `${total.damagedFilms} films are damaged`,
  );
}
total.lost.slice(0, 5).forEach((l) => console.log(`lost: ${l}`));
report("kill", { ...own, http: { ...total, lost: total.lost.length } }, !check);
process.exit(
  own.lost ||
    own.half ||
    own.miscounted ||
    own.orphans ||
    total.lost.length ||
    total.half ||
    total.damagedFilms
    ? 1
    : 0,
);
