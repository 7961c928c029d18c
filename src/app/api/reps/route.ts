import { z } from "zod";
import { questionOf } from "@/core/analysis";
import { golferAnswers, TrackFileError } from "@/core/formats";
import { blobSize } from "@/server/blobs/blobs";
import { database } from "@/server/db/open";
import { api, refusal } from "@/server/http/api";
import { readJson, readQuery } from "@/server/http/readJson";
import { checkClock } from "@/server/reps/checkClock";
import { saveReps, takeBackReps } from "@/server/reps/saveReps";
import { capital } from "@/ui/kit/capital";

const id = z.string().min(1).max(80);
const hash = z.string().regex(/^[0-9a-f]{64}$/);
const told = z.object({
  result: z.enum(["pass", "fail", "not judged"]),
  cue: z.object({ id: z.string().max(60), words: z.string().max(60) }).nullable(),
  reason: z.object({ code: z.string().max(60), message: z.string().max(400) }).nullable(),
  about: z.number().nonnegative(),
});
const { hand, statureCm } = golferAnswers.shape;
const body = z.object({
  /**
   * Whom it was filmed or read for, with hand and stature as they were then: whoever practises here
   * by now.
   */
  golfer: z.object({ id, hand, statureCm }),
  clip: z.object({
    sha256: hash,
    name: z.string().min(1).max(300),
    bytes: z.number().int().positive(),
  }),
  trackSha256: hash,
  drill: z.string().min(1).max(60),
  drillVersion: z.number().int().positive().optional(),
  stage: z.string().min(1).max(60).optional(),
  captureFps: z.number().min(24).max(1000).optional(),
  /** Answered: it is this drill by this hand, whatever it looks like. */
  sure: z.boolean().optional(),
  /** Of reps that were filmed live: their bout, when they were, and what was told. */
  live: z
    .object({ boutId: z.uuid(), at: z.iso.datetime(), told: z.array(told).max(60) })
    .optional(),
});

/** Judges an uploaded track and keeps its reps: 201 with their ids once they are on disk. */
export const POST = api(async (request) => {
  const { live, golfer, ...asked } = await readJson(request, body, "The request is not complete");
  const db = await database();
  if ((await blobSize("tracks", asked.trackSha256)) === null)
    return refusal("The track has not arrived. Send it again.", 409);
  const now = new Date();
  const at = live ? new Date(live.at) : now;
  await checkClock(db, golfer.id, at, now);
  try {
    const { ids, analysis } = await saveReps(db, {
      ...asked,
      golferId: golfer.id,
      as: golfer,
      at,
      ...(live ? { boutId: live.boutId, told: live.told } : {}),
    });
    return Response.json(
      {
        ids,
        problems: analysis.problems,
        question: live ? null : questionOf(analysis),
        reps: analysis.reps.map((r) => ({
          verdict: r.verdict,
          series: r.series,
          events: r.events,
        })),
      },
      { status: 201 },
    );
  } catch (error) {
    if (error instanceof RangeError) return refusal(error.message, 400);
    if (error instanceof TrackFileError)
      return refusal(`${capital(error.message)}. Read the film again.`, 400);
    throw error;
  }
});

const which = z.object({ golfer: id, bout: z.uuid(), clip: hash });

/** Takes the reps of a clip out of a bout: 204, also when they are gone already. */
export const DELETE = api(async (request) => {
  const { golfer, bout, clip } = readQuery(request, which);
  await takeBackReps(await database(), golfer, bout, clip);
  return new Response(null, { status: 204 });
});
