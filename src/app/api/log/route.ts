import { Readable } from "node:stream";
import { z } from "zod";
import { measuresCsv } from "@/core/formats";
import { head, ownApi } from "@/server/http/api";
import { lazyStream } from "@/server/http/lazyStream";
import { readQuery } from "@/server/http/readJson";
import { logPage } from "@/server/practice/log";
import { measuredReps } from "@/server/practice/measuredReps";

const query = z.object({ as: z.enum(["csv", "json"]) });
const ALL = 100_000;

/**
 * All measures of a golfer's reps as CSV, bout after bout while they are read; or the log as JSON.
 */
export const GET = ownApi(async ({ request, db, golfer }) => {
  const { as: form } = readQuery(request, query);
  const as = (name: string, type: string) => ({
    headers: { "content-type": type, "content-disposition": `attachment; filename="${name}"` },
  });
  if (form === "json")
    return new Response(
      JSON.stringify(
        { golfer: golfer.name, sessions: await logPage(db, golfer.id, {}, ALL) },
        null,
        1,
      ),
      as("log.json", "application/json; charset=utf-8"),
    );
  return new Response(
    lazyStream(
      () =>
        Readable.toWeb(
          Readable.from(csvOf(measuredReps(db, golfer.id))),
        ) as ReadableStream<Uint8Array>,
    ),
    as("measures.csv", "text/csv; charset=utf-8"),
  );
});

/** Its heading stands once. */
async function* csvOf(bouts: ReturnType<typeof measuredReps>): AsyncGenerator<Uint8Array> {
  let first = true;
  for await (const bout of bouts) {
    const text = measuresCsv(bout);
    yield new TextEncoder().encode(first ? text : `\r\n${text.slice(text.indexOf("\r\n") + 2)}`);
    first = false;
  }
}

export const HEAD = head("text/csv; charset=utf-8");
