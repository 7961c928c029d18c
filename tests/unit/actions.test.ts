import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { Readable } from "node:stream";
import { eq } from "drizzle-orm";
import fc from "fast-check";
import { afterAll, beforeAll, expect, it, vi } from "vitest";
import * as dataActions from "@/app/dataActions";
import * as drillActions from "@/app/drillActions";
import * as golferActions from "@/app/golferActions";
import * as logActions from "@/app/logActions";
import * as planActions from "@/app/planActions";
import { DRILLS, findStage } from "@/core/drills";
import { fileOf } from "@/core/formats/drillFile";
import { TAKEN_WEEK } from "@/core/practice/plan/week";
import { blobSize, putBlob } from "@/server/blobs/blobs";
import { listStanding } from "@/server/store/standing";
import type { Db } from "@/server/db/open";
import { bout, golfer, ownDrill, plan, rep, session } from "@/server/db/schema";
import { addOwn } from "@/server/drills/ownDrills";
import { addCountedBout } from "@/server/practice/addBout";
import { logChoices, logPage } from "@/server/practice/log";
import { localDay } from "@/server/practice/localDay";
import { progressOf } from "@/server/practice/progressOf";
import { dueFor, keepWeek, mondayOf, planAgain, plannedWeek } from "@/server/practice/week";
import { findRep } from "@/server/reps/queries";
import { saveReps } from "@/server/reps/saveReps";
import { endStores, freshStore } from "./freshStore";

let chosen = "wren";
/** What the browser says of where a call comes from. */
let from: Record<string, string> = {};
vi.mock("next/headers", () => ({
  headers: async () => new Headers(from),
  cookies: async () => ({ get: () => ({ value: chosen }), set: () => {} }),
}));
vi.mock("next/cache", () => ({ revalidatePath: () => {} }));
vi.mock("next/server", () => ({ connection: async () => {} }));
/** Where an action led on to. */
class Led extends Error {}
vi.mock("next/navigation", () => ({
  redirect: (to: string) => {
    throw new Led(to);
  },
  notFound: () => {
    throw new Led("404");
  },
}));

type Action = (...args: never[]) => Promise<unknown>;
const ACTIONS = Object.entries({
  ...dataActions,
  ...drillActions,
  ...golferActions,
  ...logActions,
  ...planActions,
}) as [string, Action][];

let db: Db;
let dir: string;
const own = { bout: "", rep: "", drill: "" };
const theirs = { bout: "", rep: "", drill: "" };
const sha = (b: Uint8Array | string) => createHash("sha256").update(b).digest("hex");
const row = {
  place: "Towpath Nine",
  weather: null,
  sessionNote: null,
  club: "7 iron",
  ball: null,
  note: "calm",
  tags: ["a"],
  feltShare: 60,
  touched: null,
  flight: null,
};

/** A golfer who has filmed, counted, planned and made a drill. */
async function practised(id: string, of: typeof own): Promise<void> {
  const track = readFileSync("demo/tracks/double-step-good.track");
  await putBlob("tracks", sha(track), Readable.from([track]));
  [of.rep] = (
    await saveReps(db, {
      golferId: id,
      clip: { sha256: sha(`film of ${id}`), name: "a.mp4", bytes: 1 },
      trackSha256: sha(track),
      drill: "double-step",
      at: new Date(Date.now() - 3600_000),
    })
  ).ids as [string];
  of.bout = (
    await db.select({ boutId: rep.boutId }).from(rep).where(eq(rep.id, of.rep))
  )[0]!.boutId;
  of.drill = await addOwn(db, id, {
    ...fileOf(DRILLS.find((d) => d.id === "double-step")!),
    name: `Step of ${id}`,
  });
  await addCountedBout(db, id, {
    drillId: "ball-toss",
    stageId: DRILLS.find((d) => d.id === "ball-toss")!.stages[0]!.id,
    at: new Date(),
    place: null,
    done: 8,
    passed: 5,
    note: null,
  });
  const [who] = await db.select().from(golfer).where(eq(golfer.id, id));
  await planAgain(db, who!, mondayOf(localDay(new Date())), localDay(new Date()));
}

/** All that is one golfer's. */
const allOf = async (id: string) => ({
  who: await db.select().from(golfer).where(eq(golfer.id, id)),
  sessions: await db.select().from(session).where(eq(session.golferId, id)).orderBy(session.id),
  bouts: await db.select().from(bout).where(eq(bout.golferId, id)).orderBy(bout.id),
  drills: await db.select().from(ownDrill).where(eq(ownDrill.golferId, id)),
  plans: await db.select().from(plan).where(eq(plan.golferId, id)),
  rep: await findRep(db, "sorrel", theirs.rep),
});

