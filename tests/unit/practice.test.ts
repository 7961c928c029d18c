import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { Readable } from "node:stream";
import Papa from "papaparse";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { measuresCsv } from "@/core/formats/measuresCsv";
import { progressCsv } from "@/core/formats/progressCsv";
import { DRILLS } from "@/core/drills";
import { ladder } from "@/core/practice/ladder";
import type { MeasuredRep } from "@/core/formats/measuresCsv";
import { blobSize, putBlob } from "@/server/blobs/blobs";
import { database, type Db } from "@/server/db/open";
import { bout, golfer, plan, rep, session } from "@/server/db/schema";
import { addCountedBout } from "@/server/practice/addBout";
import { BIN_DAYS, binBout, binRep, emptyBin } from "@/server/practice/bin";
import { keepBoutRow } from "@/server/practice/boutRow";
import { dataDir } from "@/server/dataDir";
import { letGo } from "@/server/store/replace";
import { listStanding } from "@/server/store/standing";
import { removeBinnedForGood, removeGolfer } from "@/server/practice/forGood";
import { logChoices, logPage } from "@/server/practice/log";
import { measuredReps } from "@/server/practice/measuredReps";
import { boutDots, boutMiddles, middlesByDay } from "@/server/practice/progress";
import { progressOf } from "@/server/practice/progressOf";
import { localDay } from "@/server/practice/localDay";
import { dueFor, keepWeek, mondayOf, planAgain, plannedWeek, weekOf } from "@/server/practice/week";
import { saveReps } from "@/server/reps/saveReps";
import { stageReps } from "@/server/reps/stageReps";
import { endStores, freshStore } from "./freshStore";

const sha = (b: Uint8Array | string) => createHash("sha256").update(b).digest("hex");
const CLIPS = ["good", "lead-late", "hands-first", "too-big"] as const;
const drill = DRILLS.find((d) => d.id === "double-step")!;
const stage = drill.stages.find((s) => s.id === "whole-fo")!;
let db: Db;

beforeAll(async () => {
  ({ db } = await freshStore());
  await db
    .insert(golfer)
    .values({ id: "g", name: "Wren Halloway", hand: "right", statureCm: 170, units: "cm" });
  for (const [k, at] of ["2026-11-20T10:00:00Z", "2026-11-22T10:00:00Z"].entries())
    for (const [i, name] of CLIPS.entries()) {
      const track = readFileSync(`demo/tracks/double-step-${name}.track`);
      await putBlob("tracks", sha(track), Readable.from([track]));
      await saveReps(db, {
        golferId: "g",
        clip: { sha256: sha(`${k} ${name}`), name: `${name}.mp4`, bytes: 1 },
        trackSha256: sha(track),
        drill: drill.id,
        at: new Date(Date.parse(at) + 60_000 * i),
        place: k ? "carport net" : "Towpath Nine",
      });
    }
}, 120_000);
afterAll(endStores);

const bouts = () => db.select().from(bout).where(eq(bout.golferId, "g")).orderBy(bout.startedAt);

