"use server";

import { revalidatePath } from "next/cache";
import { z } from "zod";
import { SYMPTOMS, type SymptomId } from "@/core/drills";
import { day, keptBouts, type KeptBout, type WeekRoom } from "@/core/practice";
import { keepOfGolfer } from "@/server/golfers/golfers";
import { localDay } from "@/server/practice/localDay";
import { keepWeek, mondayOf, planAgain } from "@/server/practice/week";
import { whoeverAs } from "./whoever";

const room = z
  .array(z.object({ minutes: z.number().int().min(0).max(240), place: z.enum(["home", "range"]) }))
  .length(7);

/** Plans what is left of a week. */
export async function planTheWeek(as: string, monday: string): Promise<void> {
  const { db, golfer } = await whoeverAs(as);
  await planAgain(db, golfer, mondayOf(day.parse(monday)), localDay(new Date()));
  revalidatePath("/plan");
}

/** Keeps a week as the golfer changed it. */
export async function keepPlan(as: string, monday: string, bouts: KeptBout[]): Promise<void> {
  const { db, golfer } = await whoeverAs(as);
  await keepWeek(db, golfer.id, mondayOf(day.parse(monday)), keptBouts.parse(bouts));
  revalidatePath("/plan");
}

/**
 * Minutes and places of a usual week, complaints, and what there is nothing for; then what is left
 * of this week is planned again.
 */
export async function keepPractice(
  as: string,
  change: { week?: WeekRoom; goals?: SymptomId[]; lacks?: string[] },
): Promise<void> {
  const { db, golfer } = await whoeverAs(as);
  const kept = {
    ...(change.week ? { week: room.parse(change.week) } : {}),
    ...(change.goals ? { goals: z.array(z.enum(SYMPTOMS)).max(12).parse(change.goals) } : {}),
    ...(change.lacks ? { lacks: z.array(z.string().max(80)).max(60).parse(change.lacks) } : {}),
  };
  await keepOfGolfer(db, golfer.id, () => kept);
  revalidatePath("/plan");
}

/** Something is sore, or is not any more: days are easy until then. */
export async function keepSore(as: string, part: string | null): Promise<void> {
  const { db, golfer } = await whoeverAs(as);
  const sore =
    part === null
      ? null
      : { part: z.string().trim().min(1).max(60).parse(part), since: localDay(new Date()) };
  await keepOfGolfer(db, golfer.id, () => ({ sore }));
  revalidatePath("/plan");
}

/**
 * What the golfer says of their body, asked before the first bout of a day or after a heavy one:
 * what is sore, or nothing. What is left of the week is planned again where that changes.
 */
export async function sayBody(
  as: string,
  when: "before" | "after",
  part: string | null,
): Promise<void> {
  const { db, golfer } = await whoeverAs(as);
  const today = localDay(new Date());
  const sore =
    part === null
      ? null
      : { part: z.string().trim().min(1).max(60).parse(part), since: golfer.sore?.since ?? today };
  const asked = z.enum(["before", "after"]).parse(when);
  await keepOfGolfer(db, golfer.id, ({ body }) => ({ sore, body: { ...body, [asked]: today } }));
  if ((sore === null) !== (golfer.sore === null))
    await planAgain(db, { ...golfer, sore }, mondayOf(today), today);
  revalidatePath("/", "layout");
}
