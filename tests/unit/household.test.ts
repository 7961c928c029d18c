import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { Readable } from "node:stream";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import { DRILLS } from "@/core/drills";
import { putBlob } from "@/server/blobs/blobs";
import type { Db } from "@/server/db/open";
import { bout, golfer, session } from "@/server/db/schema";
import {
  chooseGolfer,
  currentGolfer,
  keepOfGolfer,
  listGolfers,
  sampleGolfer,
  saveGolfer,
} from "@/server/golfers/golfers";
import { ownProfile } from "@/server/golfers/ownProfile";
import { ownBlob, ownBout } from "@/server/golfers/whose";
import { addCountedBout, countedBout } from "@/server/practice/addBout";
import { binBout } from "@/server/practice/bin";
import { boutRow, findBoutRow, keepBoutRow } from "@/server/practice/boutRow";
import { countsOf } from "@/server/practice/counts";
import { dayDone } from "@/server/practice/dayDone";
import { bestRep } from "@/server/reps/best";
import { checkClock } from "@/server/reps/checkClock";
import { lastDrill, ownSwings, repsOfDrill } from "@/server/reps/ownSwings";
import { saveReps } from "@/server/reps/saveReps";
import { UserError } from "@/server/userError";
import { endStores, freshStore } from "./freshStore";

/** The browser's cookies. */
const jar = vi.hoisted(() => new Map<string, string>());
vi.mock("next/headers", () => ({
  cookies: () =>
    Promise.resolve({
      get: (name: string) => (jar.has(name) ? { value: jar.get(name) } : undefined),
      set: (name: string, value: string) => jar.set(name, value),
    }),
}));

const sha = (b: Uint8Array | string) => createHash("sha256").update(b).digest("hex");
const ANSWERS = { hand: "right", statureCm: 170, units: "cm", keepFilm: true } as const;
let db: Db;
let [wren, sorrel] = ["", ""];

async function films(golferId: string, name: string, at: string, kept = false): Promise<string> {
  const track = readFileSync(`demo/tracks/double-step-${name}.track`);
  await putBlob("tracks", sha(track), Readable.from([track]));
  const film = Buffer.from(`film ${golferId} ${name} ${at}`);
  if (kept) await putBlob("clips", sha(film), Readable.from([film]));
  const { ids } = await saveReps(db, {
    golferId,
    clip: { sha256: sha(film), name: `${name}.mp4`, bytes: film.length },
    trackSha256: sha(track),
    drill: "double-step",
    // One track for golfers of either hand.
    sure: true,
    at: new Date(at),
  });
  return ids[0]!;
}
const counted = (golferId: string, at: string, more: object = {}) =>
  addCountedBout(
    db,
    golferId,
    countedBout.parse({
      drillId: "feet-together",
      stageId: DRILLS.find((d) => d.id === "feet-together")!.stages[0]!.id,
      at,
      place: "hall",
      done: 10,
      passed: null,
      note: null,
      ...more,
    }),
  );

beforeAll(async () => {
  ({ db } = await freshStore());
});
afterAll(endStores);

describe("who practises in this browser", () => {
  it("is nobody, then the first, then whoever is chosen, as long as they are there", async () => {
    expect(await currentGolfer(db)).toBeNull();
    wren = await saveGolfer(db, null, { ...ANSWERS, name: "Wren Halloway" });
    sorrel = await saveGolfer(db, null, { ...ANSWERS, name: "Sorrel Finch", hand: "left" });
    expect((await currentGolfer(db))!.id).toBe(wren);
    await chooseGolfer(sorrel);
    expect((await currentGolfer(db))!.name).toBe("Sorrel Finch");
    await chooseGolfer("somebody who left");
    expect((await currentGolfer(db))!.id).toBe(wren);
  });

  it("is changed without becoming somebody else", async () => {
    expect(await saveGolfer(db, wren, { ...ANSWERS, name: "Wren H.", statureCm: 171 })).toBe(wren);
    expect((await listGolfers(db)).map((g) => [g.name, g.statureCm, g.hand])).toEqual([
      ["Wren H.", 171, "right"],
      ["Sorrel Finch", 170, "left"],
    ]);
  });

  it("may be the made-up golfer, of whom there is one", async () => {
    const inka = await sampleGolfer(db);
    expect(await sampleGolfer(db)).toBe(inka);
    expect((await listGolfers(db)).filter((g) => g.sample)).toHaveLength(1);
    await db.delete(golfer).where(eq(golfer.id, inka));
  });

  it("keeps what is said at the same time from two pages", async () => {
    await Promise.all(
      ["a", "b", "c", "d"].map((drill) =>
        keepOfGolfer(db, wren, ({ cautionsRead }) => ({
          cautionsRead: { ...cautionsRead, [drill]: "2026-11-20" },
        })),
      ),
    );
    const [me] = (await listGolfers(db)).filter((g) => g.id === wren);
    expect(Object.keys(me!.cautionsRead).sort()).toEqual(["a", "b", "c", "d"]);
    await expect(keepOfGolfer(db, "gone", () => ({ goals: [] }))).resolves.toBeUndefined();
  });
});

