"use server";

import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { z } from "zod";
import { checkDrillFile, fileOf, readDrillFile, type FileProblem } from "@/core/formats";
import { wentOnKey } from "@/core/practice";
import { keepOfGolfer } from "@/server/golfers/golfers";
import { localDay } from "@/server/practice/localDay";
import {
  addOwn,
  drillOf,
  isOwn,
  keepVersion,
  setRemoved,
  versionsOf,
} from "@/server/drills/ownDrills";
import { judgeAllAgain } from "@/server/reps/judgeAgain";
import { whoeverAs } from "./whoever";

const drillId = z.string().min(1).max(60);

/** The golfer's own drill, or nothing to change. */
async function own(as: string, id: string) {
  const { db, golfer } = await whoeverAs(as);
  if (!(await isOwn(db, golfer.id, drillId.parse(id))))
    throw new Error("This drill is not yours to change.");
  return { db, golfer };
}

/** A copy of a drill, to be changed. */
export async function copyDrill(as: string, id: string): Promise<void> {
  const { db, golfer } = await whoeverAs(as);
  const drill = await drillOf(db, golfer.id, drillId.parse(id));
  if (!drill) throw new Error("There is no such drill.");
  const file = fileOf(drill);
  redirect(
    `/drills/${await addOwn(db, golfer.id, { ...file, name: `${file.name}, mine`.slice(0, 60) })}/edit`,
  );
}

/** Takes in a drill file: to its editor, or back with what is wrong. */
export async function takeInDrill(as: string, text: string): Promise<FileProblem[]> {
  const { db, golfer } = await whoeverAs(as);
  const read = readDrillFile(z.string().parse(text));
  if (!read.ok) return read.problems;
  redirect(`/drills/${await addOwn(db, golfer.id, read.file)}/edit`);
}

export type SavedDrill = { ok: true; version: number } | { ok: false; problems: FileProblem[] };

/** Keeps a changed drill as its next version. */
export async function keepDrill(as: string, id: string, value: unknown): Promise<SavedDrill> {
  const { db } = await own(as, id);
  const read = checkDrillFile(value);
  if (!read.ok) return read;
  const version = await keepVersion(db, id, read.file);
  revalidatePath(`/drills/${id}`, "layout");
  return { ok: true, version };
}

/** Makes an earlier version the one in use, as a new one: nothing is lost. */
export async function backToVersion(as: string, id: string, version: number): Promise<number> {
  const { db } = await own(as, id);
  const wanted = (await versionsOf(db, id)).find((v) => v.version === version);
  if (!wanted) throw new Error("There is no such version.");
  const now = await keepVersion(db, id, fileOf(wanted.drill));
  revalidatePath(`/drills/${id}`, "layout");
  return now;
}

/** Judges the drill's kept reps by a version; answers how many verdicts changed. */
export async function judgeDrillAgain(as: string, id: string, version: number): Promise<number> {
  const { db, golfer } = await own(as, id);
  const wanted = (await versionsOf(db, id)).find((v) => v.version === version);
  if (!wanted) throw new Error("There is no such version.");
  const changed = await judgeAllAgain(db, golfer.id, wanted.drill);
  revalidatePath("/", "layout");
  return changed;
}

export async function binDrill(as: string, id: string, removed: boolean): Promise<void> {
  const { db } = await own(as, id);
  await setRemoved(db, id, removed);
  revalidatePath("/drills");
}

/**
 * Goes on from a stage before it is done, or stays on it after all: the golfer's own decision, kept
 * with its day.
 */
export async function goOn(as: string, id: string, stage: string, on: boolean): Promise<void> {
  const { db, golfer } = await whoeverAs(as);
  const drill = await drillOf(db, golfer.id, drillId.parse(id));
  const known = drill?.stages.find((s) => s.id === stage);
  if (!drill || !known) throw new Error("There is no such stage.");
  const key = wentOnKey(drill.id, known.id);
  await keepOfGolfer(db, golfer.id, ({ wentOn: { [key]: _, ...others } }) => ({
    wentOn: on ? { ...others, [key]: localDay(new Date()) } : others,
  }));
  revalidatePath(`/drills/${drill.id}`);
}
