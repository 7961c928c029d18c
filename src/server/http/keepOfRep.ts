import { database, type Db } from "../db/open";
import { currentGolfer } from "../golfers/golfers";
import { NoSuchRepError } from "../reps/correct";
import { storeTrouble } from "../storeTrouble";

/** Keeps something that the golfer says of a rep: 204 once it is on disk, or why it can't be and what to do. */
export async function keepOfRep(keep: (db: Db, golferId: string) => Promise<unknown>): Promise<Response> {
  const no = (message: string, status: number) => Response.json({ message }, { status });
  try {
    const db = await database();
    const golfer = await currentGolfer(db);
    if (!golfer) throw new NoSuchRepError("nobody is there");
    await keep(db, golfer.id);
    return new Response(null, { status: 204 });
  } catch (error) {
    if (error instanceof NoSuchRepError) return no("This rep is not there any more. Load the page again.", 404);
    if (error instanceof RangeError) return no(error.message, 409);
    const trouble = storeTrouble(error);
    if (trouble) return no(trouble.message, trouble.status);
    throw error;
  }
}
