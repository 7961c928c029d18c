/** Makes a golfer with reps, and removes them, again and again until it is killed. */
import { createHash, randomUUID } from "node:crypto";
import { readFileSync, writeSync } from "node:fs";
import { Readable } from "node:stream";
import { putBlob } from "../../../src/server/blobs/blobs";
import { database } from "../../../src/server/db/open";
import { golfer } from "../../../src/server/db/schema";
import { removeGolfer } from "../../../src/server/practice/forGood";
import { saveReps } from "../../../src/server/reps/saveReps";

const sha = (b: Uint8Array) => createHash("sha256").update(b).digest("hex");
const db = await database();
const track = readFileSync("demo/tracks/double-step-good.track");
await putBlob("tracks", sha(track), Readable.from([track]));
for (;;) {
  const id = randomUUID();
  await db
    .insert(golfer)
    .values({ id, name: "Alder Brook", hand: "left", statureCm: 180, units: "cm" });
  const film = Buffer.from(`film ${id} `.repeat(100));
  await putBlob("clips", sha(film), Readable.from([film]));
  await saveReps(db, {
    golferId: id,
    clip: { sha256: sha(film), name: "a.mp4", bytes: film.length },
    trackSha256: sha(track),
    drill: "double-step",
    at: new Date(),
  });
  writeSync(1, "removing\n");
  await removeGolfer(db, id);
}
