import { z } from "zod";
import type { Drill } from "../../drills";
import type { Day, DayRoom, KeptBout } from "./week";

/**
 * A day that there is, near enough to reckon with weeks round it. @example
 * day.safeParse("2026-02-30").success // false
 */
export const day = z.iso.date().refine((d) => d >= "2000" && d < "2200");
const id = z.string().min(1).max(80);
const why = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("swing"), measure: id }),
  z.object({ kind: z.literal("goal"), symptom: id }),
  z.object({ kind: z.literal("path"), from: id }),
  z.object({ kind: z.literal("back"), passed: z.number().int(), of: z.number().int() }),
  z.object({ kind: z.literal("goesOn") }),
  z.object({ kind: z.literal("carry") }),
  z.object({ kind: z.literal("chosen") }),
]);

/** A week's bouts as a page sends them. */
export const keptBouts = z
  .array(
    z.object({
      id,
      day,
      place: z.enum(["home", "range"]),
      drillId: id,
      stageId: z.string().max(80),
      sets: z.number().int().min(1).max(50),
      reps: z.number().int().min(0).max(500),
      minutes: z.number().min(0).max(240),
      why,
      fixed: z.boolean(),
      state: z.enum(["planned", "done", "skipped"]),
    }),
  )
  .max(100);

/** One bout on another day, where the golfer wants it. */
export const moved = (bouts: readonly KeptBout[], which: string, to: DayRoom): KeptBout[] =>
  inOrder(
    bouts.map((b) => (b.id === which ? { ...b, day: to.day, place: to.place, fixed: true } : b)),
  );

/** One bout left out, or taken in again. */
export const skipped = (bouts: readonly KeptBout[], which: string): KeptBout[] =>
  bouts.map((b) =>
    b.id === which ? { ...b, state: b.state === "skipped" ? "planned" : "skipped" } : b,
  );

/** What may stand in a bout's place. */
export interface Instead {
  drill: Pick<Drill, "id" | "dose" | "minutes">;
  stage: { id: string };
}

/** Another drill in a bout's place, as long as that one. */
export function swapped(
  bouts: readonly KeptBout[],
  which: string,
  { drill, stage }: Instead,
): KeptBout[] {
  return bouts.map((b) => {
    if (b.id !== which) return b;
    const sets = Math.max(
      1,
      Math.min(drill.dose.sets, Math.floor((b.minutes * drill.dose.sets) / drill.minutes)),
    );
    return {
      ...b,
      id: `${b.day} ${drill.id}`,
      drillId: drill.id,
      stageId: stage.id,
      sets,
      reps: drill.dose.reps,
      minutes: Math.ceil((sets * drill.minutes) / drill.dose.sets),
      why: { kind: "chosen" },
      fixed: true,
    };
  });
}

const inOrder = (bouts: KeptBout[]): KeptBout[] =>
  [...bouts].sort((a, b) => a.day.localeCompare(b.day));

/** Days with more minutes in them than they have. */
export const overfull = (
  bouts: readonly KeptBout[],
  days: readonly DayRoom[],
): { day: Day; minutes: number; has: number }[] =>
  days.flatMap(({ day: d, minutes: has }) => {
    const minutes = bouts
      .filter((b) => b.day === d && b.state === "planned")
      .reduce((sum, b) => sum + b.minutes, 0);
    return minutes > has ? [{ day: d, minutes, has }] : [];
  });
