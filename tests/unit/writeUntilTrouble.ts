/**
 * Keeps reps until the disk is in the way, and says what the program would say then; films grow
 * from rep to rep.
 */
import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { Readable } from "node:stream";
import { putBlob } from "../../src/server/blobs/blobs";
import { database } from "../../src/server/db/open";
import { golfer } from "../../src/server/db/schema";
import { saveReps } from "../../src/server/reps/saveReps";
import { storeTrouble } from "../../src/server/storeTrouble";

const sha = (b: Uint8Array) => createHash("sha256").update(b).digest("hex");
process.on("SIGXFSZ", () => undefined);
try {
  const db = await database();
  await db
    .insert(golfer)
    .values({ id: "g", name: "Wren Halloway", hand: "right", statureCm: 170, units: "cm" });
  const track = readFileSync("demo/tracks/double-step-good.track");
  await putBlob("tracks", sha(track), Readable.from([track]));
  for (let k = 1; k < 8; k++) {
    const film = Buffer.alloc(k * 6_000_000, k);
    await putBlob("clips", sha(film), Readable.from([film]));
    const { ids } = await saveReps(db, {
      golferId: "g",
      clip: { sha256: sha(film), name: "a.mp4", bytes: film.length },
      trackSha256: sha(track),
      drill: "double-step",
      at: new Date(),
    });
    console.log(`kept ${ids[0]}`);
  }
  console.log("trouble none");
} catch (error) {
  console.log(`trouble ${storeTrouble(error)?.message ?? String(error)}`);
}
process.exit(0);
