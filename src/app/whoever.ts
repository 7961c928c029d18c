import { headers } from "next/headers";
import { redirect } from "next/navigation";
import { z } from "zod";
import { requestDatabase } from "@/server/db/request";
import { currentGolfer, type Golfer } from "@/server/golfers/golfers";
import { mustBeFromHere } from "@/server/http/fromHere";
import { UserError } from "@/server/userError";

/**
 * The golfer in whose name something is kept; where there is none yet, on to the first questions.
 */
export async function whoever() {
  const db = await requestDatabase();
  const golfer = await currentGolfer(db);
  if (!golfer) redirect("/begin");
  return { db, golfer };
}

/**
 * The golfer for whom an action's page was made, if they still practise here: another one may have
 * been chosen since, in another tab.
 *
 * @param as the golfer's id, as the page was given it
 * @throws UserError when somebody else practises here now, or another page asks
 */
export async function whoeverAs(
  as: string,
): Promise<Awaited<ReturnType<typeof whoever>> & { golfer: Golfer }> {
  await fromHere();
  const now = await whoever();
  if (z.string().parse(as) !== now.golfer.id)
    throw new UserError(`${now.golfer.name} practises here now. Load the page again.`, 409);
  return now;
}

/** What every action asks first. @throws UserError when another page asks */
export async function fromHere(): Promise<void> {
  mustBeFromHere(await headers(), "POST");
}
