import { createHash } from "node:crypto";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { Readable } from "node:stream";
import { afterAll, beforeAll, expect, it } from "vitest";
import { DRILLS } from "@/core/drills";
import { fileOf, type DrillFile } from "@/core/formats/drillFile";
import { putBlob } from "@/server/blobs/blobs";
import { closeDatabase, database, type Db } from "@/server/db/open";
import { golfer } from "@/server/db/schema";
import {
  addOwn,
  drillOf,
  isOwn,
  keepVersion,
  ownDrills,
  setRemoved,
  versionsOf,
} from "@/server/drills/ownDrills";
import { judgeAllAgain, judgedReps } from "@/server/reps/judgeAgain";
import { findRep } from "@/server/reps/queries";
import { saveReps } from "@/server/reps/saveReps";
import { stageReps } from "@/server/reps/stageReps";

const sha = (b: Buffer | string) => createHash("sha256").update(b).digest("hex");
const before = process.env.KINGFISHER_DATA;
let dir: string;
let db: Db;
/** A rep whose lead foot lands too late for the built-in drill. */
const LATE = readFileSync("demo/tracks/double-step-lead-late.track");
const copy = (): DrillFile => fileOf(DRILLS.find((d) => d.id === "double-step")!);
const LANDING = "leadLandBeforeTop";
/** The drill with another limit on the landing, ms before the top. */
const landing = (limit: number): DrillFile => {
  const file = copy();
  for (const s of file.stages)
    for (const c of s.checks) {
      if (c.measure === LANDING) c.band = [limit, null];
      // What else is late with it is not what this is about.
      if (c.level === "limit") c.level = "advice";
    }
  return file;
};

beforeAll(async () => {
  dir = process.env.KINGFISHER_DATA = mkdtempSync(path.join(os.tmpdir(), "kingfisher-own-"));
  db = await database();
  await db.insert(golfer).values([
    { id: "wren", name: "Wren Alder", hand: "right", statureCm: 170, units: "cm" },
    { id: "other", name: "Piet Dale", hand: "left", statureCm: 184, units: "cm" },
  ]);
  await putBlob("tracks", sha(LATE), Readable.from([LATE]));
});
afterAll(async () => {
  await closeDatabase();
  rmSync(dir, { recursive: true, force: true });
  process.env.KINGFISHER_DATA = before;
});

const save = (drill: string, name: string, at = new Date()) =>
  saveReps(db, {
    golferId: "wren",
    clip: { sha256: sha(name), name, bytes: 1 },
    trackSha256: sha(LATE),
    drill,
    at,
  });
const said = async (id: string) => (await findRep(db, "wren", id))!.verdict!;

it("keeps every version of an own drill, whole, and none twice", async () => {
  const id = await addOwn(db, "wren", copy());
  expect(await keepVersion(db, id, copy())).toBe(1);
  expect(await keepVersion(db, id, landing(-300))).toBe(2);
  expect(await keepVersion(db, id, landing(-100))).toBe(3);
  const versions = await versionsOf(db, id);
  expect(versions.map((v) => v.version)).toEqual([3, 2, 1]);
  expect(
    versions.map((v) => v.drill.stages[0]!.checks.find((c) => c.measure === LANDING)!.band[0]),
  ).toEqual([-100, -300, -40]);
  // The movement is not in the file: it is the built-in drill's.
  const inUse = (await drillOf(db, "wren", id))!;
  expect(inUse).toMatchObject({ id, version: 3, basedOn: "double-step" });
  expect(inUse.stages[0]!.target!().duration).toBe(
    DRILLS.find((d) => d.id === "double-step")!.stages[0]!.target!().duration,
  );
  expect([await isOwn(db, "wren", id), await isOwn(db, "other", id)]).toEqual([true, false]);
  await expect(keepVersion(db, "own-nothing", copy())).rejects.toThrow(RangeError);
});

it("is out of the list while in the bin, and its reps keep what they were judged by", async () => {
  const id = await addOwn(db, "wren", copy());
  const { ids } = await save(id, "binned");
  await setRemoved(db, id, true);
  expect((await ownDrills(db, "wren")).map((d) => d.id)).not.toContain(id);
  expect((await drillOf(db, "wren", id))?.id).toBe(id);
  expect((await findRep(db, "wren", ids[0]!))!.stage!.checks.length).toBeGreaterThan(0);
  await setRemoved(db, id, false);
  expect((await ownDrills(db, "wren")).map((d) => d.id)).toContain(id);
  expect(await ownDrills(db, "other")).toEqual([]);
});

it("judges kept reps by another version and back, and leaves those of other drills alone", async () => {
  const [id, builtIn] = [
    await addOwn(db, "wren", copy()),
    (await save("double-step", "by the built-in one")).ids[0]!,
  ];
  const rep = (await save(id, "by my own")).ids[0]!;
  const first = await said(rep);
  expect(first).toMatchObject({ result: "fail", cue: { id: "lead-down" } });

  await keepVersion(db, id, landing(-400));
  // Keeping a version says nothing of the reps there are.
  expect(await said(rep)).toEqual(first);
  const [one, two] = (await versionsOf(db, id)).reverse().map((v) => v.drill) as [never, never];
  expect(await judgeAllAgain(db, "wren", two)).toBe(1);
  expect((await said(rep)).result).toBe("pass");
  expect((await judgedReps(db, "wren", id, 10)).map((r) => r.by.version)).toEqual([2]);
  expect(await judgeAllAgain(db, "wren", two)).toBe(0);
  expect(await judgeAllAgain(db, "other", one)).toBe(0);
  expect((await said(rep)).result).toBe("pass");
  expect((await said(builtIn)).result).toBe("fail");

  expect(await judgeAllAgain(db, "wren", one)).toBe(1);
  expect(await said(rep)).toEqual(first);
});

it("counts a golfer's reps by stage and day, the latest first, and nobody else's", async () => {
  const id = await addOwn(db, "wren", copy());
  const day = (n: number) => new Date(2026, 4, n, 12);
  await save(id, "monday", day(4));
  await save(id, "tuesday", day(5));
  const own = (await drillOf(db, "wren", id))!;
  const reps = (await stageReps(db, "wren", [own, DRILLS.find((d) => d.id === "ball-toss")!])).get(
    id,
  )!;
  expect(reps.map((r) => [r.stageId, r.day, r.result])).toEqual(
    [5, 4].map((n) => ["whole-fo", `2026-05-0${n}`, "fail"]),
  );
  expect((await stageReps(db, "other", [own])).size).toBe(0);
  expect((await stageReps(db, "wren", [])).size).toBe(0);
});