describe("a bout's own figures", () => {
  it("are its reps', and follow what is binned and taken out again", async () => {
    const [first] = await bouts();
    expect(first).toMatchObject({
      day: "2026-11-20",
      drillId: drill.id,
      done: 4,
      passed: 1,
      failed: 3,
      notJudged: 0,
    });
    const [good] = await db
      .select()
      .from(rep)
      .where(eq(rep.boutId, first!.id))
      .orderBy(rep.createdAt);
    await binRep(db, "g", good!.id, true);
    expect((await bouts())[0]).toMatchObject({ done: 3, passed: 0 });
    await binRep(db, "g", good!.id, false);
    expect((await bouts())[0]).toEqual(first);
    await expect(binRep(db, "somebody", good!.id, true)).rejects.toThrow(RangeError);
  });

  it("and every number of progress equal what a few lines make of the exported tables", async () => {
    const all: MeasuredRep[] = [];
    for await (const some of measuredReps(db, "g")) all.push(...some);
    const rows = Papa.parse<Record<string, string>>(measuresCsv(all), { header: true }).data;
    const quartile = (of: readonly number[], q: number) => {
      const x = [...of].sort((a, b) => a - b);
      const at = q * (x.length - 1);
      return x[Math.floor(at)]! + (at % 1) * ((x[Math.ceil(at)] ?? 0) - x[Math.floor(at)]!);
    };
    for (const measure of ["leadLandBeforeTop", "trailStepLength", "pelvisSway"]) {
      const told = await boutMiddles(db, "g", drill.id, stage.id, measure);
      expect(told).toHaveLength(2);
      expect((await middlesByDay(db, "g", drill.id, stage.id, [measure])).get(measure)).toEqual(
        told.map(({ day, middle }) => ({ day, middle })),
      );
      for (const t of told) {
        const own = rows
          .filter((r) => r.bout === t.boutId && r.measure === measure && r.state === "measured")
          .map((r) => Number(r.value));
        expect(t.n).toBe(own.length);
        for (const [name, q] of [
          ["low", 0.25],
          ["middle", 0.5],
          ["high", 0.75],
        ] as const)
          expect(t[name]).toBeCloseTo(quartile(own, q), 9);
      }
    }
    const shown = await progressOf(
      db,
      (await db.select().from(golfer))[0]!,
      drill,
      stage,
      "2026-11-23",
    );
    const table = Papa.parse<Record<string, string>>(
      progressCsv(await boutDots(db, "g", drill.id, stage.id, 100)),
      { header: true },
    ).data;
    for (const b of shown.bouts)
      for (const r of b.reps)
        for (const c of r.checks) {
          const line = table.find((t) => t.rep === r.id && t.check === c.id)!;
          expect([line.bout, line.value === "" ? null : Number(line.value), line.result]).toEqual([
            b.id,
            c.value,
            c.result,
          ]);
        }
    const passed = all.filter((r) => r.verdict!.result === "pass").length;
    expect(shown.last).toMatchObject({ judged: 8, passed, days: 2 });
    expect(shown.bouts.flatMap((b) => b.reps)).toHaveLength(all.length);
  });
});

describe("progress", () => {
  it("has what was felt, normal swings beside the drill, rates and the month as the exported tables have them", async () => {
    for (const [i, name] of ["five-swings-1", "five-swings-2"].entries()) {
      const track = readFileSync(`demo/tracks/${name}.track`);
      await putBlob("tracks", sha(track), Readable.from([track]));
      await saveReps(db, {
        golferId: "g",
        clip: { sha256: sha(name), name: `${name}.mp4`, bytes: 1 },
        trackSha256: sha(track),
        drill: "normal-swing",
        at: new Date(Date.parse("2026-11-22T10:20:00Z") + 60_000 * i),
      });
    }
    const counted = await addCountedBout(db, "g", {
      drillId: drill.id,
      stageId: stage.id,
      at: new Date("2026-11-22T10:40:00Z"),
      place: null,
      done: 9,
      passed: 9,
      note: null,
    });
    const own = await bouts();
    const felt = new Map([
      [own[0]!.id, 40],
      [own[1]!.id, 55],
    ]);
    for (const [id, feltShare] of felt)
      await db.update(bout).set({ feltShare }).where(eq(bout.id, id));
    const all: MeasuredRep[] = [];
    for await (const some of measuredReps(db, "g")) all.push(...some);
    const rows = Papa.parse<Record<string, string>>(measuresCsv(all), { header: true }).data.filter(
      (r) => r.state === "measured",
    );
    const middle = (x: number[]) => {
      const y = x.sort((a, b) => a - b);
      return (y[(y.length - 1) >> 1]! + y[y.length >> 1]!) / 2;
    };
    const shown = await progressOf(
      db,
      (await db.select().from(golfer))[0]!,
      drill,
      stage,
      "2026-11-23",
    );
    expect(shown.felt!.rows.map((r) => r.felt)).toEqual([40, 55]);
    const films = shown.felt!.rows.map(
      (r) =>
        100 -
        middle(
          rows
            .filter((c) => c.bout === r.id && c.measure === "trailSharePeak")
            .map((c) => Number(c.value)),
        ),
    );
    shown.felt!.rows.forEach((r, k) => expect(r.film).toBeCloseTo(films[k]!, 9));
    expect(shown.felt!.apart.middle).toBeCloseTo(middle([40 - films[0]!, 55 - films[1]!]), 9);
    expect(shown.normal.length).toBeGreaterThan(2);
    for (const n of shown.normal) {
      const row = rows.find((c) => c.rep === n.id && c.measure === n.measureId)!;
      expect([row.drill, Number(row.value), Number(row.u)]).toEqual(["normal-swing", n.value, n.u]);
    }
    const drilled = all.filter((r) => r.drill === drill.id);
    const passes = drilled.filter((r) => r.verdict!.result === "pass").length;
    // What was counted by hand was judged by nobody.
    expect(shown.transfer).toMatchObject({
      drill: { judged: drilled.length, passed: passes },
      swing: { judged: 2 },
    });
    expect(shown.month).toBeNull();
    const later = await progressOf(
      db,
      (await db.select().from(golfer))[0]!,
      drill,
      stage,
      "2026-12-21",
    );
    const [before, now] = ["2026-11-20", "2026-11-22"].map(
      (day) =>
        drilled.filter((r) => r.at.startsWith(day)).filter((r) => r.verdict!.result === "pass")
          .length,
    );
    expect([later.month!.before.passed, later.month!.now.passed]).toEqual([before, now]);
    await removeBinnedForGood(db, [counted, own[2]!.id], []);
    await db.update(bout).set({ feltShare: null });
  });
});

