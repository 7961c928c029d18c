import { z } from "zod";
import { laidInsoles } from "@/core/practice/insoles/rows";
import { database } from "@/server/db/open";
import { currentGolfer } from "@/server/golfers/golfers";
import { NoSuchRepError } from "@/server/reps/correct";
import { keepInsoles } from "@/server/reps/insoles";
import { storeTrouble } from "@/server/storeTrouble";

/** Keeps what insoles measured of a rep, or with null takes it away: 204 once that is on disk. */
export async function PUT(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const parsed = laidInsoles.nullable().safeParse(await request.json().catch(() => undefined));
  if (!parsed.success) return Response.json({ message: `That can't be kept: ${z.prettifyError(parsed.error)}` }, { status: 400 });
  const db = await database();
  const golfer = await currentGolfer(db);
  try {
    if (!golfer) throw new NoSuchRepError("nobody is there");
    await keepInsoles(db, golfer.id, (await params).id, parsed.data);
    return new Response(null, { status: 204 });
  } catch (error) {
    if (error instanceof NoSuchRepError) return Response.json({ message: "This rep is not there any more. Load the page again." }, { status: 404 });
    const trouble = storeTrouble(error);
    if (trouble) return Response.json({ message: trouble.message }, { status: trouble.status });
    throw error;
  }
}
