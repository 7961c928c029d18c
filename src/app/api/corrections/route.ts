import { database } from "@/server/db/open";
import { currentGolfer } from "@/server/golfers/golfers";
import { allCorrections } from "@/server/reps/correct";

/** The golfer's corrections as JSON: what was computed, with its uncertainty and by which version, and what they say. */
export async function GET(): Promise<Response> {
  const db = await database();
  const golfer = await currentGolfer(db);
  const corrections = golfer ? await allCorrections(db, golfer.id) : [];
  return Response.json({ corrections }, { headers: { "content-disposition": 'attachment; filename="corrections.json"' } });
}
