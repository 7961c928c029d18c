import { ownApi } from "@/server/http/api";
import { allCorrections } from "@/server/reps/correct";

/**
 * The golfer's corrections as JSON: what was computed, with its uncertainty and by which version,
 * and what they say.
 */
export const GET = ownApi(async ({ db, golfer }) =>
  Response.json(
    { corrections: await allCorrections(db, golfer.id) },
    { headers: { "content-disposition": 'attachment; filename="corrections.json"' } },
  ),
);
