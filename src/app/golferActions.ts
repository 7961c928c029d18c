"use server";

import { redirect } from "next/navigation";
import { requestDatabase } from "@/server/db/request";
import { chooseGolfer, currentGolfer, golferForm, saveGolfer, type GolferForm } from "@/server/golfers/golfers";

/** First answers: makes the golfer and goes on to reading clips. */
export async function begin(form: GolferForm): Promise<void> {
  const id = await saveGolfer(await requestDatabase(), null, golferForm.parse(form));
  await chooseGolfer(id);
  redirect("/read");
}

export async function changeGolfer(form: GolferForm): Promise<void> {
  const db = await requestDatabase();
  const golfer = await currentGolfer(db);
  await saveGolfer(db, golfer?.id ?? null, golferForm.parse(form));
  redirect("/read");
}

export async function practiseAs(id: string): Promise<void> {
  await chooseGolfer(id);
  redirect("/reps");
}
