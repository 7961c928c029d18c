"use server";

import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { z } from "zod";
import { addCountedBout, countedBout } from "@/server/practice/addBout";
import { binBout, binRep } from "@/server/practice/bin";
import { boutRow, keepBoutRow, type BoutRow } from "@/server/practice/boutRow";
import { whoever } from "./whoever";

/** Keeps what is written beside a bout; a sentence where it can't be. */
export async function keepRow(id: string, row: BoutRow): Promise<string | null> {
  const { db, golfer } = await whoever();
  const parsed = boutRow.safeParse(row);
  if (!parsed.success) return z.prettifyError(parsed.error);
  await keepBoutRow(db, golfer.id, id, parsed.data);
  revalidatePath(`/bouts/${id}`);
  return null;
}

/** Adds a bout that nobody filmed, and goes on to it; a sentence where it can't be. */
export async function addBout(form: object): Promise<string | null> {
  const { db, golfer } = await whoever();
  const parsed = countedBout.safeParse(form);
  if (!parsed.success) return parsed.error.issues.map((i) => i.message).join(" ");
  const id = await addCountedBout(db, golfer.id, parsed.data);
  redirect(`/bouts/${id}`);
}

/** Puts a rep or a bout into the bin, or takes it out again. */
export async function bin(what: "rep" | "bout", id: string, gone: boolean): Promise<void> {
  const { db, golfer } = await whoever();
  await (what === "rep" ? binRep : binBout)(db, golfer.id, id, gone);
  revalidatePath("/reps");
  revalidatePath("/bin");
}
