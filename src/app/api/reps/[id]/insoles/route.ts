import { z } from "zod";
import { laidInsoles } from "@/core/practice/insoles/rows";
import { keepOfRep } from "@/server/http/keepOfRep";
import { keepInsoles } from "@/server/reps/insoles";

/** Keeps what insoles measured of a rep, or with null takes it away. */
export async function PUT(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const parsed = laidInsoles.nullable().safeParse(await request.json().catch(() => undefined));
  if (!parsed.success) return Response.json({ message: `That can't be kept: ${z.prettifyError(parsed.error)}` }, { status: 400 });
  const { id } = await params;
  return keepOfRep((db, golferId) => keepInsoles(db, golferId, id, parsed.data));
}
