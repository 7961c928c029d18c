"use server";

import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { z } from "zod";
import { STANCES, type Stance } from "@/core/choose/reach";
import { STYLES, type StyleId } from "@/core/drills/drill";
import { requestDatabase } from "@/server/db/request";
import { whoever } from "./whoever";
import { drillOf } from "@/server/drills/ownDrills";
import { armSpan, golferAnswers, type GolferAnswers } from "@/core/formats/golferAnswers";
import { chooseGolfer, currentGolfer, keepOfGolfer, sampleGolfer, saveGolfer } from "@/server/golfers/golfers";
import { BASELINE } from "@/server/reps/ownSwings";

const styleId = z.enum(Object.keys(STYLES) as [StyleId, ...StyleId[]]);

/** First answers: makes the golfer. */
async function firstAnswers(form: GolferAnswers): Promise<void> {
  await chooseGolfer(await saveGolfer(await requestDatabase(), null, golferAnswers.parse(form)));
}

/** First answers, and on to reading clips. */
export async function begin(form: GolferAnswers): Promise<void> {
  await firstAnswers(form);
  redirect(`/read?drill=${BASELINE}`);
}

/** The same, and on to the camera. */
export async function filmMe(form: GolferAnswers): Promise<void> {
  await firstAnswers(form);
  redirect(`/film?drill=${BASELINE}`);
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

/** The cautions of a drill have been read and the self-check passed: on to its reps. */
export async function cautionsRead(drillId: string): Promise<void> {
  const { db, golfer } = await whoever();
  const drill = await drillOf(db, z.string().max(60).parse(drillId));
  if (!drill) throw new Error("There is no such drill.");
  await keepOfGolfer(db, golfer.id, { cautionsRead: { ...golfer.cautionsRead, [drill.id]: new Date().toISOString() } });
  redirect(`/film?drill=${drill.id}`);
}

/** A side taken on a question of style, or none: then as usual, or as the swings show. */
export async function chooseSide(style: StyleId, side: string | null): Promise<void> {
  const { db, golfer } = await whoever();
  const { [style]: _, ...others } = golfer.styles;
  const taken = side === null ? {} : { [styleId.parse(style)]: z.enum(STYLES[style]).parse(side) };
  await keepOfGolfer(db, golfer.id, { styles: { ...others, ...taken } });
  revalidatePath("/you");
}

/** Arm span in cm, and the stance that goes with it or that the three turned out. */
export async function keepReach(armSpanCm: number | null): Promise<void> {
  const { db, golfer } = await whoever();
  await keepOfGolfer(db, golfer.id, { armSpanCm: armSpan.parse(armSpanCm) });
  revalidatePath("/drills/three-stances");
}

export async function keepStance(stance: Stance | null): Promise<void> {
  const { db, golfer } = await whoever();
  await keepOfGolfer(db, golfer.id, { stance: z.enum(STANCES).nullable().parse(stance) });
  revalidatePath("/drills/three-stances");
}

export async function practiseAs(id: string): Promise<void> {
  await chooseGolfer(id);
  redirect("/reps");
}
