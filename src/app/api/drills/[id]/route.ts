import { fileOf } from "@/core/formats";
import { drillOf } from "@/server/drills/ownDrills";
import { ownApi, refusal } from "@/server/http/api";

/** A drill as a file to give away. */
export const GET = ownApi<{ id: string }>(async ({ db, golfer }, { id }) => {
  const drill = await drillOf(db, golfer.id, id);
  if (!drill) return refusal("There is no such drill.", 404);
  return new Response(`${JSON.stringify(fileOf(drill), null, 2)}\n`, {
    headers: {
      "content-type": "application/json; charset=utf-8",
      "content-disposition": `attachment; filename="${drill.id}.drill.json"`,
    },
  });
});
