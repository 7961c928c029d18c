import { z } from "zod";
import { progressCsv } from "@/core/formats/progressCsv";
import { isId } from "@/server/db/isId";
import { database } from "@/server/db/open";
import { currentGolfer } from "@/server/golfers/golfers";
import { boutDots } from "@/server/practice/progress";

const id = z.string().max(60).refine(isId);
const query = z.object({ drill: id, stage: id });
const ALL = 5000;

/** Every rep of a drill's stage with what each check said of it, as CSV. */
export async function GET(request: Request): Promise<Response> {
  const asked = query.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!asked.success) return Response.json({ message: z.prettifyError(asked.error) }, { status: 400 });
  const db = await database();
  const golfer = await currentGolfer(db);
  const bouts = golfer ? await boutDots(db, golfer.id, asked.data.drill, asked.data.stage, ALL) : [];
  return new Response(progressCsv(bouts), { headers: { "content-type": "text/csv; charset=utf-8", "content-disposition": `attachment; filename="${asked.data.drill}.csv"` } });
}
