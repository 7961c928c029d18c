import { formatISO, parseISO, startOfISOWeek } from "date-fns";
import { and, asc, eq, gte, isNotNull, isNull, lt, sql } from "drizzle-orm";
import { DRILLS, type Drill } from "../../core/drills";
import {
  clashes,
  type Clash,
  dueOf,
  planWeek,
  laterDay,
  TAKEN_WEEK,
  type Day,
  type DayRoom,
  type Due,
  type KeptBout,
} from "../../core/practice";
import type { Db } from "../db/open";
import { rowsOf } from "../db/rowsOf";
import { bout, golfer, plan } from "../db/schema";
import { ownedBy } from "../golfers/whose";
import { ownDrills } from "../drills/ownDrills";
import type { Golfer } from "../golfers/golfers";
import { ownProfile } from "../golfers/ownProfile";
import { stageReps } from "../reps/stageReps";
import { localDay } from "./localDay";

/**
 * A golfer's week: what was planned, what became of it, and what pulls against each other in it.
 */
export interface Week {
  monday: Day;
  days: DayRoom[];
  /** In order of days; none before it was planned. */
  bouts: KeptBout[];
  clashes: Clash[];
}

/** The Monday of a day's week. */
export const mondayOf = (day: Day): Day =>
  formatISO(startOfISOWeek(parseISO(day)), { representation: "date" });

export const allDrills = async (db: Db, golfer: Golfer): Promise<Drill[]> => [
  ...DRILLS,
  ...(await ownDrills(db, golfer.id)),
];

/** What a golfer should do, the most wanted first. */
export async function dueFor(db: Db, golfer: Golfer): Promise<Due[]> {
  const drills = await allDrills(db, golfer);
  const last = await lastDays(
    db,
    golfer.id,
    drills.map((d) => d.id),
  );
  const [reps, { profile }] = await Promise.all([
    stageReps(
      db,
      golfer.id,
      drills.filter((d) => last.has(d.id)),
    ),
    ownProfile(db, golfer),
  ]);
  return dueOf({
    drills,
    reps,
    last,
    wentOn: golfer.wentOn,
    goals: golfer.goals,
    suggestions: profile?.suggestions ?? [],
    styles: profile?.styles ?? golfer.styles,
    hasGear: (d) => d.gear.every((g) => !golfer.lacks.includes(g.name)),
  });
}

/** The day on which each drill was done last, each from its own end of an index. */
async function lastDays(
  db: Db,
  golferId: string,
  drillIds: readonly string[],
): Promise<Map<string, Day>> {
  const rows = rowsOf<{ id: string; day: Day }>(
    await db.execute(sql`
    select asked.id, latest.day from json_array_elements_text(${JSON.stringify(drillIds)}::json) as asked (id)
    cross join lateral (select day from bout where golfer_id = ${golferId} and drill_id = asked.id and removed_at is null order by day desc limit 1) latest`),
  );
  return new Map(rows.map((r) => [r.id, r.day]));
}

const roomOf = (golfer: Golfer, monday: Day, today: Day): DayRoom[] =>
  (golfer.week ?? TAKEN_WEEK).map((r, i) => {
    const day = laterDay(monday, i);
    return { ...r, day, ...(golfer.sore && day >= today ? { easy: true } : {}) };
  });

/** The week as it is kept, with what was really done. */
export async function weekOf(db: Db, golfer: Golfer, monday: Day, today: Day): Promise<Week> {
  return weekWith(db, golfer, monday, today, await boutsOf(db, golfer.id, monday));
}

/** A week's bouts as they are kept, with what was really done; none before any is kept. */
async function boutsOf(db: Db, golferId: string, monday: Day): Promise<KeptBout[]> {
  const kept = await keptWeek(db, golferId, monday);
  return kept ? withDone(kept, await doneIn(db, golferId, monday)) : [];
}

async function weekWith(
  db: Db,
  golfer: Golfer,
  monday: Day,
  today: Day,
  bouts: KeptBout[],
): Promise<Week> {
  const drills = await allDrills(db, golfer);
  return {
    monday,
    days: roomOf(golfer, monday, today),
    bouts,
    clashes: clashes(
      bouts.filter((b) => b.state !== "skipped"),
      (id) => drills.find((d) => d.id === id) ?? null,
    ),
  };
}

/**
 * Plans what is left of a week from what really happened: days that are over, bouts that are done,
 * skipped or were put there by the golfer stay.
 */
export async function planAgain(db: Db, golfer: Golfer, monday: Day, today: Day): Promise<Week> {
  // The golfer may change the week while it is planned: then it is planned from that.
  for (let attempt = 0; attempt < 5; attempt++) {
    const kept = await keptWeek(db, golfer.id, monday);
    const bouts = await plannedFrom(db, golfer, await weekOf(db, golfer, monday, today), today);
    if (await replaceWeek(db, golfer.id, monday, kept, bouts)) break;
  }
  return weekOf(db, golfer, monday, today);
}

