import { z } from "zod";
import { TrackFileError } from "@/core/formats/trackFile";
import { database } from "@/server/db/open";
import { blobSize } from "@/server/blobs/blobs";
import { saveReps, takeBackReps } from "@/server/reps/saveReps";
import { currentGolfer } from "@/server/golfers/golfers";
import { storeTrouble } from "@/server/storeTrouble";
import { capital } from "@/ui/kit/capital";

const hash = z.string().regex(/^[0-9a-f]{64}$/);
const told = z.object({
  result: z.enum(["pass", "fail", "not judged"]),
  cue: z.object({ id: z.string().max(60), words: z.string().max(60) }).nullable(),
  reason: z.object({ code: z.string().max(60), message: z.string().max(400) }).nullable(),
  about: z.number().nonnegative(),
});
const body = z.object({
  clip: z.object({ sha256: hash, name: z.string().min(1).max(300), bytes: z.number().int().positive() }),
  trackSha256: hash,
  drill: z.string().min(1).max(60),
  stage: z.string().min(1).max(60).optional(),
  captureFps: z.number().min(24).max(1000).optional(),
  /** Of reps that were filmed live: their bout, when they were, and what was told. */
  live: z.object({ boutId: z.uuid(), at: z.iso.datetime(), told: z.array(told).max(60) }).optional(),
});

/** A clock that is ahead by more than this is wrong, ms. */
const AHEAD_MS = 60_000;

/** Judges an uploaded track and keeps its reps: 201 with their ids once they are on disk. */
export async function POST(request: Request): Promise<Response> {
  const parsed = body.safeParse(await request.json().catch(() => null));
  if (!parsed.success) return Response.json({ message: `The request is not complete: ${z.prettifyError(parsed.error)}` }, { status: 400 });
  const db = await database();
  const golfer = await currentGolfer(db);
  if (!golfer) return Response.json({ message: "Say first how tall you are and which hand you play." }, { status: 409 });
  if ((await blobSize("tracks", parsed.data.trackSha256)) === null) return Response.json({ message: "The track has not arrived. Send it again." }, { status: 409 });
  const { live, ...asked } = parsed.data;
  const at = live ? new Date(live.at) : new Date();
  if (at.getTime() > Date.now() + AHEAD_MS) return Response.json({ message: "This device's clock is ahead of the computer's. Set it right, then send again." }, { status: 400 });
  try {
    const { ids, analysis } = await saveReps(db, { ...asked, golferId: golfer.id, at, ...(live ? { boutId: live.boutId, told: live.told } : {}) });
    return Response.json({ ids, problems: analysis.problems, reps: analysis.reps.map((r) => ({ verdict: r.verdict, series: r.series, events: r.events })) }, { status: 201 });
  } catch (error) {
    if (error instanceof RangeError) return Response.json({ message: error.message }, { status: 400 });
    if (error instanceof TrackFileError) return Response.json({ message: `${capital(error.message)}. Read the film again.` }, { status: 400 });
    const trouble = storeTrouble(error);
    if (trouble) return Response.json({ message: trouble.message }, { status: trouble.status });
    throw error;
  }
}

const which = z.object({ bout: z.uuid(), clip: hash });

/** Takes the reps of a clip out of a bout: 204, also when they are gone already. */
export async function DELETE(request: Request): Promise<Response> {
  const parsed = which.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!parsed.success) return Response.json({ message: "Say which bout, and which clip." }, { status: 400 });
  const db = await database();
  const golfer = await currentGolfer(db);
  if (golfer) await takeBackReps(db, golfer.id, parsed.data.bout, parsed.data.clip);
  return new Response(null, { status: 204 });
}
