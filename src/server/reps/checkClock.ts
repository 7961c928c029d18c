import { eq } from "drizzle-orm";
import type { Db } from "../db/open";
import { golfer } from "../db/schema";
import { UserError } from "../userError";

/** Clocks of two devices go apart by less than this, ms. */
const AHEAD_MS = 60_000;
const DAY_MS = 86_400_000;

/**
 * Reps are kept in the order in which they were filmed, so a clock that is wrong spoils the log:
 * one that is ahead of the computer's, and one that says a day on which the golfer was not here
 * yet.
 *
 * @param at when the rep was filmed or read; @param now the computer's own clock
 * @throws UserError with which clock to set
 */
export async function checkClock(db: Db, golferId: string, at: Date, now: Date): Promise<void> {
  const day = (d: Date) => d.toISOString().slice(0, 10);
  const [who] = await db
    .select({ since: golfer.createdAt })
    .from(golfer)
    .where(eq(golfer.id, golferId));
  const first = (who?.since.getTime() ?? 0) - DAY_MS;
  if (now.getTime() < first)
    throw new UserError(
      `This computer’s clock says ${day(now)}, which is before you began here. Set it right, then send again.`,
    );
  if (at.getTime() > now.getTime() + AHEAD_MS)
    throw new UserError(
      "This device’s clock is ahead of the computer’s. Set it right, then send again.",
    );
  if (at.getTime() < first)
    throw new UserError(
      `This device’s clock said ${day(at)}, which is before you began here. Set it right, and film again.`,
    );
}
