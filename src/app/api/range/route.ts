import { z } from "zod";
import { ownApi } from "@/server/http/api";
import { readJson } from "@/server/http/readJson";
import { bringNotes } from "@/server/range/bringNotes";
import { rangeSnapshot } from "@/server/range/snapshot";
import { UserError } from "@/server/userError";

/** What a phone takes along. */
export const GET = ownApi(async ({ db, golfer }) =>
  Response.json(await rangeSnapshot(db, golfer, new Date()), {
    headers: { "cache-control": "no-store" },
  }),
);

const brought = z.object({
  golfer: z.string().min(1).max(80),
  notes: z.array(z.object({ boutId: z.uuid(), note: z.string().trim().min(1).max(2000) })).max(200),
});

/** Notes that a phone brings home: the bouts whose notes are kept now. */
export const POST = ownApi(async ({ request, db, golfer }) => {
  const { golfer: of, notes } = await readJson(request, brought, "The notes are not complete");
  if (of !== golfer.id)
    throw new UserError(`${golfer.name} practises here now. The notes wait.`, 409);
  return Response.json({ kept: await bringNotes(db, golfer.id, notes) });
});
