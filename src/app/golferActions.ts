"use server";

import { redirect } from "next/navigation";
import { requestDatabase } from "@/server/db/request";
import { golferAnswers, type GolferAnswers } from "@/core/formats/golferAnswers";
import { chooseGolfer, currentGolfer, sampleGolfer, saveGolfer } from "@/server/golfers/golfers";
import { BASELINE } from "@/server/reps/ownSwings";

/** First answers: makes the golfer and goes on to reading clips. */
export async function begin(form: GolferAnswers): Promise<void> {
  const id = await saveGolfer(await requestDatabase(), null, golferAnswers.parse(form));
  await chooseGolfer(id);
  redirect(`/read?drill=${BASELINE}`);
}

/** Goes on as the made-up golfer, whose clips ship with the program. */
export async function tryWithoutCamera(): Promise<void> {
  await chooseGolfer(await sampleGolfer(await requestDatabase()));
  redirect("/read?sample=rep");
}

export async function changeGolfer(form: GolferAnswers): Promise<void> {
  const db = await requestDatabase();
  const golfer = await currentGolfer(db);
  await saveGolfer(db, golfer?.id ?? null, golferAnswers.parse(form));
  redirect("/read");
}

export async function practiseAs(id: string): Promise<void> {
  await chooseGolfer(id);
  redirect("/reps");
}