describe("the log", () => {
  it("finds by words, drill, place, club, tag, result and days, and leaves out what is not so", async () => {
    const [first] = await bouts();
    await keepBoutRow(db, "g", first!.id, {
      place: "Towpath Nine",
      weather: "wind from the canal",
      sessionNote: null,
      club: "iron",
      ball: "on a tee",
      note: "wet mat",
      tags: ["lesson"],
      feltShare: 40,
      touched: null,
      flight: { strike: "thin", carryM: 120 },
    });
    const found = async (filter: Parameters<typeof logPage>[2]) =>
      (await logPage(db, "g", filter, 20)).flatMap((s) => s.bouts.map((b) => b.id));
    for (const filter of [
      { text: "CANAL double" },
      { text: "wet" },
      { place: "Towpath Nine" },
      { club: "iron" },
      { tag: "lesson" },
      { to: "2026-11-21" },
    ])
      expect(await found(filter), JSON.stringify(filter)).toEqual([first!.id]);
    for (const filter of [
      { text: "canal rocker" },
      { text: "100%" },
      { tag: "les" },
      { from: "2026-11-23" },
      { result: "not judged" as const },
    ])
      expect(await found(filter), JSON.stringify(filter)).toEqual([]);
    expect(await found({ drillId: drill.id, result: "pass" })).toHaveLength(2);
    expect(await logChoices(db, "g")).toEqual({
      drills: [{ id: drill.id, name: drill.name }],
      places: ["Towpath Nine", "carport net"],
      clubs: ["iron"],
      tags: ["lesson"],
    });
    expect((await logPage(db, "g", {}, 1)).map((s) => s.place)).toEqual(["carport net"]);
    expect((await logPage(db, "g", {}, 1, 1)).map((s) => s.place)).toEqual(["Towpath Nine"]);
  });

  it("keeps what was counted without film, and opens no stage by it", async () => {
    const id = await addCountedBout(db, "g", {
      drillId: drill.id,
      stageId: stage.id,
      at: new Date("2026-11-22T10:30:00Z"),
      place: null,
      done: 12,
      passed: 12,
      note: null,
    });
    const [row] = await db.select().from(bout).where(eq(bout.id, id));
    expect(row).toMatchObject({ byHand: true, done: 12, passed: 12, failed: 0 });
    expect(await db.select().from(session)).toHaveLength(2);
    const shown = await progressOf(
      db,
      (await db.select().from(golfer))[0]!,
      drill,
      stage,
      "2026-11-23",
    );
    expect(shown.last.judged).toBe(8);
    const pivot = DRILLS.find((d) => d.id === "trail-foot-pivot")!;
    for (const at of ["2026-11-22T10:40:00Z", "2026-11-23T10:40:00Z"]) {
      expect(ladder(pivot, (await stageReps(db, "g", [pivot])).get(pivot.id) ?? [])[0]!.is).toBe(
        "here",
      );
      await addCountedBout(db, "g", {
        drillId: pivot.id,
        stageId: pivot.stages[0]!.id,
        at: new Date(at),
        place: null,
        done: pivot.dose.sets * pivot.dose.reps,
        passed: null,
        note: null,
      });
    }
    // A rehearsal is done by its dose, whoever counted.
    expect(ladder(pivot, (await stageReps(db, "g", [pivot])).get(pivot.id)!)[0]!.is).toBe("done");
    for (const b of await bouts())
      if (b.drillId === pivot.id) await removeBinnedForGood(db, [b.id], []);
    const [first] = await bouts();
    await binBout(db, "g", first!.id, true);
    expect(
      (await middlesByDay(db, "g", drill.id, stage.id, ["pelvisSway"]))
        .get("pelvisSway")!
        .map((m) => m.day),
    ).toEqual(["2026-11-22"]);
    await binBout(db, "g", first!.id, false);
    await binBout(db, "g", id, true);
    expect((await logPage(db, "g", {}, 20)).flatMap((s) => s.bouts)).toHaveLength(2);
  });
});

