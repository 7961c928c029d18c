import { measuresCsv } from "@/core/formats";
import { ownApi, refusal } from "@/server/http/api";
import { findRep } from "@/server/reps/queries";

/** A rep's measures as CSV. */
export const GET = ownApi<{ id: string }>(async ({ db, golfer }, { id }) => {
  const rep = await findRep(db, golfer.id, id);
  if (!rep) return refusal("This rep is not there any more.", 404);
  const at = new Date(rep.boutStartedAt).toISOString();
  const csv = measuresCsv([
    {
      rep: rep.id,
      bout: at,
      drill: rep.drillId,
      stage: rep.stage?.id ?? null,
      at,
      measures: rep.measures,
      verdict: rep.verdict,
    },
  ]);
  return new Response(csv, {
    headers: {
      "content-type": "text/csv; charset=utf-8",
      "content-disposition": `attachment; filename="rep-${rep.number}-${at.slice(0, 10)}.csv"`,
    },
  });
});