async function plannedFrom(db: Db, golfer: Golfer, before: Week, today: Day): Promise<KeptBout[]> {
  const fixed = before.bouts.filter((b) => b.fixed || b.state !== "planned" || b.day < today);
  const drills = await allDrills(db, golfer);
  const stays = new Map(fixed.map((b) => [b.id, b] as const));
  const planned = planWeek({
    days: before.days.filter((d) => d.day >= today),
    due: await dueFor(db, golfer),
    fixed: fixed.filter((b) => b.state !== "skipped"),
    drillOf: (id) => drills.find((d) => d.id === id) ?? null,
  });
  return [
    ...planned.map((b): KeptBout => stays.get(b.id) ?? { ...b, state: "planned" }),
    ...fixed.filter((b) => b.state === "skipped"),
  ].sort((a, b) => a.day.localeCompare(b.day));
}

/**
 * A week as it is shown: as it is kept, or, where nothing of this week is kept, as it would be
 * planned now. Writes nothing; other weeks are planned when the golfer asks for it.
 */
export async function plannedWeek(db: Db, golfer: Golfer, monday: Day, today: Day): Promise<Week> {
  const kept = await weekOf(db, golfer, monday, today);
  if (hasPlan(kept.bouts) || monday !== mondayOf(today)) return kept;
  return weekWith(db, golfer, monday, today, await plannedFrom(db, golfer, kept, today));
}

/**
 * Keeps this week's plan as it is shown, where none is kept. Called before a bout is: a plan made
 * after the week's first one would be another one than the golfer saw.
 *
 * @param at when the bout is; nothing is kept for another week
 */
export async function keepShownWeek(db: Db, golferId: string, at: Date): Promise<void> {
  const today = localDay(new Date());
  const monday = mondayOf(today);
  if (mondayOf(localDay(at)) !== monday) return;
  if (hasPlan(await boutsOf(db, golferId, monday))) return;
  const [own] = await db.select().from(golfer).where(eq(golfer.id, golferId));
  if (own) await planAgain(db, own, monday, today);
}

const hasPlan = (bouts: readonly KeptBout[]): boolean => bouts.some((b) => b.state !== "done");

async function keptWeek(db: Db, golferId: string, monday: Day): Promise<KeptBout[] | null> {
  const [row] = await db
    .select({ bouts: plan.bouts })
    .from(plan)
    .where(and(eq(plan.golferId, golferId), eq(plan.monday, monday)));
  return row?.bouts ?? null;
}

/**
 * Puts a week's bouts in the place of those that they were planned from. @returns false where the
 * week is another one by now
 */
async function replaceWeek(
  db: Db,
  golferId: string,
  monday: Day,
  from: KeptBout[] | null,
  bouts: KeptBout[],
): Promise<boolean> {
  const insert = db.insert(plan).values({ golferId, monday, bouts });
  const rows = await (
    from === null
      ? insert.onConflictDoNothing()
      : insert.onConflictDoUpdate({
          target: [plan.golferId, plan.monday],
          set: { bouts },
          setWhere: sql`${plan.bouts} = ${JSON.stringify(from)}::jsonb`,
        })
  ).returning({ monday: plan.monday });
  return rows.length > 0;
}

/** Puts a week's bouts in the place of those that were planned. */
export async function keepWeek(
  db: Db,
  golferId: string,
  monday: Day,
  bouts: KeptBout[],
): Promise<void> {
  await db
    .insert(plan)
    .values({ golferId, monday, bouts })
    .onConflictDoUpdate({ target: [plan.golferId, plan.monday], set: { bouts } });
}

interface Done {
  id: string;
  day: Day;
  drillId: string;
  stageId: string | null;
  done: number;
}

async function doneIn(db: Db, golferId: string, monday: Day): Promise<Done[]> {
  const rows = await db
    .select({
      id: bout.id,
      day: bout.day,
      drillId: bout.drillId,
      stageId: bout.stageId,
      done: bout.done,
    })
    .from(bout)
    .where(
      and(
        ownedBy(golferId),
        isNull(bout.removedAt),
        isNotNull(bout.drillId),
        gte(bout.day, monday),
        lt(bout.day, laterDay(monday, 7)),
      ),
    )
    .orderBy(asc(bout.startedAt));
  return rows.map((r) => ({ ...r, drillId: r.drillId! }));
}

/**
 * A planned bout is done once its drill was done on its day; what was done without being planned
 * stands beside.
 */
function withDone(bouts: readonly KeptBout[], done: readonly Done[]): KeptBout[] {
  const used = new Set<string>();
  const known = bouts.map((b): KeptBout => {
    const own = done.filter((d) => d.day === b.day && d.drillId === b.drillId);
    own.forEach((d) => used.add(d.id));
    return own.length ? { ...b, state: "done" } : b;
  });
  const more = new Map<string, KeptBout>();
  for (const d of done) {
    const key = `${d.day} ${d.drillId}`;
    if (used.has(d.id) || more.has(key)) continue;
    more.set(key, {
      id: key,
      day: d.day,
      place: "home",
      drillId: d.drillId,
      stageId: d.stageId ?? "",
      sets: 1,
      reps: d.done,
      minutes: 0,
      why: { kind: "goesOn" },
      fixed: true,
      state: "done",
    });
  }
  return [...known, ...more.values()].sort((a, b) => a.day.localeCompare(b.day));
}
