import { redirect } from "next/navigation";
import { database } from "@/server/db/open";
import { currentGolfer } from "@/server/golfers/golfers";

/** Opens where there is something to do: reps when there is a golfer, else the first questions. */
export default async function Home() {
  redirect((await currentGolfer(await database())) ? "/reps" : "/begin");
}
