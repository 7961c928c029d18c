import { z } from "zod";
import { ownApi } from "@/server/http/api";
import { readQuery } from "@/server/http/readJson";
import { keptStrips } from "@/server/reps/strips";

const query = z.object({
  reps: z
    .string()
    .transform((v) => v.split(","))
    .pipe(z.array(z.uuid()).min(1).max(60)),
});

/**
 * What the small strips of some reps are drawn from, by rep; reps that are not there are left out.
 */
export const GET = ownApi(async ({ request, db, golfer }) =>
  Response.json(await keptStrips(db, golfer.id, readQuery(request, query).reps)),
);
