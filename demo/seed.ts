/**
 * Loads the demo data once into an empty store: three made-up golfers, their shipped clips, reps
 * judged from the shipped tracks, one of them with the simulated insoles, and the half year before
 * that (Inka's; two months of Tobin's, five evenings of Marek's) from simulated tracks, judged by
 * the same core.
 */
import { spawn } from "node:child_process";
import { createHash } from "node:crypto";
import { createReadStream, existsSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { Readable } from "node:stream";
import { setTimeout as wait } from "node:timers/promises";
import { count, eq } from "drizzle-orm";
import { readInsolesCsv } from "../src/core/formats/insolesCsv";
import { clearPlace, laidAt, placesOf } from "../src/core/practice/insoles/align";
import { toRows } from "../src/core/practice/insoles/rows";
import { putBlob } from "../src/server/blobs/blobs";
import { closeDatabase, database } from "../src/server/db/open";
import { golfer, rep } from "../src/server/db/schema";
import { keepBoutRow } from "../src/server/practice/boutRow";
import { keepInsoles } from "../src/server/reps/insoles";
import { saveReps } from "../src/server/reps/saveReps";
import { pastBouts, type PastBout } from "./history";

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
  {
    golfer: "inka",
    at: "2026-11-20T16:05:00Z",
    place: "Towpath Nine",
    drill: "normal-swing",
    clips: [1, 2, 3, 4, 5].map((k) => `five-swings-${k}`),
  },
  {
    golfer: "inka",
    at: "2026-11-20T16:20:00Z",
    place: "Towpath Nine",
    drill: "double-step",
    clips: ["double-step-hands-first", "double-step-too-big", "double-step-no-weight"],
  },
  {
    golfer: "inka",
    at: "2026-11-22T15:40:00Z",
    place: "Towpath Nine",
    drill: "double-step",
    clips: ["double-step-sways", "double-step-lead-late", "double-step-good", "normal-swing"],
  },
  {
    golfer: "tobin",
    at: "2026-11-21T18:10:00Z",
    place: "carport net",
    drill: "double-step",
    clips: ["double-step-good-tall"],
  },
  {
    golfer: "marek",
    at: "2026-11-22T10:30:00Z",
    place: "village hall",
    drill: "double-step",
    clips: ["double-step-left"],
  },
];

const LEFT_TO_TRY = "double-step-lead-late";

const db = await database();
const [{ n } = { n: 0 }] = await db.select({ n: count() }).from(golfer);
if (n > 0) console.log("demo data: already there");
else {
  for (const [i, g] of GOLFERS.entries())
    await db
      .insert(golfer)
      .values({ ...g, sample: true, createdAt: new Date(Date.UTC(2026, 9, 1, 8, i)) });
  await past();
  for (const bout of BOUTS)
    for (const [i, name] of bout.clips.entries()) {
      const file = path.join("demo/clips", `${name}.mp4`);
      const film = await store("clips", file);
      const track = await store("tracks", path.join("demo/tracks", `${name}.track`));
      const { ids, analysis } = await saveReps(db, {
        golferId: bout.golfer,
        clip: { sha256: film.sha256, name: `${name}.mp4`, bytes: film.bytes },
        trackSha256: track.sha256,
        drill: bout.drill,
        at: new Date(Date.parse(bout.at) + i * 90_000),
        place: bout.place,
      });
      const worn = path.join("demo/insoles", `${name}.csv`);
      const hand = GOLFERS.find((g) => g.id === bout.golfer)!.hand;
      // One pair's file is left for whoever wants to lay it on its rep.
      if (existsSync(worn) && name !== LEFT_TO_TRY)
        await wear(bout.golfer, ids[0]!, worn, analysis.reps[0]!.series, hand);
    }
  console.log(
    `demo data: ${GOLFERS.length} golfers, ${BOUTS.reduce((s, b) => s + b.clips.length, 0)} clips`,
  );
}
await closeDatabase();
process.exit(0);

async function store(
  kind: "clips" | "tracks",
  file: string,
): Promise<{ sha256: string; bytes: number }> {
  const bytes = readFileSync(file);
  const sha256 = createHash("sha256").update(bytes).digest("hex");
  await putBlob(kind, sha256, createReadStream(file));
  return { sha256, bytes: bytes.length };
}

async function wear(
  golferId: string,
  repId: string,
  file: string,
  series: Parameters<typeof placesOf>[1],
  hand: "left" | "right",
): Promise<void> {
  const read = readInsolesCsv(readFileSync(file, "utf8"));
  if (!read.ok) throw new Error(`${file}: ${read.message}`);
  const place = clearPlace(placesOf(read.reading, series, hand));
  if (!place) throw new Error(`${file} is nowhere like its film`);
  await keepInsoles(db, golferId, repId, {
    fileName: path.basename(file),
    ...place,
    rows: toRows(laidAt(read.reading, series, place.offsetMs)),
  });
}

/** The half year before the films: one process makes the tracks, this one judges and keeps them. */
async function past(): Promise<void> {
  const bouts = pastBouts();
  const dir = mkdtempSync(path.join(os.tmpdir(), "kingfisher-past-"));
  const parts = Math.max(1, os.availableParallelism() - 1);
  const makers = Array.from({ length: parts }, (_, k) =>
    spawn(process.execPath, ["bin/run.mjs", "demo/tracksOfPast.ts", dir, `${k}`, `${parts}`], {
      stdio: ["ignore", "ignore", "inherit"],
    }),
  );
  let failed = false;
  makers.forEach((m) => m.on("exit", (code) => (failed ||= code !== 0)));
  try {
    const total = bouts.reduce((n, b) => n + b.scripts.length, 0);
    let done = 0;
    for (const [b, bout] of bouts.entries()) {
      await keep(
        bout,
        bout.scripts.map((_, r) => path.join(dir, `${b}-${r}.track`)),
        () => failed,
      );
      done += bout.scripts.length;
      if (b % 8 === 7) console.log(`demo data: ${done} of ${total} reps of the past half year`);
    }
  } finally {
    makers.forEach((m) => m.kill());
    rmSync(dir, { recursive: true, force: true });
  }
}

/** A bout of the past with what was written beside it; its films were not kept. */
async function keep(
  { golfer: who, at, place, drill, weather, club, note, tags, feltShare, flight }: PastBout,
  files: readonly string[],
  failed: () => boolean,
): Promise<void> {
  let boutId: string | null = null;
  for (const [r, file] of files.entries()) {
    while (!existsSync(file)) {
      if (failed()) throw new Error("the tracks of the past could not be made");
      await wait(20);
    }
    const bytes = readFileSync(file);
    const sha256 = createHash("sha256").update(bytes).digest("hex");
    await putBlob("tracks", sha256, Readable.from([bytes]));
    const { ids } = await saveReps(db, {
      golferId: who,
      clip: {
        sha256: createHash("sha256").update(`film of ${sha256}`).digest("hex"),
        name: `${at.slice(0, 10)}-${r + 1}.mp4`,
        bytes: 0,
      },
      trackSha256: sha256,
      drill,
      at: new Date(Date.parse(at) + r * 60_000),
      place,
    });
    if (ids[0])
      boutId ??= (await db.select({ boutId: rep.boutId }).from(rep).where(eq(rep.id, ids[0])))[0]!
        .boutId;
  }
  if (boutId)
    await keepBoutRow(db, who, boutId, {
      place,
      weather,
      sessionNote: null,
      club,
      ball: null,
      note,
      tags,
      feltShare,
      touched: null,
      flight,
    });
}
