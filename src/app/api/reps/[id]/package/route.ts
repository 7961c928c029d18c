import { head, ownApi, refusal } from "@/server/http/api";
import { lazyStream } from "@/server/http/lazyStream";
import { findRep } from "@/server/reps/queries";
import { repPackage } from "@/server/reps/repPackage";
import { repFileName } from "@/ui/review/repFileName";

/** A rep with all that belongs to it, as one ZIP. */
export const GET = ownApi<{ id: string }>(async ({ db, golfer }, { id }) => {
  const rep = await findRep(db, golfer.id, id);
  if (!rep) return refusal("This rep is not there any more.", 404);
  const write = await repPackage(rep);
  return new Response(lazyStream(write), {
    headers: {
      "content-type": "application/zip",
      "content-disposition": `attachment; filename="${repFileName(rep)}.zip"`,
    },
  });
});

export const HEAD = head<{ id: string }>("application/zip");
