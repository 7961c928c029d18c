import { redirect } from "next/navigation";
import { requestDatabase } from "@/server/db/request";
import { currentGolfer } from "@/server/golfers/golfers";

/** The golfer in whose name something is kept; where there is none yet, on to the first questions. */
export async function whoever() {
  const db = await requestDatabase();
  const golfer = await currentGolfer(db);
  if (!golfer) redirect("/begin");
  return { db, golfer };
}
