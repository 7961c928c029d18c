import { measuresCsv } from "@/core/formats/measuresCsv";
import { database } from "@/server/db/open";
import { findRep } from "@/server/reps/queries";

/** A rep's measures as CSV. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const rep = await findRep(await database(), (await params).id);
  if (!rep) return Response.json({ message: "This rep is not there any more." }, { status: 404 });
  const at = new Date(rep.boutStartedAt).toISOString();
  const csv = measuresCsv([{ rep: rep.id, bout: at, drill: rep.drillId, stage: rep.stage?.id ?? null, at, measures: rep.measures, verdict: rep.verdict }]);
  return new Response(csv, { headers: { "content-type": "text/csv; charset=utf-8", "content-disposition": `attachment; filename="rep-${rep.number}-${at.slice(0, 10)}.csv"` } });
}
