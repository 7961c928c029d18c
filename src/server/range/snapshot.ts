import type { Drill } from "../../core/drills";
import { DRILLS } from "../../core/drills";
import { laterDay, type KeptBout, type StageRep } from "../../core/practice";
import type { Db } from "../db/open";
import { ownDrills } from "../drills/ownDrills";
import type { Golfer } from "../golfers/golfers";
import { dayDone, type DayBout } from "../practice/dayDone";
import { localDay } from "../practice/localDay";
import { mondayOf, plannedWeek } from "../practice/week";
import { stageReps } from "../reps/stageReps";

/** What a phone takes along to where the computer can't be reached. */
export interface RangeSnapshot {
  /** Of this shape; a phone with another one waits for the computer. */
  shape: 1;
  /** By the computer's clock, ISO. */
  madeAt: string;
  golfer: Pick<
    Golfer,
    | "id"
    | "name"
    | "hand"
    | "statureCm"
    | "units"
    | "keepFilm"
    | "body"
    | "sore"
    | "sample"
    | "wentOn"
    | "stance"
  >;
  /** The golfer's own drills; movements that they take from a built-in one are found there. */
  own: Drill[];
  /** Reps as ladders ask for them, by drill. */
  reps: Record<string, StageRep[]>;
  /** What is planned, from this week's Monday for two weeks. */
  bouts: KeptBout[];
  /** What was done on the day of the computer's clock. */
  today: string;
  done: DayBout[];
}

/** A golfer's drills, plan and standing, as a phone takes them along. */
export async function rangeSnapshot(db: Db, golfer: Golfer, now: Date): Promise<RangeSnapshot> {
  const today = localDay(now);
  const monday = mondayOf(today);
  const own = await ownDrills(db, golfer.id);
  const [reps, week, next, done] = [
    await stageReps(db, golfer.id, [...DRILLS, ...own]),
    await plannedWeek(db, golfer, monday, today),
    await plannedWeek(db, golfer, laterDay(monday, 7), today),
    await dayDone(db, golfer.id, today),
  ];
  const { id, name, hand, statureCm, units, keepFilm, body, sore, sample, wentOn, stance } = golfer;
  return {
    shape: 1,
    madeAt: now.toISOString(),
    golfer: {
      id,
      name,
      hand,
      statureCm,
      units,
      keepFilm,
      body,
      sore,
      sample,
      wentOn,
      stance,
    },
    own,
    reps: Object.fromEntries(reps),
    bouts: [...week.bouts, ...next.bouts],
    today,
    done,
  };
}
