"use server";

import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { z } from "zod";
import { STANCES, type FootStance } from "@/core/choose";
import { STYLES, type StyleId } from "@/core/drills";
import { requestDatabase } from "@/server/db/request";
import { UserError } from "@/server/userError";
import { fromHere, whoeverAs } from "./whoever";
import { drillOf } from "@/server/drills/ownDrills";
import { armSpan, golferAnswers, type GolferAnswers } from "@/core/formats";
import {
  chooseGolfer,
  keepOfGolfer,
  listGolfers,
  sampleGolfer,
  saveGolfer,
} from "@/server/golfers/golfers";
import { BASELINE } from "@/core/drills";

const styleId = z.enum(Object.keys(STYLES) as [StyleId, ...StyleId[]]);

/** First answers: makes the golfer. */
async function firstAnswers(form: GolferAnswers): Promise<void> {
  await fromHere();
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
  await fromHere();
  await chooseGolfer(await sampleGolfer(await requestDatabase()));
  redirect("/read?sample=rep");
}

export async function changeGolfer(as: string, form: GolferAnswers): Promise<void> {
  const { db, golfer } = await whoeverAs(as);
  await saveGolfer(db, golfer.id, golferAnswers.parse(form));
  // The head of every page names who practises.
  revalidatePath("/", "layout");
  redirect("/read");
}

/** The cautions of a drill have been read and the self-check passed: on to its reps. */
export async function cautionsRead(as: string, drillId: string): Promise<void> {
  const { db, golfer } = await whoeverAs(as);
  const drill = await drillOf(db, golfer.id, z.string().max(60).parse(drillId));
  if (!drill) throw new Error("There is no such drill.");
  await keepOfGolfer(db, golfer.id, ({ cautionsRead }) => ({
    cautionsRead: { ...cautionsRead, [drill.id]: new Date().toISOString() },
  }));
  redirect(`/film?drill=${drill.id}`);
}

/** A side taken on a question of style, or none: then as usual, or as the swings show. */
export async function chooseSide(as: string, style: StyleId, side: string | null): Promise<void> {
  const { db, golfer } = await whoeverAs(as);
  const taken = side === null ? {} : { [styleId.parse(style)]: z.enum(STYLES[style]).parse(side) };
  await keepOfGolfer(db, golfer.id, ({ styles: { [style]: _, ...others } }) => ({
    styles: { ...others, ...taken },
  }));
  revalidatePath("/you");
}

/** Arm span in cm, and the stance that goes with it or that the three turned out. */
export async function keepReach(as: string, armSpanCm: number | null): Promise<void> {
  const { db, golfer } = await whoeverAs(as);
  const change = { armSpanCm: armSpan.parse(armSpanCm) };
  await keepOfGolfer(db, golfer.id, () => change);
  revalidatePath("/drills/three-stances");
}

export async function keepStance(as: string, stance: FootStance | null): Promise<void> {
  const { db, golfer } = await whoeverAs(as);
  const change = { stance: z.enum(STANCES).nullable().parse(stance) };
  await keepOfGolfer(db, golfer.id, () => change);
  revalidatePath("/drills/three-stances");
}

export async function practiseAs(id: string): Promise<void> {
  await fromHere();
  if (!(await listGolfers(await requestDatabase())).some((g) => g.id === id))
    throw new UserError("That golfer is not here any more. Load the page again.", 404);
  await chooseGolfer(id);
  redirect("/reps");
}
