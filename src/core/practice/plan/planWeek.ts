import type { Drill } from "../../drills";
import { conflictsOf } from "./clashes";
import { BOUTS_A_DAY, DRILLS_A_WEEK, SPACING } from "./spacing";
import { daysBetween, type DayRoom, type Due, type PlannedBout } from "./week";

export interface PlanAsk {
  /** In their order, each day once. */
  days: readonly DayRoom[];
  /** What is due, the most wanted first, each drill once. */
  due: readonly Due[];
  /** Bouts that stay where they are: done, or put there by the golfer. */
  fixed?: readonly PlannedBout[];
  /** A drill of a fixed bout; null for one that is not there any more. */
  drillOf?: (id: string) => Drill | null;
}

/**
 * On a day on which something is sore: this much of its minutes, by hand, and only drills of the
 * first level.
 */
const EASY = 0.5;

/**
 * A week of short bouts: on each day what is most wanted of what its place, its minutes and its
 * drills allow. Never more minutes than a day has, never two drills that pull against each other on
 * one day, never the same drill sooner than its spacing, never a stage that is not due; the few
 * drills of a week take turns. The same asked twice gives the same plan.
 *
 * @example planWeek({ days: [{ day: "2026-11-30", minutes: 20, place: "home" }], due })[0]?.drillId
 */
export function planWeek({ days, due, fixed = [], drillOf = () => null }: PlanAsk): PlannedBout[] {
  const bouts = [...fixed];
  const drills = new Map(due.map((d) => [d.drill.id, d.drill] as const));
  const find = (id: string) => drills.get(id) ?? drillOf(id);
  for (const room of days) {
    const today = () => bouts.filter((b) => b.day === room.day);
    const tried = new Set<Due>();
    while (today().length < BOUTS_A_DAY) {
      const left =
        (room.easy ? EASY : 1) * room.minutes - today().reduce((sum, b) => sum + b.minutes, 0);
      const next = mostWanted(
        due.filter(
          (d) =>
            !tried.has(d) &&
            isFree(d, room, bouts) &&
            today().every((b) => goTogether(d.drill, find(b.drillId))),
        ),
        bouts,
      );
      if (!next) break;
      tried.add(next);
      const size = sized(next.drill, left);
      if (size)
        bouts.push({
          id: `${room.day} ${next.drill.id}`,
          day: room.day,
          place: room.place,
          drillId: next.drill.id,
          stageId: next.stage.id,
          ...size,
          reps: next.drill.dose.reps,
          why: next.why,
          fixed: false,
        });
    }
  }
  return bouts.sort((a, b) => daysBetween(b.day, a.day));
}

/** Single focus: one drill for the whole session. A baseline is no drill. */
const alone = ({ dose, group }: Drill): boolean =>
  dose.school === "single focus" && group !== "baseline";

/** Whether two drills may be done on one day. */
const goTogether = (one: Drill, other: Drill | null): boolean =>
  other === null || (!alone(one) && !alone(other) && conflictsOf(one, other).length === 0);

/** As many of its sets as there is time for; null where not even one is. */
function sized({ dose, minutes }: Drill, left: number): { sets: number; minutes: number } | null {
  const whole = (sets: number) => Math.ceil((sets * minutes) / dose.sets);
  for (let sets = dose.sets; sets > 0; sets--)
    if (whole(sets) <= left) return { sets, minutes: whole(sets) };
  return null;
}

/**
 * Whether a day's place and the drill's spacing allow it, and the week has not too many things in
 * it.
 */
function isFree({ drill, last }: Due, room: DayRoom, bouts: readonly PlannedBout[]): boolean {
  if (!drill.places.includes(room.place) || (room.easy && drill.level > 1)) return false;
  const chosen = new Set(bouts.map((b) => b.drillId));
  if (!chosen.has(drill.id) && chosen.size >= DRILLS_A_WEEK) return false;
  const { apart, aWeek } = SPACING[drill.dose.school];
  const own = bouts.filter((b) => b.drillId === drill.id).map((b) => b.day);
  return (
    own.length < aWeek &&
    [...own, ...(last === null ? [] : [last])].every(
      (day) => Math.abs(daysBetween(day, room.day)) >= apart,
    )
  );
}

/** The one that is farthest behind its week's share; the first of equals. */
function mostWanted(due: readonly Due[], bouts: readonly PlannedBout[]): Due | undefined {
  const share = ({ drill }: Due) =>
    bouts.filter((b) => b.drillId === drill.id).length / SPACING[drill.dose.school].aWeek;
  return due.reduce<Due | undefined>(
    (best, d) => (best === undefined || share(d) < share(best) ? d : best),
    undefined,
  );
}