beforeAll(async () => {
  ({ db, dir } = await freshStore());
  await db.insert(golfer).values([
    { id: "wren", name: "Wren Alder", hand: "right", statureCm: 170, units: "cm" },
    { id: "sorrel", name: "Sorrel Finch", hand: "right", statureCm: 182, units: "cm" },
  ]);
  await practised("wren", own);
  await practised("sorrel", theirs);
}, 120_000);
afterAll(endStores);

/** What a page sends, by action; in each call one thing of it may be something else. */
const sent = (): Record<string, unknown[]> => {
  const monday = mondayOf(localDay(new Date()));
  const b = {
    id: "x",
    day: monday,
    place: "home",
    drillId: "double-step",
    stageId: "whole-fo",
    sets: 2,
    reps: 8,
    minutes: 6,
    why: { kind: "chosen" },
    fixed: true,
    state: "planned",
  };
  const form = { name: "Wren Alder", hand: "right", statureCm: 170, units: "cm", keepFilm: true };
  const anybodys = {
    begin: [form],
    filmMe: [form],
    tryWithoutCamera: [],
    practiseAs: ["wren"],
    undo: ["2026-01-01-remove"],
    allIsWell: ["2026-01-01-remove"],
  };
  // Who practises when the page is made comes first, in what the page binds to its actions.
  return {
    ...anybodys,
    ...Object.fromEntries(
      Object.entries<unknown[]>({
        removeForGood: [],
        copyDrill: ["double-step"],
        takeInDrill: [JSON.stringify(fileOf(DRILLS[0]!))],
        keepDrill: [own.drill, fileOf(DRILLS[0]!)],
        backToVersion: [own.drill, 1],
        judgeDrillAgain: [own.drill, 1],
        binDrill: [own.drill, true],
        goOn: [
          "trail-foot-pivot",
          DRILLS.find((d) => d.id === "trail-foot-pivot")!.stages[0]!.id,
          true,
        ],
        changeGolfer: [form],
        cautionsRead: ["double-step"],
        chooseSide: ["trailFoot", null],
        keepReach: [178],
        keepStance: [null],
        keepRow: [own.bout, row],
        addBout: [
          {
            drillId: "double-step",
            stageId: "whole-fo",
            at: new Date().toISOString(),
            place: null,
            done: 8,
            passed: 3,
            note: null,
          },
        ],
        bin: ["rep", own.rep, true],
        planTheWeek: [monday],
        keepPlan: [monday, [b]],
        keepPractice: [{ week: TAKEN_WEEK, goals: [], lacks: ["a rod"] }],
        keepSore: ["lower back"],
        sayBody: ["before", null],
      }).map(([name, args]) => [name, ["wren", ...args]]),
    ),
  };
};

/** The value with the leaf at a path (by share of the leaves) put in its place. */
function withLeaf(value: unknown, at: number, leaf: unknown): unknown {
  const paths: (string | number)[][] = [];
  const walk = (v: unknown, path: (string | number)[]) => {
    paths.push(path);
    if (typeof v === "object" && v !== null)
      for (const [k, x] of Object.entries(v)) walk(x, [...path, k]);
  };
  walk(value, []);
  const path = paths[Math.floor(at * paths.length)]!;
  if (!path.length) return value;
  const out = structuredClone(value) as Record<string, unknown>;
  let o = out;
  for (const k of path.slice(0, -1)) o = o[k] as Record<string, unknown>;
  o[path.at(-1)] = leaf;
  return out;
}

