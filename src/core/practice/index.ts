/** The log's arithmetic: doses, ladder, weeks, trends, comparisons, insoles. */
export { BEST, bestBands, FEWEST } from "./bestBands";
export { type BodyAsked, bodyDue } from "./body";
export { bestOf, type Difference, differences, type EventTimes, warp } from "./compare";
export { doseOfDay, type DoseOfDay } from "./dose";
export { errorRecord, type ErrorRow } from "./errorRecord";
export { type Feedback, FEEDBACK, feedbackFor, isAnswered, sameCue } from "./feedback";
export { feltBy } from "./felt";
export {
  filmedFigure,
  type Joints,
  laidOver,
  type OverlaidFigure,
  playedFigure,
} from "./figureOver";
export { firstToLast, type FirstToLast, type Shift } from "./firstToLast";
export { flight, type Flight, LINES, STRIKES } from "./flight";
export { glance, type Glance, type GlanceRep, type WorthALook } from "./glance";
export { against, heelToe, shareAt } from "./insoles/against";
export { type Alignment, clearPlace, laidAt, placesOf } from "./insoles/align";
export { type InsoleReading, readAt, sidesOf } from "./insoles/reading";
export { fromRows, type InsoleRows, laidInsoles, type LaidInsoles, toRows } from "./insoles/rows";
export { judgeAgain, type KeptRep, wouldSay } from "./judgeAgain";
export {
  DAYS,
  isThrough,
  ladder,
  type LadderStanding,
  LAST,
  PASSES,
  type StageRep,
  type WentOn,
  wentOnKey,
} from "./ladder";
export { passRate, type PassRate, type RateChange } from "./passRate";
export { day, keptBouts, moved, overfull, skipped, swapped } from "./plan/change";
export { type Clash, clashes } from "./plan/clashes";
export { dueOf } from "./plan/due";
export { planWeek } from "./plan/planWeek";
export {
  type Day,
  type DayRoom,
  daysBetween,
  type Due,
  type KeptBout,
  laterDay,
  type PlannedBout,
  type PracticePlace,
  TAKEN_WEEK,
  type WeekRoom,
  type Why,
} from "./plan/week";
export {
  type BoutLine,
  type Effect,
  effects,
  feltAgainst,
  rateOf,
  sinceLastMonth,
} from "./progress";
export { carriedStage, transferVerdict } from "./transfer";
export { type Trend, trendOf } from "./trend";
