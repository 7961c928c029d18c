import { z } from "zod";
import { database } from "@/server/db/open";
import { currentGolfer } from "@/server/golfers/golfers";
import { keptStrips } from "@/server/reps/strips";

const query = z.object({ reps: z.string().transform((v) => v.split(",")).pipe(z.array(z.uuid()).min(1).max(60)) });

/** What the small strips of some reps are drawn from, by rep; reps that are not there are left out. */
export async function GET(request: Request): Promise<Response> {
  const asked = query.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!asked.success) return Response.json({ message: z.prettifyError(asked.error) }, { status: 400 });
  const db = await database();
  const golfer = await currentGolfer(db);
  return Response.json(golfer ? await keptStrips(db, golfer.id, asked.data.reps) : {});
}
