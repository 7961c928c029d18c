"use server";

import { redirect } from "next/navigation";
import { z } from "zod";
import { removeGolfer } from "@/server/practice/forGood";
import { whoever } from "./whoever";

/** Removes the golfer who is practising here, with all that is theirs. */
export async function removeForGoodOf(id: string): Promise<void> {
  const { db, golfer } = await whoever();
  if (z.string().parse(id) !== golfer.id) throw new Error("Only who practises here can be removed.");
  await removeGolfer(db, golfer.id);
  redirect("/");
}
