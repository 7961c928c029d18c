import type { Drill, Stage } from "../../drills";

export type PracticePlace = "home" | "range";

/** A day as written: '2026-11-26'. */
export type Day = string;

/** What a day has room for; no minutes: a day off. */
export interface DayRoom {
  day: Day;
  minutes: number;
  place: PracticePlace;
  /** Something is sore: half of it, and only the easiest drills. */
  easy?: boolean;
}

/** Why a drill is due, for the words beside a bout. */
export type Why =
  /** A measure of the golfer's own swings lies outside what the drill asks. */
  | { kind: "swing"; measure: string }
  /** The golfer named the complaint. */
  | { kind: "goal"; symptom: string }
  /** A path goes on with it after a drill that is done. */
  | { kind: "path"; from: string }
  /** Few of its last ten passed: back on the stage before. */
  | { kind: "back"; passed: number; of: number }
  /** It is under way. */
  | { kind: "goesOn" }
  /** Did it carry over to the golfer's own swing? */
  | { kind: "carry" }
  /** The golfer put it there. */
  | { kind: "chosen" };

/** A drill that a golfer should do, with the stage that is open to them. */
export interface Due {
  drill: Drill;
  stage: Stage;
  why: Why;
  /** The day on which it was done last; null: never. */
  last: Day | null;
}

export interface PlannedBout {
  id: string;
  day: Day;
  place: PracticePlace;
  drillId: string;
  stageId: string;
  sets: number;
  reps: number;
  minutes: number;
  why: Why;
  /** Put there by the golfer, or done already: planning again leaves it. */
  fixed: boolean;
}

/** Days between two of them, + when the second comes later. */
export const daysBetween = (a: Day, b: Day): number =>
  Math.round((Date.parse(b) - Date.parse(a)) / 86_400_000);

/** The day that comes so many later. @example laterDay("2026-11-30", 1) // "2026-12-01" */
export const laterDay = (day: Day, by: number): Day =>
  new Date(Date.parse(day) + by * 86_400_000).toISOString().slice(0, 10);

/** What became of a planned bout. */
type BoutState = "planned" | "done" | "skipped";

/** A planned bout as it is kept. */
export interface KeptBout extends PlannedBout {
  state: BoutState;
}

/** What each day of a week has room for, Monday first. */
export type WeekRoom = readonly { minutes: number; place: PracticePlace }[];

/**
 * Taken until a golfer says otherwise: a quarter of an hour at home on weekdays, three quarters on
 * the range on Saturday, Sunday off. By hand.
 */
export const TAKEN_WEEK: WeekRoom = [
  ...Array.from({ length: 5 }, () => ({ minutes: 15, place: "home" as const })),
  { minutes: 45, place: "range" },
  { minutes: 0, place: "home" },
];