it("whatever one golfer’s page sends, nothing of another’s changes, and their own pages can still be shown", async () => {
  const before = await allOf("sorrel");
  const valid = sent();
  expect(Object.keys(valid).sort()).toEqual(ACTIONS.map(([name]) => name).sort());
  const odd = fc.oneof(
    fc.constantFrom<unknown>(
      theirs.bout,
      theirs.rep,
      theirs.drill,
      "sorrel",
      own.bout,
      own.rep,
      own.drill,
      null,
      undefined,
      true,
      -1,
      0,
      1e9,
      Number.NaN,
      "",
      "\u0000",
      "2026-13-45",
      "9999-12-31",
      "x".repeat(10_000),
      [],
      {},
      { kind: "swing" },
      "__proto__",
    ),
    fc.jsonValue({ maxDepth: 2 }),
  );
  const call = fc.record({
    which: fc.nat(ACTIONS.length - 1),
    at: fc.double({ min: 0, max: 0.999, noNaN: true }),
    leaf: odd,
    as: fc.boolean(),
  });
  let done = 0;
  await fc.assert(
    fc.asyncProperty(call, async ({ which, at, leaf, as }) => {
      const [name, act] = ACTIONS[which]!;
      // The golfer themselves is removed at the end.
      if (name === "removeForGood") return;
      const args = as ? valid[name]! : (withLeaf(valid[name]!, at, leaf) as unknown[]);
      // Somebody else can be practised as, and new golfers begun: that changes who is there, not
      // what is theirs.
      await act(...(args as never[])).then(
        () => done++,
        (e: unknown) => expect(e).toBeInstanceOf(Error),
      );
      chosen = "wren";
    }),
    { numRuns: 500, seed: 31 },
  );
  expect(done).toBeGreaterThan(60);
  expect(await allOf("sorrel")).toEqual(before);
  const [wren] = await db.select().from(golfer).where(eq(golfer.id, "wren"));
  const today = localDay(new Date());
  for (const monday of [mondayOf(today), "2200-01-06"]) await plannedWeek(db, wren!, monday, today);
  expect((await dueFor(db, wren!)).length).toBeGreaterThan(0);
  expect((await logPage(db, "wren", {}, 50)).length).toBeGreaterThan(0);
  await logChoices(db, "wren");
  const { drill, stage } = findStage("double-step");
  await progressOf(db, wren!, drill, stage, today);
});

it("a page that was made for one golfer keeps nothing once another one is chosen, in any action", async () => {
  const rows = async () => [
    await allOf("sorrel"),
    await db.select().from(golfer).where(eq(golfer.id, "wren")),
  ];
  const before = await rows();
  const valid = sent();
  chosen = "sorrel";
  for (const [name, act] of ACTIONS) {
    if (valid[name]![0] !== "wren" || name === "practiseAs") continue;
    await expect(act(...(valid[name] as never[])), name).rejects.toThrow(
      "Sorrel Finch practises here now. Load the page again.",
    );
  }
  chosen = "wren";
  expect(await rows()).toEqual(before);
});

it("another page gets nothing done by any action", async () => {
  const rows = async () => [
    await allOf("sorrel"),
    await allOf("wren"),
    (await db.select().from(golfer)).length,
  ];
  const before = await rows();
  const valid = sent();
  for (from of [
    { "sec-fetch-site": "cross-site" },
    { "sec-fetch-site": "same-site" },
    { "sec-fetch-site": "none" },
    { origin: "http://evil.example", host: "127.0.0.1:3000" },
    { origin: "null", host: "127.0.0.1:3000" },
  ] as Record<string, string>[])
    for (const [name, act] of ACTIONS)
      await expect(act(...(valid[name] as never[])), name).rejects.toThrow(
        "Another page asked for this.",
      );
  from = {};
  expect(await rows()).toEqual(before);
});

it("a golfer who is removed is gone alone, and is back with all that is theirs when that is undone", async () => {
  const before = await allOf("sorrel");
  const mine = await allOf("wren");
  const film = sha("film of wren");
  await putBlob("clips", film, Readable.from(["film of wren"]));
  await expect(dataActions.removeForGood("wren")).rejects.toThrow(Led);
  expect(await allOf("sorrel")).toEqual(before);
  expect(await db.select().from(golfer).where(eq(golfer.id, "wren"))).toEqual([]);
  const removed = listStanding(dir)[0]!;
  expect(removed.words).toBe("Wren Alder was removed.");
  await dataActions.undo(removed.id);
  expect(await allOf("wren")).toEqual(mine);
  expect(await blobSize("clips", film)).toBe(12);
  for (const s of listStanding(dir)) await dataActions.allIsWell(s.id);

  await expect(dataActions.removeForGood("wren")).rejects.toThrow(Led);
  expect(await blobSize("clips", film)).toBe(12);
  await dataActions.allIsWell(listStanding(dir)[0]!.id);
  expect(await blobSize("clips", film)).toBeNull();
  expect(listStanding(dir)).toEqual([]);
  expect(await db.select().from(golfer).where(eq(golfer.id, "wren"))).toEqual([]);
  expect(await db.select().from(bout).where(eq(bout.golferId, "wren"))).toEqual([]);
  expect(await allOf("sorrel")).toEqual(before);
  await keepWeek(db, "sorrel", mondayOf(localDay(new Date())), []);
});