describe("a week", () => {
  it("is planned from what is noticed, keeps what was done and what the golfer put there, and fills the rest anew", async () => {
    const [me] = await db
      .update(golfer)
      .set({ goals: ["noDistance"] })
      .where(eq(golfer.id, "g"))
      .returning();
    const today = "2026-11-24";
    const monday = mondayOf(today);
    expect(monday).toBe("2026-11-23");
    expect((await dueFor(db, me!))[0]).toMatchObject({
      drill: { id: drill.id },
      why: { kind: "goesOn" },
      last: "2026-11-22",
    });
    const week = await planAgain(db, me!, monday, today);
    expect(week.bouts.length).toBeGreaterThan(3);
    expect(week.bouts.every((b) => b.day >= today && b.state === "planned")).toBe(true);
    expect(week.clashes).toEqual([]);
    const [put, out] = week.bouts;
    await keepWeek(
      db,
      "g",
      monday,
      week.bouts.map((b) =>
        b.id === put!.id
          ? { ...b, day: "2026-11-28", fixed: true }
          : b.id === out!.id
            ? { ...b, state: "skipped" }
            : b,
      ),
    );
    const again = await planAgain(db, me!, monday, today);
    expect(again.bouts).toContainEqual({ ...put!, day: "2026-11-28", fixed: true });
    expect(again.bouts).toContainEqual({ ...out!, state: "skipped" });
    const track = readFileSync("demo/tracks/double-step-good.track");
    await saveReps(db, {
      golferId: "g",
      clip: { sha256: sha("later"), name: "a.mp4", bytes: 1 },
      trackSha256: sha(track),
      drill: drill.id,
      at: new Date("2026-11-25T10:00:00Z"),
    });
    expect(
      (await weekOf(db, me!, monday, "2026-11-25")).bouts
        .filter((b) => b.day === "2026-11-25" && b.drillId === drill.id)
        .map((b) => b.state),
    ).toEqual(["done"]);
  });

  it("is shown without being kept, and kept as it was shown before the first bout is", async () => {
    const [me] = await db.select().from(golfer).where(eq(golfer.id, "g"));
    const today = localDay(new Date());
    const monday = mondayOf(today);
    const kept = () => db.$count(plan, eq(plan.monday, monday));
    const shown = await plannedWeek(db, me!, monday, today);
    expect(await kept()).toBe(0);
    const outside = DRILLS.find((d) => shown.bouts.every((b) => b.drillId !== d.id))!;
    await addCountedBout(db, "g", {
      drillId: outside.id,
      stageId: outside.stages[0]!.id,
      at: new Date(),
      place: null,
      done: 5,
      passed: null,
      note: null,
    });
    expect(await kept()).toBe(1);
    const bouts = (await weekOf(db, me!, monday, today)).bouts;
    expect(bouts.filter((b) => b.drillId !== outside.id)).toEqual(shown.bouts);
    expect(bouts.filter((b) => b.state === "done").map((b) => b.drillId)).toEqual([outside.id]);
  });
});

describe("for good", () => {
  it("what was in the bin for its time is gone with its files, and a golfer with all that is theirs", async () => {
    const [first, second] = await bouts();
    await binBout(db, "g", first!.id, true);
    await emptyBin(db, new Date(Date.now() + (BIN_DAYS - 1) * 86_400_000));
    expect((await bouts()).map((b) => b.id)).toContain(first!.id);
    await emptyBin(db, new Date(Date.now() + (BIN_DAYS + 1) * 86_400_000));
    expect((await bouts()).map((b) => b.id)).not.toContain(first!.id);
    const track = sha(readFileSync("demo/tracks/double-step-good.track"));
    // The other bout has reps of the same track.
    expect(await blobSize("tracks", track)).not.toBeNull();
    expect((await bouts()).map((b) => b.id)).toContain(second!.id);
    await removeGolfer(db, "g");
    // Until it is said that all is well.
    expect(await blobSize("tracks", track)).not.toBeNull();
    await letGo(listStanding(dataDir())[0]!.id);
    expect(await blobSize("tracks", track)).toBeNull();
    expect([
      ...(await db.select().from(golfer)),
      ...(await db.select().from(rep)),
      ...(await db.select().from(session)),
    ]).toEqual([]);
    expect(await database()).toBeDefined();
  });
});
