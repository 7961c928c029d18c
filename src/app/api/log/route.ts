import { z } from "zod";
import { measuresCsv } from "@/core/formats/measuresCsv";
import { database } from "@/server/db/open";
import { currentGolfer } from "@/server/golfers/golfers";
import { logPage } from "@/server/practice/log";
import { measuredReps } from "@/server/practice/measuredReps";

const query = z.object({ as: z.enum(["csv", "json"]) });
const ALL = 100_000;

/** All measures of a golfer's reps as CSV, bout after bout while they are read; or the log as JSON. */
export async function GET(request: Request): Promise<Response> {
  const asked = query.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!asked.success) return Response.json({ message: z.prettifyError(asked.error) }, { status: 400 });
  const db = await database();
  const golfer = await currentGolfer(db);
  if (!golfer) return Response.json({ message: "Nobody practises here yet." }, { status: 404 });
  const as = (name: string, type: string) => ({ headers: { "content-type": type, "content-disposition": `attachment; filename="${name}"` } });
  if (asked.data.as === "json") return new Response(JSON.stringify({ golfer: golfer.name, sessions: await logPage(db, golfer.id, {}, ALL) }, null, 1), as("log.json", "application/json; charset=utf-8"));
  const bouts = measuredReps(db, golfer.id);
  let first = true;
  const stream = new ReadableStream<Uint8Array>({
    async pull(out) {
      const { value, done } = await bouts.next();
      if (done) return out.close();
      const text = measuresCsv(value);
      // The heading stands once.
      out.enqueue(new TextEncoder().encode(first ? text : `\r\n${text.slice(text.indexOf("\r\n") + 2)}`));
      first = false;
    },
  });
  return new Response(stream, as("measures.csv", "text/csv; charset=utf-8"));
}
