import { z } from "zod";
import { briefOf } from "@/core/play";
import { database } from "@/server/db/open";
import { drillOf } from "@/server/drills/ownDrills";
import { playedMovement } from "@/core/play";
import { currentGolfer } from "@/server/golfers/golfers";
import { api, refusal } from "@/server/http/api";
import { readQuery } from "@/server/http/readJson";

const query = z.object({
  fault: z.string().max(60).optional(),
  stature: z.coerce.number().min(120).max(220),
  hand: z.enum(["left", "right"]),
  brief: z.literal("1").optional(),
});

/**
 * A stage's target, or one of its faults, played for a golfer; with `brief` only what a small
 * picture of it shows.
 */
export const GET = api<{ drill: string; stage: string }>(async (request, { drill, stage }) => {
  const { fault, stature, hand, brief } = readQuery(request, query);
  const db = await database();
  const known = await drillOf(db, (await currentGolfer(db))?.id ?? null, drill);
  if (!known) return refusal("There is no such drill.", 404);
  try {
    const movement = playedMovement(known, stage, fault ?? null, { statureCm: stature, hand });
    return movement
      ? Response.json(brief ? briefOf(movement) : movement, {
          headers: { "cache-control": "private, max-age=3600" },
        })
      : refusal("There is no such movement.", 404);
  } catch (error) {
    if (error instanceof RangeError) return refusal(error.message, 404);
    throw error;
  }
});
