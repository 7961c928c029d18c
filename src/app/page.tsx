import { redirect } from "next/navigation";
import { requestDatabase } from "@/server/db/request";
import { currentGolfer } from "@/server/golfers/golfers";

/** Opens where there is something to do: reps when there is a golfer, else the first questions. */
export default async function Home() {
  redirect((await currentGolfer(await requestDatabase())) ? "/reps" : "/begin");
}
