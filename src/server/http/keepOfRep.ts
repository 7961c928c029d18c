import type { z } from "zod";
import type { Db } from "../db/open";
import { NoSuchRepError } from "../reps/correct";
import { ownApi, refusal } from "./api";
import { readJson } from "./readJson";

const GONE = "This rep is not there any more. Load the page again.";

/**
 * A route that keeps something that the golfer says of a rep: 204 once it is on disk, or why it
 * can't be and what to do.
 */
export const keepOfRep = <T>(
  shape: z.ZodType<T>,
  words: string,
  keep: (db: Db, golferId: string, repId: string, value: T) => Promise<unknown>,
) =>
  ownApi<{ id: string }>(
    async ({ request, db, golfer }, { id }) => {
      const value = await readJson(request, shape, words);
      try {
        await keep(db, golfer.id, id, value);
        return new Response(null, { status: 204 });
      } catch (error) {
        if (error instanceof NoSuchRepError) return refusal(GONE, 404);
        if (error instanceof RangeError) return refusal(error.message, 409);
        throw error;
      }
    },
    [GONE, 404],
  );
