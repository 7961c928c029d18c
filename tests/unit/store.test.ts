import { fork, spawnSync } from "node:child_process";
import { createHash, randomUUID } from "node:crypto";
import {
  existsSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  symlinkSync,
  truncateSync,
  writeFileSync,
} from "node:fs";
import os from "node:os";
import path from "node:path";
import { Readable } from "node:stream";
import { and, eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { DRILLS } from "@/core/drills";
import { middleMs } from "@/core/analysis";
import { WHY } from "@/core/uncertainty/report";
import { BlobMismatchError, blobPath, blobSize, putBlob, readBlob } from "@/server/blobs/blobs";
import { checkBlobs } from "@/server/blobs/checkBlobs";
import { keepOfGolfer } from "@/server/golfers/golfers";
import { blobRoute } from "@/server/http/blobRoute";
import { healBlobs } from "@/server/blobs/heal";
import { DataInUseError, lockData } from "@/server/db/lock";
import { closeDatabase, database } from "@/server/db/open";
import type { Correction } from "@/core/reps/corrections";
import { correctRep, NoSuchRepError } from "@/server/reps/correct";
import { stageReps } from "@/server/reps/stageReps";
import { clip, correction, golfer, rep, verdict } from "@/server/db/schema";
import { listBouts } from "@/server/reps/bouts";
import { findRep } from "@/server/reps/queries";
import { saveReps } from "@/server/reps/saveReps";
import { someOf } from "../whole";
import { endStores, freshStore } from "./freshStore";

const sha = (b: Buffer | Uint8Array) => createHash("sha256").update(b).digest("hex");
const BUNDLED = `import { importBundled } from "./bin/bundled.mjs";`;
let dir: string;
beforeAll(async () => {
  ({ dir } = await freshStore());
});
afterAll(endStores);

describe("the data directory", () => {
  it("is refused to a second process, and never kept by one that is gone", () => {
    const held = mkdtempSync(path.join(os.tmpdir(), "kingfisher-lock-"));
    const tryIt = `${BUNDLED} const { lockData } = await importBundled("src/server/db/lock.ts"); try { lockData(${JSON.stringify(held)}); console.log("got it"); } catch (e) { console.log(e.name + ": " + e.message); }`;
    const second = () =>
      spawnSync(process.execPath, ["--input-type=module", "-e", tryIt], {
        encoding: "utf8",
      }).stdout;
    const release = lockData(held);
    expect(second()).toMatch(new RegExp(`DataInUseError.*another process \\(${process.pid}\\)`));
    release();
    // Left by one that was killed, whose number another program has by now.
    writeFileSync(path.join(held, "kingfisher.lock"), String(process.ppid));
    expect(second()).toContain("got it");
    lockData(held);
    expect(() => lockData(held)).toThrow(DataInUseError);
  });
});

describe("two processes", () => {
  it("never have one store, be it a directory or a server's database: the second is told so", () => {
    const open = `${BUNDLED} const { database } = await importBundled("src/server/db/open.ts"); database().then(() => console.log("got it"), (e) => console.log(e.name + ": " + e.message)).finally(() => process.exit());`;
    const second = (data: string) =>
      spawnSync(process.execPath, ["--input-type=module", "-e", open], {
        encoding: "utf8",
        env: { ...process.env, KINGFISHER_DATA: data },
      }).stdout;
    expect(second(dir)).toMatch(
      /DataInUseError.*is open in another process \(\d+\)\. Close that one first/,
    );
    // From a directory of its own, where the rows are on a server.
    if (process.env.DATABASE_URL)
      expect(second(mkdtempSync(path.join(os.tmpdir(), "kingfisher-other-")))).toMatch(
        /DataInUseError.*database of DATABASE_URL is open in another process/,
      );
  });

  it("two reps that come at the same time share the bout, which counts both, and corrections of one rep follow one another", async () => {
    const db = await database();
    await db
      .insert(golfer)
      .values({ id: "two", name: "Two Hands", hand: "right", statureCm: 170, units: "cm" });
    const track = readFileSync("demo/tracks/double-step-good.track");
    await putBlob("tracks", sha(track), Readable.from([track]));
    const save = (name: string) =>
      saveReps(db, {
        golferId: "two",
        clip: { sha256: sha(Buffer.from(name)), name, bytes: 10 },
        trackSha256: sha(track),
        drill: "double-step",
        at: new Date("2026-11-24T10:00:00Z"),
      });
    const saved = await Promise.all(["one", "two", "three"].map(save));
    const [only, ...more] = await listBouts(db, "two", 10);
    expect([more, only!.done]).toEqual([[], 3]);
    const [id] = saved[0]!.ids as [string];
    const say = (now: "pass" | "fail") =>
      correctRep(db, "two", id, [
        { id: randomUUID(), kind: "verdict", was: "pass", now, reason: "As I felt it." },
      ]);
    await Promise.all([say("fail"), say("pass"), say("fail")]);
    expect((await findRep(db, "two", id))!.corrections).toHaveLength(1);
    expect(
      await db
        .select()
        .from(verdict)
        .where(and(eq(verdict.repId, id), eq(verdict.by, "golfer"))),
    ).toHaveLength(1);
    // Two things that one page keeps of a golfer at once.
    await Promise.all(
      ["double-step", "ball-toss", "arch-rod"].map((d) =>
        keepOfGolfer(db, "two", ({ cautionsRead }) => ({
          cautionsRead: { ...cautionsRead, [d]: "2026-11-24" },
        })),
      ),
    );
    expect(
      Object.keys(
        (await db.select().from(golfer).where(eq(golfer.id, "two")))[0]!.cautionsRead,
      ).sort(),
    ).toEqual(["arch-rod", "ball-toss", "double-step"]);
  });
});

describe("films and tracks", () => {
  it("that are damaged on the disk are noticed, and replaced when they are sent again", async () => {
    const { PUT } = blobRoute("clips", "video/mp4");
    const film = Buffer.from("film of a damaged disk ".repeat(500));
    const send = () =>
      PUT(new Request("http://localhost/", { method: "PUT", body: film }), {
        params: Promise.resolve({ sha256: sha(film) }),
      });
    expect((await send()).status).toBe(201);
    expect((await send()).status).toBe(200);
    for (const damage of [
      () => truncateSync(blobPath("clips", sha(film)), 100),
      () => writeFileSync(blobPath("clips", sha(film)), Buffer.from(film).fill(0x41, 50, 60)),
    ]) {
      damage();
      expect((await send()).status).toBe(201);
      expect(readFileSync(blobPath("clips", sha(film))).equals(film)).toBe(true);
    }
    writeFileSync(blobPath("clips", sha(film)), "another film");
    expect(await checkBlobs(await database())).toContain(sha(film));
    expect(await blobSize("clips", sha(film))).toBeNull();
  });

  it("are never a link to something else", async () => {
    const film = Buffer.from("film behind a link");
    await putBlob("clips", sha(film), Readable.from([film]));
    const at = blobPath("clips", sha(film));
    rmSync(at);
    symlinkSync("/etc/hostname", at);
    expect(await blobSize("clips", sha(film))).toBeNull();
    await expect(readBlob("clips", sha(film)).toArray()).rejects.toThrow(/ELOOP/);
    await putBlob("clips", sha(film), Readable.from([film]));
    expect(readFileSync(at).equals(film)).toBe(true);
    rmSync(at);
  });

  it("are there whole or not at all: a cut upload leaves nothing behind", async () => {
    const film = Buffer.from("film ".repeat(5000));
    await expect(
      putBlob("clips", sha(film), Readable.from([film.subarray(0, 9000)])),
    ).rejects.toThrow(BlobMismatchError);
    expect(await blobSize("clips", sha(film))).toBeNull();
    await putBlob("clips", sha(film), Readable.from([film.subarray(0, 9000), film.subarray(9000)]));
    expect(readFileSync(blobPath("clips", sha(film))).equals(film)).toBe(true);
  });

  it.each(["../../etc/passwd", "abc", "A".repeat(64)])("are never named %s", (name) => {
    expect(() => blobPath("clips", name)).toThrow(RangeError);
  });
});

describe("reps", () => {
  const bytes = readFileSync("demo/tracks/double-step-good.track");
  const request = (at: string, clipName = "a.mp4") => ({
    golferId: "g",
    clip: { sha256: sha(Buffer.from(clipName)), name: clipName, bytes: 10 },
    trackSha256: sha(bytes),
    drill: "double-step",
    at: new Date(at),
  });
  beforeEach(async () => {
    const db = await database();
    await db
      .insert(golfer)
      .values({ id: "g", name: "Wren Alder", hand: "right", statureCm: 170, units: "cm" })
      .onConflictDoNothing();
    await putBlob("tracks", sha(bytes), Readable.from([bytes]));
  });

  it("are judged, kept and found again with the same numbers", async () => {
    const db = await database();
    const { ids, analysis } = await saveReps(db, request("2026-11-24T10:00:00Z"));
    const found = await findRep(db, "g", ids[0]!);
    expect(found!.verdict).toEqual(analysis.reps[0]!.verdict);
    const own = Object.entries(analysis.reps[0]!.measures).filter(
      ([, m]) => m.reason !== WHY.otherKind && m.reason !== WHY.otherView,
    );
    expect(found!.measures).toEqual(JSON.parse(JSON.stringify(Object.fromEntries(own))));
    expect(found!.events.filter((e) => e.foot === "").map((e) => e.name)).toContain("top");
    expect(found!.clip.kept).toBe(false);
  });

  it("that follow each other share a bout; after a pause a new one begins; read twice, a clip stays one rep", async () => {
    const db = await database();
    await saveReps(db, request("2026-11-24T10:02:00Z", "b.mp4"));
    await saveReps(db, request("2026-11-24T10:02:30Z", "b.mp4"));
    await saveReps(db, request("2026-11-24T15:30:00Z", "c.mp4"));
    const bouts = await listBouts(db, "g", 10);
    expect(bouts.map((b) => b.reps.length)).toEqual([1, 2]);
  });

  it("lose no numbers when a film's file is gone, and strangers among the files are put aside", async () => {
    const db = await database();
    const film = Buffer.from("a film");
    await putBlob("clips", sha(film), Readable.from([film]));
    const { ids } = await saveReps(db, {
      ...request("2026-11-24T16:00:00Z"),
      clip: { sha256: sha(film), name: "d.mp4", bytes: film.length },
    });
    expect((await findRep(db, "g", ids[0]!))!.clip.kept).toBe(true);
    rmSync(blobPath("clips", sha(film)));
    const stranger = Buffer.from("never acknowledged");
    await putBlob("tracks", sha(stranger), Readable.from([stranger]));
    expect(await healBlobs(db)).toMatchObject({ lostFilms: 1 });
    expect((await findRep(db, "g", ids[0]!))!.clip.kept).toBe(false);
    expect(await blobSize("tracks", sha(stranger))).toBeNull();
    expect(existsSync(path.join(dir, "lost", sha(stranger)))).toBe(true);
    expect(await blobSize("tracks", sha(bytes))).not.toBeNull();
  });

  it("that were told on the spot are kept by where they were told, once, and what was told beside what is computed", async () => {
    const db = await database();
    const boutId = "0b0e7c1e-6f1c-4a39-9a39-0d5f3f4c2a11";
    const { analysis } = await saveReps(db, request("2026-11-24T15:00:00Z", "told.mp4"));
    const about = middleMs(analysis.reps[0]!);
    const live = {
      result: "not judged" as const,
      cue: null,
      reason: { code: "tooClose", message: "Too close." },
    };
    const keep = async (...told: number[]) =>
      (
        await saveReps(db, {
          ...request("2026-11-24T15:00:00Z", "told.mp4"),
          boutId,
          told: told.map((a) => ({ ...live, about: a })),
        })
      ).ids;
    // Sent twice it replaces itself; a rep that was told elsewhere in the track is not this one.
    await keep(about + 90);
    const [id] = await keep(about - 90, about + 2000);
    const inBout = await db.select().from(rep).where(eq(rep.boutId, boutId));
    expect(inBout.map((r) => r.id)).toEqual([id]);
    const said = await db.select().from(verdict).where(eq(verdict.repId, id!));
    expect(said.map((v) => [v.by, v.result]).sort()).toEqual([
      ["computed", "pass"],
      ["live", "not judged"],
    ]);
    // All of them were taken back.
    expect(await keep()).toEqual([]);
  });

  it("that looked like something else are judged once the golfer says so, and open again without that", async () => {
    const db = await database();
    const {
      ids: [id],
      analysis,
    } = await saveReps(db, {
      ...request("2026-11-24T21:30:00Z", "other-hand.mp4"),
      as: { hand: "left", statureCm: 170 },
      boutId: randomUUID(),
    });
    const said = async (list: Correction[]) => {
      await correctRep(db, "g", id!, list);
      const { result, reason } = (await findRep(db, "g", id!))!.verdict!;
      return [result, reason?.code];
    };
    expect(analysis.reps[0]!.verdict!.reason!.code).toBe("otherHand");
    const anyway: Correction = { id: randomUUID(), kind: "asDrill", was: false, now: true };
    const hand: Correction = {
      id: randomUUID(),
      kind: "golfer",
      was: { hand: "left", statureCm: 170 },
      now: { hand: "right", statureCm: 170 },
    };
    expect((await said([hand]))[0]).toBe("pass");
    expect(await said([])).toEqual(["not judged", "otherHand"]);
    expect((await said([anyway]))[1]).not.toBe("otherHand");
    expect(await said([])).toEqual(["not judged", "otherHand"]);
  });

  it("keep what the golfer corrects beside what was computed, count by the golfer's verdict, and are as before when that is undone", async () => {
    const db = await database();
    const {
      ids: [id],
    } = await saveReps(db, request("2026-11-24T21:00:00Z", "corrected.mp4"));
    const first = (await findRep(db, "g", id!))!;
    const top = first.events.find((e) => e.name === "top")!;
    const landing = first.events.find((e) => e.name === "landing" && e.foot === "lead")!;
    const late: Correction = {
      id: randomUUID(),
      kind: "foot",
      foot: "lead",
      event: "landing",
      was: landing.t,
      u: landing.u,
      now: top.t + 150,
    };
    await correctRep(db, "g", id!, [late]);
    const corrected = (await findRep(db, "g", id!))!;
    expect([
      first.verdict!.result,
      corrected.verdict!.result,
      corrected.uncorrected!.result,
    ]).toEqual(["pass", "fail", "pass"]);
    expect(
      corrected.events.filter((e) => e.by === "golfer").map((e) => [e.name, e.foot, e.t]),
    ).toEqual([["landing", "lead", top.t + 150]]);
    expect(corrected.measures.leadLandBeforeTop!.value).toBeLessThan(
      first.measures.leadLandBeforeTop!.value!,
    );
    const over: Correction = {
      id: randomUUID(),
      kind: "verdict",
      was: "fail",
      now: "pass",
      reason: "The shoe hid the landing.",
    };
    await correctRep(db, "g", id!, [late, over]);
    const counted = async () => [
      (await listBouts(db, "g", 20)).flatMap((b) => b.reps).find((r) => r.id === id)!.result,
      (await stageReps(db, "g", [DRILLS.find((d) => d.id === "double-step")!]))
        .get("double-step")!
        .filter((r) => r.result === "pass").length,
    ];
    const [result, passes] = await counted();
    expect(result).toBe("pass");
    await correctRep(db, "g", id!, [late]);
    expect(await counted()).toEqual(["fail", Number(passes) - 1]);
    // With another stature all lengths are others; undone, all is as it was, and the record has
    // what was undone.
    const taller: Correction = {
      id: randomUUID(),
      kind: "golfer",
      was: { hand: "right", statureCm: 170 },
      now: { hand: "right", statureCm: 187 },
    };
    await correctRep(db, "g", id!, [taller]);
    expect(
      (await findRep(db, "g", id!))!.measures.footGapAddress!.value! /
        first.measures.footGapAddress!.value!,
    ).toBeCloseTo(1.1, 1);
    await correctRep(db, "g", id!, []);
    expect(await findRep(db, "g", id!)).toEqual(first);
    const record = await db.select().from(correction).where(eq(correction.repId, id!));
    expect(record.map((c) => [c.what.kind, c.undoneAt !== null])).toEqual([
      ["foot", true],
      ["verdict", true],
      ["golfer", true],
    ]);
    await expect(correctRep(db, "somebody else", id!, [])).rejects.toThrow(NoSuchRepError);
    await expect(
      correctRep(db, "g", id!, [
        {
          id: randomUUID(),
          kind: "split",
          was: { from: first.from, to: first.to },
          now: { from: 0, to: 300 },
        },
      ]),
    ).rejects.toThrow(RangeError);
    expect(await findRep(db, "g", id!)).toEqual(first);
  });

  it("stay the same reps with what was corrected when their clip is read again; at another speed they are others", async () => {
    const db = await database();
    const again = () => saveReps(db, request("2026-11-24T22:30:00Z", "again.mp4"));
    const { ids } = await again();
    const id = ids[0]!;
    const first = (await findRep(db, "g", id))!;
    const top = first.events.find((e) => e.name === "top")!;
    const landing = first.events.find((e) => e.name === "landing" && e.foot === "lead")!;
    const late: Correction = {
      id: randomUUID(),
      kind: "foot",
      foot: "lead",
      event: "landing",
      was: landing.t,
      u: landing.u,
      now: top.t + 150,
    };
    const over: Correction = {
      id: randomUUID(),
      kind: "verdict",
      was: "fail",
      now: "pass",
      reason: "The shoe hid the landing.",
    };
    await correctRep(db, "g", id, [late, over]);
    const corrected = await findRep(db, "g", id);
    expect((await again()).ids).toEqual(ids);
    expect(await findRep(db, "g", id)).toEqual(corrected);
    // An event that can't be there any more is undone and stays in the record.
    await db
      .update(correction)
      .set({ what: { ...late, now: landing.t - 60_000 } })
      .where(eq(correction.id, late.id));
    await again();
    expect(await findRep(db, "g", id)).toEqual(first);
    expect(
      (await db.select().from(correction).where(eq(correction.repId, id))).every(
        (c) => c.undoneAt !== null,
      ),
    ).toBe(true);
    const { ids: slow } = await saveReps(db, {
      ...request("2026-11-24T22:31:00Z", "again.mp4"),
      captureFps: 120,
    });
    expect(slow.some((one) => ids.includes(one))).toBe(false);
    expect(await findRep(db, "g", id)).toBeNull();
  });
});

it("a kill at any moment loses no acknowledged rep", async () => {
  await freshStore();
  await closeDatabase();
  const acked: string[] = [];
  for (const after of someOf([3, 1], 2)) {
    const child = fork("bin/run.mjs", ["tests/unit/writeReps.ts"], {
      env: process.env,
    });
    const now: string[] = [];
    await new Promise<void>((resolve) => {
      child.on("message", (id: string) => {
        now.push(id);
        if (now.length === after) child.kill("SIGKILL");
      });
      child.on("exit", () => resolve());
    });
    expect(now.length).toBeGreaterThanOrEqual(after);
    acked.push(...now);
  }
  const db = await database();
  const kept = new Set((await db.select({ id: rep.id }).from(rep)).map((r) => r.id));
  expect(acked.filter((id) => !kept.has(id))).toEqual([]);
  expect((await db.select().from(clip)).length).toBeGreaterThan(0);
});
