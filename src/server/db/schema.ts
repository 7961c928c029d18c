import { sql } from "drizzle-orm";
import {
  boolean,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
} from "drizzle-orm/pg-core";
import type { RepSeries } from "../../core/analysis";
import type { ActionVerdict, CheckVerdict } from "../../core/judge";
import type { Correction } from "../../core/reps";
import type { Problem } from "../../core/scene";
import { STANCES } from "../../core/choose";
import type { Drill, Styles, SymptomId } from "../../core/drills";
import type { Flight, InsoleRows, WentOn, KeptBout, WeekRoom } from "../../core/practice";

const id = () => text("id").primaryKey();
const created = () => timestamp("created_at", { withTimezone: true }).notNull().defaultNow();

export const golfer = pgTable("golfer", {
  id: id(),
  name: text("name").notNull(),
  hand: text("hand", { enum: ["left", "right"] }).notNull(),
  statureCm: doublePrecision("stature_cm").notNull(),
  units: text("units", { enum: ["cm", "inch"] }).notNull(),
  keepFilm: boolean("keep_film").notNull().default(true),
  /** Fingertip to fingertip; null until it has been asked for. */
  armSpanCm: doublePrecision("arm_span_cm"),
  /** Which foot stands ahead; null until the three stances were compared. */
  stance: text("stance", { enum: STANCES }),
  /**
   * Sides chosen on the questions of style; those left out follow the usual or the golfer's swings.
   */
  styles: jsonb("styles").$type<Styles>().notNull().default({}),
  /** The drills whose cautions have been read, with when. */
  cautionsRead: jsonb("cautions_read").$type<Record<string, string>>().notNull().default({}),
  /** What they want to mend: rows of symptoms. */
  goals: jsonb("goals").$type<SymptomId[]>().notNull().default([]),
  /** What drills take and they have nothing for. */
  lacks: jsonb("lacks").$type<string[]>().notNull().default([]),
  /** What each day of a week has room for, Monday first; null until it was asked. */
  week: jsonb("week").$type<WeekRoom>(),
  /** What is sore, and since when; null: nothing. */
  sore: jsonb("sore").$type<{ part: string; since: string }>(),
  /**
   * The days on which they were asked last whether anything is sore: before the first bout, and
   * after much.
   */
  body: jsonb("body").$type<{ before?: string; after?: string }>().notNull().default({}),
  /** Stages that they went on from before they were done. */
  wentOn: jsonb("went_on").$type<WentOn>().notNull().default({}),
  /** Made up, for trying the program out. */
  sample: boolean("sample").notNull().default(false),
  createdAt: created(),
});

export const session = pgTable(
  "session",
  {
    id: id(),
    golferId: text("golfer_id")
      .notNull()
      .references(() => golfer.id),
    startedAt: timestamp("started_at", { withTimezone: true }).notNull(),
    place: text("place"),
    weather: text("weather"),
    note: text("note"),
  },
  (t) => [index("session_golfer").on(t.golferId, t.startedAt)],
);

/** A golfer's own copy of a drill: its latest version is the one in use. */
export const ownDrill = pgTable(
  "own_drill",
  {
    id: id(),
    golferId: text("golfer_id")
      .notNull()
      .references(() => golfer.id),
    basedOn: text("based_on").notNull(),
    createdAt: created(),
    /** In the bin since then; reps keep it. */
    removedAt: timestamp("removed_at", { withTimezone: true }),
  },
  (t) => [index("own_drill_golfer").on(t.golferId)],
);

/** A drill as it stood when reps were judged by it; of an own drill every version that was kept. */
export const drillVersion = pgTable(
  "drill_version",
  {
    id: id(),
    drillId: text("drill_id").notNull(),
    version: integer("version").notNull(),
    definition: jsonb("definition").$type<Drill>().notNull(),
    createdAt: created(),
  },
  (t) => [uniqueIndex("drill_version_of").on(t.drillId, t.version)],
);

