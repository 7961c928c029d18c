import { z } from "zod";
import { briefOf } from "@/core/play/brief";
import { database } from "@/server/db/open";
import { drillOf } from "@/server/drills/ownDrills";
import { playedMovement } from "@/server/drills/played";

const query = z.object({ fault: z.string().max(60).optional(), stature: z.coerce.number().min(120).max(220), hand: z.enum(["left", "right"]), brief: z.literal("1").optional() });

/** A stage's target, or one of its faults, played for a golfer; with `brief` only what a small picture of it shows. */
export async function GET(request: Request, { params }: { params: Promise<{ drill: string; stage: string }> }): Promise<Response> {
  const asked = query.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!asked.success) return Response.json({ message: z.prettifyError(asked.error) }, { status: 400 });
  const { drill, stage } = await params;
  const { fault, stature, hand, brief } = asked.data;
  const known = await drillOf(await database(), drill);
  if (!known) return Response.json({ message: "There is no such drill." }, { status: 404 });
  try {
    const movement = playedMovement(known, stage, fault ?? null, { statureCm: stature, hand });
    return movement ? Response.json(brief ? briefOf(movement) : movement, { headers: { "cache-control": "private, max-age=3600" } }) : Response.json({ message: "There is no such movement." }, { status: 404 });
  } catch (error) {
    if (error instanceof RangeError) return Response.json({ message: error.message }, { status: 404 });
    throw error;
  }
}
