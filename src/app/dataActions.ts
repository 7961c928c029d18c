"use server";

import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { z } from "zod";
import { bringBack, letGo } from "@/server/store/replace";
import { removeGolfer } from "@/server/practice/forGood";
import { healBlobs } from "@/server/blobs/heal";
import { database } from "@/server/db/open";
import { fromHere, whoeverAs } from "./whoever";

/**
 * Removes the golfer who is practising here, with all that is theirs; it can be undone until they
 * say that all is well.
 */
export async function removeForGood(as: string): Promise<void> {
  const { db, golfer } = await whoeverAs(as);
  await removeGolfer(db, golfer.id);
  // The head of the page names who practises.
  revalidatePath("/", "layout");
  redirect("/");
}

/** Brings back what was there before something was removed or replaced. */
export async function undo(id: string): Promise<void> {
  await fromHere();
  await bringBack(z.string().max(80).parse(id));
  await healBlobs(await database());
  revalidatePath("/", "layout");
}

/** All is well without it: what stands beside goes for good. */
export async function allIsWell(id: string): Promise<void> {
  await fromHere();
  await letGo(z.string().max(80).parse(id));
  revalidatePath("/", "layout");
}
