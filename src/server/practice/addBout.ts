import { randomUUID } from "node:crypto";
import { z } from "zod";
import { stageOf } from "../../core/drills";
import type { Db } from "../db/open";
import { bout } from "../db/schema";
import { drillOf, keepDrillVersion } from "../drills/ownDrills";
import { line } from "./boutRow";
import { localDay } from "./localDay";
import { reword } from "./recount";
import { sessionAt } from "./sessionAt";
import { keepShownWeek } from "./week";

/** A bout that nobody filmed, as the golfer counted it. */
export const countedBout = z
  .object({
    drillId: z.string().min(1).max(60),
    stageId: z.string().min(1).max(80),
    at: z.coerce.date(),
    place: line(60),
    done: z.number().int().min(1, "Say how many reps.").max(2000),
    passed: z.number().int().min(0).nullable(),
    note: line(2000),
  })
  .refine((b) => b.passed === null || b.passed <= b.done, {
    path: ["passed"],
    error: "No more can pass than were done.",
  })
  .refine((b) => b.at.getTime() <= Date.now() + 60_000, {
    path: ["at"],
    error: "That is still to come.",
  });
export type CountedBout = z.infer<typeof countedBout>;

/**
 * Keeps it: reps that were done; passes are noted, but no stage is reached by them, for nothing was
 * judged.
 *
 * @throws RangeError for a stage that does not exist
 */
export async function addCountedBout(
  db: Db,
  golferId: string,
  { drillId, stageId, at, place, done, passed, note }: CountedBout,
): Promise<string> {
  const drill = await drillOf(db, golferId, drillId);
  if (!drill) throw new RangeError("There is no such drill.");
  const stage = stageOf(drill, stageId);
  const id = randomUUID();
  await db.transaction(async (tx) => {
    await keepShownWeek(tx, golferId, at);
    const sessionId = await sessionAt(tx, golferId, at, place);
    await tx.insert(bout).values({
      id,
      sessionId,
      golferId,
      drillVersionId: await keepDrillVersion(tx, drill),
      drillId: drill.id,
      stageId: stage.id,
      startedAt: at,
      day: localDay(at),
      note,
      byHand: true,
      done,
      passed: passed ?? 0,
      failed: passed === null ? 0 : done - passed,
      notJudged: 0,
    });
    await reword(tx, sessionId);
  });
  return id;
}