export const bout = pgTable(
  "bout",
  {
    id: id(),
    sessionId: text("session_id")
      .notNull()
      .references(() => session.id),
    /** None for reps that are measured and not judged. */
    drillVersionId: text("drill_version_id").references(() => drillVersion.id),
    stageId: text("stage_id"),
    startedAt: timestamp("started_at", { withTimezone: true }).notNull(),
    /**
     * Whose, of which drill, and on which day there: as the session and the version say, for lists
     * and trends.
     */
    golferId: text("golfer_id")
      .notNull()
      .references(() => golfer.id),
    drillId: text("drill_id"),
    day: text("day").notNull(),
    club: text("club"),
    ball: text("ball"),
    note: text("note"),
    tags: jsonb("tags").$type<string[]>().notNull().default([]),
    /** Share on the lead foot as it felt, %. */
    feltShare: doublePrecision("felt_share"),
    /** What the ball did. */
    flight: jsonb("flight").$type<Flight>(),
    /** How often a prop was touched or fell. */
    touched: integer("touched"),
    /** Of a bout without film: what the golfer counted. */
    byHand: boolean("by_hand").notNull().default(false),
    /**
     * Its reps that are not in the bin: how many, and what was said of them; kept up with every
     * change. Of one without film what the golfer counted.
     */
    done: integer("done").notNull().default(0),
    passed: integer("passed").notNull().default(0),
    failed: integer("failed").notNull().default(0),
    notJudged: integer("not_judged").notNull().default(0),
    /**
     * What was said of each of them, in order: p passed, f failed, n not judged, m only measured.
     */
    results: text("results").notNull().default(""),
    /**
     * All that can be searched of it, its session's place, weather and note included, in small
     * letters; kept up with every change.
     */
    words: text("words").notNull().default(""),
    /** In the bin since then. */
    removedAt: timestamp("removed_at", { withTimezone: true }),
  },
  (t) => [
    index("bout_session").on(t.sessionId, t.startedAt),
    index("bout_log").on(t.golferId, t.startedAt),
    index("bout_drill").on(t.golferId, t.drillId, t.day),
    index("bout_stage").on(t.golferId, t.drillId, t.stageId, t.startedAt),
    index("bout_unjudged")
      .on(t.golferId, t.drillId)
      .where(sql`${t.byHand} or ${t.passed} + ${t.failed} = 0`),
  ],
);

/** The middle and the quartiles of a bout's reps in each measure; kept up with every change. */
export const boutMeasure = pgTable(
  "bout_measure",
  {
    boutId: text("bout_id")
      .notNull()
      .references(() => bout.id, { onDelete: "cascade" }),
    /** As its bout has them: a trend reads one stretch of an index. */
    golferId: text("golfer_id").notNull(),
    drillId: text("drill_id"),
    stageId: text("stage_id"),
    day: text("day").notNull(),
    measureId: text("measure_id").notNull(),
    n: integer("n").notNull(),
    low: doublePrecision("low").notNull(),
    middle: doublePrecision("middle").notNull(),
    high: doublePrecision("high").notNull(),
    /** Middle of its standard uncertainties. */
    u: doublePrecision("u").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.boutId, t.measureId] }),
    index("bout_measure_trend").on(t.golferId, t.drillId, t.stageId, t.measureId, t.day),
  ],
);

/** A golfer's week as planned, with what became of each bout. */
export const plan = pgTable(
  "plan",
  {
    golferId: text("golfer_id")
      .notNull()
      .references(() => golfer.id),
    monday: text("monday").notNull(),
    bouts: jsonb("bouts").$type<KeptBout[]>().notNull(),
    createdAt: created(),
  },
  (t) => [primaryKey({ columns: [t.golferId, t.monday] })],
);

/**
 * A clip by the sha-256 of its bytes; the film itself is a file beside the database, if it was
 * kept.
 */
export const clip = pgTable("clip", {
  sha256: text("sha256").primaryKey(),
  name: text("name").notNull(),
  bytes: doublePrecision("bytes").notNull(),
  kept: boolean("kept").notNull(),
  createdAt: created(),
});

