import { z } from "zod";
import { progressCsv } from "@/core/formats";
import { isId } from "@/server/db/isId";
import { ownApi } from "@/server/http/api";
import { readQuery } from "@/server/http/readJson";
import { boutDots } from "@/server/practice/progress";

const id = z.string().max(60).refine(isId);
const query = z.object({ drill: id, stage: id });
const ALL = 5000;

/** Every rep of a drill's stage with what each check said of it, as CSV. */
export const GET = ownApi(async ({ request, db, golfer }) => {
  const { drill, stage } = readQuery(request, query);
  return new Response(progressCsv(await boutDots(db, golfer.id, drill, stage, ALL)), {
    headers: {
      "content-type": "text/csv; charset=utf-8",
      "content-disposition": `attachment; filename="${drill}.csv"`,
    },
  });
});
