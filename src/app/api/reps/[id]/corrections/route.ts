import { z } from "zod";
import { corrections } from "@/core/reps/corrections";
import { database } from "@/server/db/open";
import { currentGolfer } from "@/server/golfers/golfers";
import { correctRep, NoSuchRepError } from "@/server/reps/correct";
import { storeTrouble } from "@/server/storeTrouble";

/** Puts a rep's corrections in force, all of them and no others: 204 once what hangs on them is on disk. */
export async function PUT(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const parsed = corrections.safeParse(await request.json().catch(() => null));
  if (!parsed.success) return Response.json({ message: `That can't be put in: ${z.prettifyError(parsed.error)}` }, { status: 400 });
  const db = await database();
  const golfer = await currentGolfer(db);
  try {
    if (!golfer) throw new NoSuchRepError("nobody is there");
    await correctRep(db, golfer.id, (await params).id, parsed.data);
    return new Response(null, { status: 204 });
  } catch (error) {
    if (error instanceof NoSuchRepError) return Response.json({ message: "This rep is not there any more. Load the page again." }, { status: 404 });
    if (error instanceof RangeError) return Response.json({ message: error.message }, { status: 409 });
    const trouble = storeTrouble(error);
    if (trouble) return Response.json({ message: trouble.message }, { status: trouble.status });
    throw error;
  }
}