export const rep = pgTable(
  "rep",
  {
    id: id(),
    boutId: text("bout_id")
      .notNull()
      .references(() => bout.id),
    clipSha256: text("clip_sha256")
      .notNull()
      .references(() => clip.sha256),
    trackSha256: text("track_sha256").notNull(),
    index: integer("index").notNull(),
    kind: text("kind").notNull(),
    fromMs: doublePrecision("from_ms").notNull(),
    toMs: doublePrecision("to_ms").notNull(),
    /** What it was judged with. */
    hand: text("hand", { enum: ["left", "right"] }).notNull(),
    statureCm: doublePrecision("stature_cm").notNull(),
    captureFps: doublePrecision("capture_fps"),
    algorithm: text("algorithm").notNull(),
    problems: jsonb("problems").$type<Problem[]>().notNull(),
    series: jsonb("series").$type<RepSeries>(),
    createdAt: created(),
    /** In the bin since then. */
    removedAt: timestamp("removed_at", { withTimezone: true }),
  },
  (t) => [
    index("rep_bout").on(t.boutId, t.createdAt),
    index("rep_clip").on(t.clipSha256),
    index("rep_track").on(t.trackSha256),
    uniqueIndex("rep_once").on(t.boutId, t.clipSha256, t.index),
  ],
);

export const event = pgTable(
  "event",
  {
    repId: text("rep_id")
      .notNull()
      .references(() => rep.id, { onDelete: "cascade" }),
    name: text("name").notNull(),
    /** Which foot, for foot events; "" for the swing's own. */
    foot: text("foot").notNull().default(""),
    t: doublePrecision("t").notNull(),
    u: doublePrecision("u").notNull(),
    by: text("by", { enum: ["computed", "golfer"] })
      .notNull()
      .default("computed"),
  },
  (t) => [primaryKey({ columns: [t.repId, t.name, t.foot, t.t, t.by] })],
);

export const measure = pgTable(
  "measure",
  {
    repId: text("rep_id")
      .notNull()
      .references(() => rep.id, { onDelete: "cascade" }),
    measureId: text("measure_id").notNull(),
    value: doublePrecision("value"),
    u: doublePrecision("u"),
    unit: text("unit").notNull(),
    state: text("state", { enum: ["measured", "not measurable"] }).notNull(),
    reason: text("reason"),
    at: doublePrecision("at"),
  },
  (t) => [
    primaryKey({ columns: [t.repId, t.measureId] }),
    index("measure_values").on(t.measureId, t.repId),
  ],
);

export const verdict = pgTable(
  "verdict",
  {
    repId: text("rep_id")
      .notNull()
      .references(() => rep.id, { onDelete: "cascade" }),
    /**
     * `computed`: with the golfer's corrections; `uncorrected`: before any; `golfer`: they overrule
     * it; `live`: what was told on the spot, from what had been seen by then.
     */
    by: text("by", { enum: ["computed", "uncorrected", "golfer", "live"] })
      .notNull()
      .default("computed"),
    result: text("result", { enum: ["pass", "fail", "not judged"] }).notNull(),
    reasonCode: text("reason_code"),
    reasonMessage: text("reason_message"),
    cueId: text("cue_id"),
    cueWords: text("cue_words"),
    actions: jsonb("actions").$type<ActionVerdict[]>().notNull(),
    checks: jsonb("checks").$type<CheckVerdict[]>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.repId, t.by] })],
);

/**
 * What a golfer said was otherwise than computed; one that was undone stays as part of the
 * program's own error record.
 */
export const correction = pgTable(
  "correction",
  {
    id: id(),
    repId: text("rep_id")
      .notNull()
      .references(() => rep.id, { onDelete: "cascade" }),
    /** Order among the rep's own. */
    place: integer("place").notNull(),
    what: jsonb("what").$type<Correction>().notNull(),
    /** The version whose numbers were corrected. */
    algorithm: text("algorithm").notNull(),
    createdAt: created(),
    undoneAt: timestamp("undone_at", { withTimezone: true }),
  },
  (t) => [index("correction_rep").on(t.repId, t.place)],
);

/** What insoles measured of a rep, laid on its film's clock. */
export const insoles = pgTable("insoles", {
  repId: text("rep_id")
    .primaryKey()
    .references(() => rep.id, { onDelete: "cascade" }),
  fileName: text("file_name").notNull(),
  /** Added to the file's own time, ms; and how well its share went with the estimated one there. */
  offsetMs: doublePrecision("offset_ms").notNull(),
  r: doublePrecision("r").notNull(),
  rows: jsonb("rows").$type<InsoleRows>().notNull(),
  createdAt: created(),
});
