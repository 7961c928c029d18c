"use server";

import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { z } from "zod";
import { addCountedBout, countedBout } from "@/server/practice/addBout";
import { binBout, binRep } from "@/server/practice/bin";
import { boutRow, keepBoutRow, type BoutRow } from "@/server/practice/boutRow";
import { whoeverAs } from "./whoever";

/** Keeps what is written beside a bout; a sentence where it can't be. */
export async function keepRow(as: string, id: string, row: BoutRow): Promise<string | null> {
  const { db, golfer } = await whoeverAs(as);
  const parsed = boutRow.safeParse(row);
  if (!parsed.success) return z.prettifyError(parsed.error);
  await keepBoutRow(db, golfer.id, id, parsed.data);
  revalidatePath(`/bouts/${id}`);
  return null;
}

/** Adds a bout that nobody filmed, and goes on to it; a sentence where it can't be. */
export async function addBout(as: string, form: object): Promise<string | null> {
  const { db, golfer } = await whoeverAs(as);
  const parsed = countedBout.safeParse(form);
  if (!parsed.success) return parsed.error.issues.map((i) => i.message).join(" ");
  const id = await addCountedBout(db, golfer.id, parsed.data);
  redirect(`/bouts/${id}`);
}

/** Puts a rep or a bout into the bin, or takes it out again. */
export async function bin(
  as: string,
  what: "rep" | "bout",
  id: string,
  gone: boolean,
): Promise<void> {
  const { db, golfer } = await whoeverAs(as);
  await (what === "rep" ? binRep : binBout)(db, golfer.id, id, gone);
  revalidatePath("/reps");
  revalidatePath("/bin");
}
