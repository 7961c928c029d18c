import { z } from "zod";
import { corrections } from "@/core/reps/corrections";
import { keepOfRep } from "@/server/http/keepOfRep";
import { correctRep } from "@/server/reps/correct";

/** Puts a rep's corrections in force, all of them and no others, with what hangs on them. */
export async function PUT(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const parsed = corrections.safeParse(await request.json().catch(() => null));
  if (!parsed.success) return Response.json({ message: `That can't be put in: ${z.prettifyError(parsed.error)}` }, { status: 400 });
  const { id } = await params;
  return keepOfRep((db, golferId) => correctRep(db, golferId, id, parsed.data));
}
