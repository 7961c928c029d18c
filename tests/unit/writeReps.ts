/**
 * Keeps reps without end and tells of each one once it is acknowledged; the store's test kills it.
 */
import { createHash, randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { Readable } from "node:stream";
import { putBlob } from "../../src/server/blobs/blobs";
import { database } from "../../src/server/db/open";
import { golfer } from "../../src/server/db/schema";
import { saveReps } from "../../src/server/reps/saveReps";

const bytes = readFileSync("demo/tracks/double-step-good.track");
const sha256 = (b: Uint8Array | string) => createHash("sha256").update(b).digest("hex");
const db = await database();
await db
  .insert(golfer)
  .values({ id: "g", name: "Wren Alder", hand: "right", statureCm: 170, units: "cm" })
  .onConflictDoNothing();
await putBlob("tracks", sha256(bytes), Readable.from([bytes]));
for (;;) {
  const name = randomUUID();
  const { ids } = await saveReps(db, {
    golferId: "g",
    clip: { sha256: sha256(name), name, bytes: 1 },
    trackSha256: sha256(bytes),
    drill: "double-step",
    at: new Date(),
  });
  process.send!(ids[0]);
}
