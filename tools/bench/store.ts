/**
 * How quickly log, filters, search, trends and planner answer over 50,000 reps with all their
 * measures: `npm run bench:store`. On PGlite in a directory of its own, or on the PostgreSQL server
 * that DATABASE_URL names (an empty database of it). Sessions, notes and values are made up by a
 * seeded generator; each rep has every measure of its view. With `--data DIR` what is made up stays
 * there, and is asked again the next time.
 */
import { randomUUID } from "node:crypto";
import { existsSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { parseArgs } from "node:util";
import { sql } from "drizzle-orm";
import { DRILLS, isJudged } from "../../src/core/drills";
import { seeded } from "../../src/core/maths/seeded";
import { quantile } from "../../src/core/maths/stats";
import { CATALOGUE, MEASURE_IDS } from "../../src/core/measures";
import { laterDay } from "../../src/core/practice/plan/week";
import { writeRows } from "../../src/server/backup/tables";
import type { Db } from "../../src/server/db/db";
import { closeDatabase, database } from "../../src/server/db/open";
import { rowsOf } from "../../src/server/db/rowsOf";
import { clip, golfer } from "../../src/server/db/schema";
import { keepDrillVersion } from "../../src/server/drills/ownDrills";
import { logChoices, logPage, type LogFilter } from "../../src/server/practice/log";
import { boutMiddles } from "../../src/server/practice/progress";
import { progressOf } from "../../src/server/practice/progressOf";
import { recount, reword } from "../../src/server/practice/recount";
import { dueFor, weekOf } from "../../src/server/practice/week";
import { listBouts } from "../../src/server/reps/bouts";
import { report } from "./report";

const [REPS, A_BOUT, BOUTS_A_SESSION, RUNS, FIRST] = [50_000, 8, 4, 40, "2022-01-03"];
/** Bouts whose own figures are brought up for their time. */
const RECOUNTED = 400;
const PLACES = ["Towpath Nine", "carport net", "village hall", "living room"];
const WORDS = [
  "wind",
  "wet mat",
  "new shoes",
  "tired",
  "quiet feet",
  "lead heel late",
  "light rain",
  "good rhythm",
  "sun low",
  "towel behind the ball",
];
const { data: keptIn } = parseArgs({ options: { data: { type: "string" } } }).values;
const dir = keptIn ?? mkdtempSync(path.join(os.tmpdir(), "kingfisher-store-"));
const filled = path.join(dir, "filled");
process.env.KINGFISHER_DATA = dir;

try {
  const db = await database();
  if (!existsSync(filled)) {
    await fill(db);
    writeFileSync(filled, "");
  }
  await ask(db);
} finally {
  await closeDatabase();
  if (keptIn === undefined) rmSync(dir, { recursive: true, force: true });
}

/** The judged drills with their main stage, and the version that bouts name. */
async function judgedStages(db: Db) {
  const drills = DRILLS.filter((d) => d.group !== "baseline");
  const stages = await Promise.all(
    drills.map(async (drill) => ({
      drill,
      version: await keepDrillVersion(db, drill),
      stage: drill.stages.find((s) => s.main && isJudged(s)),
    })),
  );
  return stages.flatMap((s) => (s.stage ? [{ ...s, stage: s.stage }] : []));
}

/** Makes up a golfer's years. */
async function fill(db: Db): Promise<void> {
  await db.insert(golfer).values({
    id: "g",
    name: "Wren Halloway",
    hand: "right",
    statureCm: 170,
    units: "cm",
    goals: ["noDistance", "sway"],
  });
  await db.insert(clip).values({ sha256: "0".repeat(64), name: "a.mp4", bytes: 1, kept: false });
  const stages = await judgedStages(db);
  const random = seeded(11);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random.uniform() * of.length)]!;
  const rows: Record<"session" | "bout" | "rep" | "measure" | "verdict", string[]> = {
    session: [],
    bout: [],
    rep: [],
    measure: [],
    verdict: [],
  };
  const [boutIds, sessionIds]: [string[], string[]] = [[], []];
  const put = (table: keyof typeof rows, row: object) => rows[table].push(JSON.stringify(row));
  const flush = async () => {
    for (const table of ["session", "bout", "rep", "measure", "verdict"] as const)
      await writeRows(db, table, rows[table].splice(0));
  };
  console.log(`${REPS} reps are made up`);
  for (let n = 0; n < REPS;) {
    const day = laterDay(FIRST, Math.floor((n / REPS) * 1700));
    const sessionId = randomUUID();
    sessionIds.push(sessionId);
    put("session", {
      id: sessionId,
      golfer_id: "g",
      started_at: `${day}T17:00:00Z`,
      place: pick(PLACES),
      weather: pick(["dry", "wind", "rain"]),
      note: random.uniform() < 0.3 ? pick(WORDS) : null,
    });
    for (let b = 0; b < BOUTS_A_SESSION; b++) {
      const [{ drill, version, stage }, id] = [pick(stages), randomUUID()];
      boutIds.push(id);
      put("bout", {
        id,
        session_id: sessionId,
        drill_version_id: version,
        stage_id: stage.id,
        started_at: `${day}T17:${10 * b}:00Z`,
        golfer_id: "g",
        drill_id: drill.id,
        day,
        club: pick(["iron", "driver", null]),
        note: `${pick(WORDS)}, ${pick(WORDS)}`,
        tags: random.uniform() < 0.2 ? [pick(["windy", "lesson"])] : [],
        felt_share: Math.round(40 + 20 * random.normal()),
        by_hand: false,
        done: 0,
        passed: 0,
        failed: 0,
        not_judged: 0,
        results: "",
        words: "",
      });
      const own = MEASURE_IDS.filter((m) => CATALOGUE[m].views.includes(stage.view));
      for (let r = 0; r < A_BOUT; r++, n++) {
        const repId = randomUUID();
        const passes = random.uniform() < 0.35 + (0.4 * n) / REPS;
        put("rep", {
          id: repId,
          bout_id: id,
          clip_sha256: "0".repeat(64),
          track_sha256: "0".repeat(64),
          index: n,
          kind: "swing",
          from_ms: 0,
          to_ms: 3000,
          hand: "right",
          stature_cm: 170,
          algorithm: "bench",
          problems: [],
          created_at: `${day}T17:${10 * b}:${10 + r}Z`,
        });
        for (const m of own)
          put("measure", {
            rep_id: repId,
            measure_id: m,
            value: Math.round(1000 * random.normal()) / 100,
            u: 1.5,
            unit: CATALOGUE[m].unit,
            state: "measured",
          });
        put("verdict", {
          rep_id: repId,
          by: "computed",
          result: passes ? "pass" : "fail",
          cue_id: passes ? null : stage.checks[0]!.id,
          cue_words: passes ? null : (stage.checks[0]!.below ?? stage.checks[0]!.above)?.cue,
          actions: [],
          checks: stage.checks.map((c) => ({
            id: c.id,
            measure: c.measure,
            band: c.band,
            level: c.level,
            must: c.level === "must",
            result: passes ? "pass" : "fail",
            value: random.normal(),
            u: 1.5,
          })),
        });
      }
    }
    if (n % 2000 < A_BOUT * BOUTS_A_SESSION) await flush();
  }
  await flush();
  for (const id of boutIds) await recount(db, id);
  for (const id of sessionIds) await reword(db, id);
  await db.execute(sql`analyze`);
}

