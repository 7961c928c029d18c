/**
 * Saves reps, corrects them and puts them into the bin until it is killed, and tells its parent of
 * each thing once it is acknowledged.
 */
import { createHash, randomUUID } from "node:crypto";
import { readFileSync, writeSync } from "node:fs";
import { Readable } from "node:stream";
import { putBlob } from "../../../src/server/blobs/blobs";
import { database } from "../../../src/server/db/open";
import { golfer } from "../../../src/server/db/schema";
import { binRep } from "../../../src/server/practice/bin";
import { correctRep } from "../../../src/server/reps/correct";
import { saveReps } from "../../../src/server/reps/saveReps";

const sha = (b: Uint8Array) => createHash("sha256").update(b).digest("hex");
/** At once: what is buffered would die with the process. */
const tell = (what: object) => writeSync(1, `${JSON.stringify(what)}\n`);

const db = await database();
await db
  .insert(golfer)
  .values({ id: "g", name: "Wren Halloway", hand: "right", statureCm: 170, units: "cm" })
  .onConflictDoNothing();
const track = readFileSync("demo/tracks/double-step-good.track");
await putBlob("tracks", sha(track), Readable.from([track]));
tell({ ready: true });
for (let k = 0; ; k++) {
  const film = Buffer.from(`film ${randomUUID()} `.repeat(2000));
  await putBlob("clips", sha(film), Readable.from([film]));
  const { ids } = await saveReps(db, {
    golferId: "g",
    clip: { sha256: sha(film), name: "a.mp4", bytes: film.length },
    trackSha256: sha(track),
    drill: "double-step",
    at: new Date(),
  });
  const [id] = ids as [string];
  tell({ saved: id, film: sha(film) });
  if (k % 3 === 1) {
    await correctRep(db, "g", id, [
      {
        id: randomUUID(),
        kind: "verdict",
        was: "pass",
        now: "fail",
        reason: "The ball was heavy.",
      },
    ]);
    tell({ corrected: id });
  }
  if (k % 3 === 2) {
    await binRep(db, "g", id, true);
    tell({ binned: id });
  }
}
