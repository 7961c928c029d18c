import { fileOf } from "@/core/formats/drillFile";
import { database } from "@/server/db/open";
import { drillOf } from "@/server/drills/ownDrills";

/** A drill as a file to give away. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const drill = await drillOf(await database(), (await params).id);
  if (!drill) return Response.json({ message: "There is no such drill." }, { status: 404 });
  return new Response(`${JSON.stringify(fileOf(drill), null, 2)}\n`, { headers: { "content-type": "application/json; charset=utf-8", "content-disposition": `attachment; filename="${drill.id}.drill.json"` } });
}