describe("what each of them did", () => {
  it("is one session within three hours, and one's own only", async () => {
    const first = await counted(wren, "2026-11-20T10:00:00Z");
    await counted(wren, "2026-11-20T12:30:00Z", { passed: 4 });
    await counted(wren, "2026-11-20T16:00:00Z");
    await counted(sorrel, "2026-11-20T10:30:00Z");
    // Kept late, done before: the session begins earlier.
    await counted(wren, "2026-11-20T09:00:00Z");
    const sessions = await db.select().from(session).where(eq(session.golferId, wren));
    expect(sessions.map((s) => s.startedAt.toISOString()).sort()).toEqual([
      "2026-11-20T09:00:00.000Z",
      "2026-11-20T16:00:00.000Z",
    ]);
    expect(await ownBout(db, wren, first)).toMatchObject({ id: first, done: 10, byHand: true });
    await expect(ownBout(db, sorrel, first)).rejects.toThrow(UserError);
    expect(await ownBout(db, wren, "no id")).toBeNull();
  });

  it("of a day is there in order; what was counted by hand was not judged", async () => {
    const day = await dayDone(db, wren, "2026-11-20");
    expect(day.map((b) => b.done)).toEqual([10, 10, 10, 10]);
    expect(day[1]!.results).toEqual(Array(10).fill(null));
    expect(await dayDone(db, wren, "2026-11-21")).toEqual([]);
    expect(await dayDone(db, sorrel, "2026-11-20")).toHaveLength(1);
  });

  it("is refused where it can't have been so", () => {
    const can = (more: object) =>
      countedBout.safeParse({
        drillId: "feet-together",
        stageId: "s",
        at: "2026-11-20T10:00:00Z",
        place: null,
        done: 10,
        passed: null,
        note: null,
        ...more,
      });
    expect(can({}).success).toBe(true);
    expect(can({ passed: 11 }).error!.issues[0]!.message).toBe("No more can pass than were done.");
    const tomorrow = new Date(Date.now() + 86_400_000).toISOString();
    expect(can({ at: tomorrow }).error!.issues[0]!.message).toBe("That is still to come.");
    for (const wrong of [{ done: 0 }, { done: 2.5 }, { passed: -1 }, { note: "\u0000" }])
      expect(can(wrong).success, JSON.stringify(wrong)).toBe(false);
  });

  it("of a stage that is none is refused, and nothing is kept", async () => {
    const before = await countsOf(db, wren);
    await expect(counted(wren, "2026-11-21T10:00:00Z", { stageId: "none" })).rejects.toThrow(
      RangeError,
    );
    await expect(counted(wren, "2026-11-21T10:00:00Z", { drillId: "none" })).rejects.toThrow(
      "no such drill",
    );
    expect(await countsOf(db, wren)).toEqual(before);
  });

  it("has a row beside it that is one's own to write", async () => {
    const [mine] = await db.select().from(bout).where(eq(bout.golferId, wren));
    const written = boutRow.parse({
      place: " Towpath Nine ",
      weather: "",
      sessionNote: "felt quick",
      club: "iron",
      ball: null,
      note: "two\nlines",
      tags: ["windy"],
      feltShare: 70,
      touched: 0,
      flight: { strike: "thin", carryM: 120 },
    });
    expect([written.place, written.weather]).toEqual(["Towpath Nine", null]);
    await keepBoutRow(db, wren, mine!.id, written);
    expect(await findBoutRow(db, wren, mine!.id)).toEqual(written);
    await expect(keepBoutRow(db, sorrel, mine!.id, written)).rejects.toThrow(RangeError);
    expect(await findBoutRow(db, sorrel, mine!.id)).toBeNull();
    for (const wrong of [{ feltShare: 101 }, { tags: ["a\nb"] }, { flight: { carryM: -1 } }])
      expect(boutRow.safeParse({ ...written, ...wrong }).success).toBe(false);
  });
});

