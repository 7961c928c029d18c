import { database } from "@/server/db/open";
import { findRep } from "@/server/reps/queries";
import { repPackage } from "@/server/reps/repPackage";
import { repFileName } from "@/ui/review/repFileName";

/** A rep with all that belongs to it, as one ZIP. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const rep = await findRep(await database(), (await params).id);
  if (!rep) return Response.json({ message: "This rep is not there any more." }, { status: 404 });
  return new Response(await repPackage(rep), { headers: { "content-type": "application/zip", "content-disposition": `attachment; filename="${repFileName(rep)}.zip"` } });
}