/** Asks what the pages ask, and times the answers. */
async function ask(db: Db): Promise<void> {
  const me = (await db.select().from(golfer))[0]!;
  const stages = await judgedStages(db);
  const boutIds = rowsOf<{ id: string }>(
    await db.execute(sql`select id from bout order by id limit ${RECOUNTED}`),
  ).map((r) => r.id);
  const began = performance.now();
  for (const id of boutIds) await recount(db, id);
  const recountMs = (performance.now() - began) / boutIds.length;
  const measures = rowsOf<{ n: number }>(
    await db.execute(sql`select count(*)::int as n from measure`),
  )[0]!.n;

  console.log("they are kept, and asked for now");
  const p95 = async (does: (k: number) => Promise<unknown>): Promise<number> => {
    await does(0);
    const times: number[] = [];
    for (let k = 0; k < RUNS; k++) {
      const from = performance.now();
      await does(k);
      times.push(performance.now() - from);
    }
    return Math.round(quantile(times, 0.95) * 10) / 10;
  };
  const filters: LogFilter[] = [
    { drillId: "double-step", place: PLACES[0]!, result: "fail" },
    { tag: "lesson" },
    { club: "driver", from: "2024-03-01", to: "2024-04-01" },
    { result: "pass", from: "2026-01-01" },
  ];
  const find = (id: string) => stages.find((s) => s.drill.id === id)!;
  const some = ["double-step", "feet-together", "lead-foot-rocker", "trail-toe-behind"].map(find);
  const today = laterDay(FIRST, 1700);
  const figures = {
    reps: REPS,
    measures,
    recountMs: Math.round(recountMs * 10) / 10,
    p95Ms: {
      log: await p95((k) => logPage(db, "g", {}, 20, 20 * k)),
      reps: await p95((k) => listBouts(db, "g", 12, 12 * k)),
      filter: await p95((k) => logPage(db, "g", filters[k % filters.length]!, 20)),
      search: await p95((k) =>
        logPage(
          db,
          "g",
          { text: ["double wet", "heel", "rain towpath", "nothing at all"][k % 4]! },
          20,
        ),
      ),
      choices: await p95(() => logChoices(db, "g")),
      trend: await p95((k) =>
        boutMiddles(
          db,
          "g",
          some[k % 4]!.drill.id,
          some[k % 4]!.stage.id,
          some[k % 4]!.stage.checks[0]!.measure,
        ),
      ),
      progress: await p95((k) => progressOf(db, me, some[k % 4]!.drill, some[k % 4]!.stage, today)),
      plan: await p95(() => dueFor(db, me)),
      week: await p95(() => weekOf(db, me, "2026-08-24", today)),
    },
  };
  console.log(
    `${REPS} reps, ${measures} measures; 95 % of the answers come within (50 ms at most):`,
  );
  console.table(figures.p95Ms);
  console.log(`a bout's figures are brought up in ${figures.recountMs} ms`);
  report("store", figures);
  console.log(JSON.stringify(figures));
}