describe("reps of two golfers", () => {
  let [late, good, hers] = ["", "", ""];

  it("are found by whose they are, the latest first", async () => {
    late = await films(wren, "lead-late", "2026-11-22T10:00:00Z", true);
    good = await films(wren, "good", "2026-11-22T10:05:00Z");
    hers = await films(sorrel, "good", "2026-11-22T10:06:00Z", true);
    const ids = async (who: string) =>
      (await repsOfDrill(db, who, "double-step", 10)).map((r) => r.id);
    expect(await ids(wren)).toEqual([good, late]);
    expect(await ids(sorrel)).toEqual([hers]);
    const [first] = await repsOfDrill(db, wren, "double-step", 1);
    expect(first!.measures.pelvisSway).toMatchObject({ state: "measured", unit: "cm" });
  });

  it("have a best one among those that passed, another than the one that is looked at", async () => {
    const best = (who: string, not?: string) => bestRep(db, who, "double-step", "whole-fo", not);
    expect(await best(wren)).toBe(good);
    expect(await best(wren, good)).toBeNull();
    expect(await best(wren, hers)).toBe(good);
    expect(await bestRep(db, wren, "double-step", "another stage")).toBeNull();
  });

  it("have films and tracks that the other one is not given", async () => {
    const of = async (who: string, name: string, at: string) =>
      ownBlob(db, wren, "clips", sha(Buffer.from(`film ${who} ${name} ${at}`)));
    expect(await of(wren, "lead-late", "2026-11-22T10:00:00Z")).toMatchObject({
      bytes: expect.any(Number) as number,
    });
    expect(await of(sorrel, "good", "2026-11-22T10:06:00Z")).toBeNull();
    const track = sha(readFileSync("demo/tracks/double-step-lead-late.track"));
    expect(await ownBlob(db, wren, "tracks", track)).toEqual({ bytes: null });
    expect(await ownBlob(db, sorrel, "tracks", track)).toBeNull();
  });

  it("are counted apart, also once some lie in the bin", async () => {
    const before = await countsOf(db, wren);
    expect(before).toMatchObject({ reps: 42, binned: 0, films: 1 });
    const [filmed] = await db
      .select()
      .from(bout)
      .where(eq(bout.drillId, "double-step"))
      .orderBy(bout.startedAt);
    await binBout(db, wren, filmed!.id, true);
    const after = await countsOf(db, wren);
    expect(after.binned).toBe(before.reps - after.reps);
    expect(after.bouts).toBe(before.bouts - 1);
    expect((await countsOf(db, sorrel)).binned).toBe(0);
    expect(await lastDrill(db, wren)).toBe("feet-together");
    expect(await lastDrill(db, sorrel)).toBe("double-step");
    await binBout(db, wren, filmed!.id, false);
    expect(await countsOf(db, wren)).toEqual(before);
  });

  it("make no profile: those are not normal swings", async () => {
    const [me] = (await listGolfers(db)).filter((g) => g.id === wren);
    expect(await ownSwings(db, wren)).toEqual([]);
    expect((await ownProfile(db, me!)).profile).toBeNull();
  });
});

describe("a clock that is wrong", () => {
  it("is told which one it is", async () => {
    const now = new Date();
    const day = 86_400_000;
    const check = (atMs: number, nowMs = now.getTime()) =>
      checkClock(db, wren, new Date(atMs), new Date(nowMs));
    await expect(check(now.getTime() + 30_000)).resolves.toBeUndefined();
    await expect(check(now.getTime() + 90_000)).rejects.toThrow("ahead of the computer");
    await expect(check(now.getTime() - 3 * day)).rejects.toThrow("This device’s clock said");
    await expect(check(now.getTime(), now.getTime() - 400 * day)).rejects.toThrow(
      "This computer’s clock says",
    );
  });
});
