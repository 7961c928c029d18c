/** Loads the demo data once into an empty store: three made-up golfers, their shipped clips, and reps judged from the shipped tracks. */
import { createHash } from "node:crypto";
import { createReadStream, readFileSync } from "node:fs";
import path from "node:path";
import { count } from "drizzle-orm";
import { putBlob } from "../src/server/blobs/blobs";
import { closeDatabase, database } from "../src/server/db/open";
import { golfer } from "../src/server/db/schema";
import { saveReps } from "../src/server/reps/saveReps";

interface Bout {
  golfer: string;
  at: string;
  place: string;
  drill: string;
  clips: string[];
}

const GOLFERS = [
  { id: "inka", name: "Inka Sorrel", hand: "right", statureCm: 170, units: "cm" },
  { id: "tobin", name: "Tobin Ashgrove", hand: "right", statureCm: 178, units: "inch" },
  { id: "marek", name: "Marek Fenwell", hand: "left", statureCm: 184, units: "cm" },
] as const;

/** A small club by a canal, a carport net and a village hall that nobody else wants in November. */
const BOUTS: Bout[] = [
  { golfer: "inka", at: "2026-11-20T16:05:00Z", place: "Towpath Nine", drill: "normal-swing", clips: [1, 2, 3, 4, 5].map((k) => `five-swings-${k}`) },
  { golfer: "inka", at: "2026-11-20T16:20:00Z", place: "Towpath Nine", drill: "double-step", clips: ["double-step-hands-first", "double-step-too-big", "double-step-no-weight"] },
  { golfer: "inka", at: "2026-11-22T15:40:00Z", place: "Towpath Nine", drill: "double-step", clips: ["double-step-sways", "double-step-lead-late", "double-step-good", "normal-swing"] },
  { golfer: "tobin", at: "2026-11-21T18:10:00Z", place: "carport net", drill: "double-step", clips: ["double-step-good-tall"] },
  { golfer: "marek", at: "2026-11-22T10:30:00Z", place: "village hall", drill: "double-step", clips: ["double-step-left"] },
];

const db = await database();
const [{ n } = { n: 0 }] = await db.select({ n: count() }).from(golfer);
if (n > 0) console.log("demo data: already there");
else {
  for (const [i, g] of GOLFERS.entries()) await db.insert(golfer).values({ ...g, sample: true, createdAt: new Date(Date.UTC(2026, 9, 1, 8, i)) });
  for (const bout of BOUTS)
    for (const [i, name] of bout.clips.entries()) {
      const file = path.join("demo/clips", `${name}.mp4`);
      const film = await store("clips", file);
      const track = await store("tracks", path.join("demo/tracks", `${name}.track`));
      await saveReps(db, {
        golferId: bout.golfer, clip: { sha256: film.sha256, name: `${name}.mp4`, bytes: film.bytes }, trackSha256: track.sha256,
        drill: bout.drill, at: new Date(Date.parse(bout.at) + i * 90_000), place: bout.place,
      });
    }
  console.log(`demo data: ${GOLFERS.length} golfers, ${BOUTS.reduce((s, b) => s + b.clips.length, 0)} clips`);
}
await closeDatabase();
process.exit(0);

async function store(kind: "clips" | "tracks", file: string): Promise<{ sha256: string; bytes: number }> {
  const bytes = readFileSync(file);
  const sha256 = createHash("sha256").update(bytes).digest("hex");
  await putBlob(kind, sha256, createReadStream(file));
  return { sha256, bytes: bytes.length };
}
