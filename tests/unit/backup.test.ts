import { createHash } from "node:crypto";
import { createWriteStream, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { Readable } from "node:stream";
import type { ReadableStream as WebStream } from "node:stream/web";
import { pipeline } from "node:stream/promises";
import {
  BlobReader,
  BlobWriter,
  TextReader,
  Uint8ArrayWriter,
  ZipReader,
  ZipWriter,
} from "@zip.js/zip.js";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { BackupManifest } from "@/core/formats/backup";
import { openBackup } from "@/server/backup/writeBackup";
import { BackupError } from "@/server/backup/backupError";
import { restoreBackup } from "@/server/backup/restoreBackup";
import { readRows, TABLES } from "@/server/backup/tables";
import { blobPath, putBlob } from "@/server/blobs/blobs";
import { dataDir } from "@/server/dataDir";
import { closeDatabase, database, type Db } from "@/server/db/open";
import { bringBack, letGo } from "@/server/store/replace";
import { listStanding } from "@/server/store/standing";
import { clip, golfer } from "@/server/db/schema";
import { saveReps } from "@/server/reps/saveReps";
import { endStores, freshStore } from "./freshStore";

const sha = (b: Uint8Array) => createHash("sha256").update(b).digest("hex");
const dir = mkdtempSync(path.join(os.tmpdir(), "kingfisher-backup-"));
/** Another machine: nothing is there yet. */
const machine = async (): Promise<Db> => (await freshStore()).db;
const rowsOf = async (db: Db): Promise<Record<string, string[]>> => {
  const out: Record<string, string[]> = {};
  await db.transaction(async (tx) => {
    for (const table of TABLES) {
      out[table] = [];
      for await (const some of readRows(tx, table)) out[table].push(...some);
      out[table].sort();
    }
  });
  return out;
};
const golferRow = (change: object) =>
  JSON.stringify({
    ...(JSON.parse(rows.golfer![0]!) as object),
    ...change,
  });
const [film, track] = [
  "demo/clips/double-step-lead-late.mp4",
  "demo/tracks/double-step-lead-late.track",
].map((f) => readFileSync(f)) as [Buffer, Buffer];
let file: string;
let rows: Record<string, string[]>;

beforeAll(async () => {
  const db = await machine();
  await db
    .insert(golfer)
    .values({ id: "g", name: "Wren Halloway", hand: "right", statureCm: 170, units: "cm" });
  for (const [kind, bytes] of [
    ["clips", film],
    ["tracks", track],
  ] as const)
    await putBlob(kind, sha(bytes), Readable.from([bytes]));
  await saveReps(db, {
    golferId: "g",
    clip: { sha256: sha(film), name: "a.mp4", bytes: film.length },
    trackSha256: sha(track),
    drill: "double-step",
    at: new Date("2026-11-24T10:00:00Z"),
  });
  rows = await rowsOf(db);
  file = path.join(dir, "all.zip");
  await pipeline(
    Readable.fromWeb((await openBackup(db)).stream() as unknown as WebStream),
    createWriteStream(file),
  );
});
afterAll(async () => {
  await endStores();
  rmSync(dir, { recursive: true, force: true });
});

/** The backup with its entries changed. */
async function changed(
  change: (entries: Map<string, Uint8Array>, list: BackupManifest) => void,
): Promise<string> {
  const entries = new Map<string, Uint8Array>();
  for (const e of await new ZipReader(new BlobReader(new Blob([readFileSync(file)]))).getEntries())
    if (!e.directory) entries.set(e.filename, await e.getData(new Uint8ArrayWriter()));
  const list = JSON.parse(
    Buffer.from(entries.get("backup.json")!).toString("utf8"),
  ) as BackupManifest;
  entries.delete("backup.json");
  change(entries, list);
  const zip = new ZipWriter(new BlobWriter());
  await zip.add("backup.json", new TextReader(JSON.stringify(list)));
  for (const [name, bytes] of entries)
    await zip.add(name, new BlobReader(new Blob([bytes as Uint8Array<ArrayBuffer>])));
  const to = path.join(dir, "changed.zip");
  writeFileSync(to, Buffer.from(await (await zip.close()).arrayBuffer()));
  return to;
}

describe("a backup", () => {
  it("restored on another machine gives the same rows and files", async () => {
    const db = await machine();
    await db
      .insert(golfer)
      .values({ id: "other", name: "Somebody", hand: "left", statureCm: 180, units: "cm" });
    const told: number[] = [];
    await restoreBackup(file, (bytes, of) => told.push(bytes / of));
    expect(await rowsOf(db)).toEqual(rows);
    expect(readFileSync(blobPath("clips", sha(film))).equals(film)).toBe(true);
    expect(readFileSync(blobPath("tracks", sha(track))).equals(track)).toBe(true);
    expect(told.at(-1)).toBe(1);
  });

  it("that was cut, damaged or is somebody else's is refused with why, and what was there stands", async () => {
    const db = await machine();
    await db
      .insert(golfer)
      .values({ id: "mine", name: "Me", hand: "left", statureCm: 180, units: "cm" });
    const mine = await rowsOf(db);
    const whole = readFileSync(file);
    const as = (bytes: Uint8Array) => {
      const to = path.join(dir, "bad.zip");
      writeFileSync(to, bytes);
      return to;
    };
    const flipped = (at: number) => {
      const bytes = Buffer.from(whole);
      bytes[at]! ^= 1;
      return as(bytes);
    };
    const bad: [() => string | Promise<string>, RegExp][] = [
      [() => as(whole.subarray(0, whole.length - 100)), /no ZIP, or it was cut short/],
      [() => as(Buffer.from("not a zip at all")), /no ZIP, or it was cut short/],
      // In the middle of the film, and of the rows.
      [() => flipped(whole.length - (film.length >> 1)), /^clips\/.*damaged/],
      [() => flipped(whole.indexOf("rows/measure.ndjson") + 400), /damaged|cut short/],
      [
        () => changed((_, list) => void (list.format = "another" as never)),
        /no backup of this program/,
      ],
      [() => changed((_, list) => void (list.schema += 1)), /newer version/],
      [() => changed((e) => void e.set("../../evil", new Uint8Array(3))), /no ZIP|does not name/],
      [() => changed((e) => void e.set("clips/more", new Uint8Array(3))), /does not name/],
      [() => changed((e) => void e.delete("rows/rep.ndjson")), /rows\/rep\.ndjson is not in it/],
      [
        () => changed((e) => e.set(`tracks/${sha(track)}`, new Uint8Array(track.length))),
        /^tracks\/.*damaged/,
      ],
      [
        () => changed((_, list) => void (list.clips[0]!.sha256 = "../../../etc/passwd")),
        /list can't be read/,
      ],
      // One row that the database's own reader of JSON can't take, and ones that no table of ours
      // holds.
      ...(
        [
          [
            `{"id":"x","name":${"[".repeat(20_000)}${"]".repeat(20_000)}}`,
            /nested more than 64 deep/,
          ],
          [`{"id":"${"x".repeat(17e6)}"}`, /longer than 16 MB/],
          ["{}", /Row 1 of golfer can't be read/],
          ["no json", /Row 1 of golfer is no JSON/],
          [golferRow({ hand: "middle" }), /hand/],
          [golferRow({ goals: { a: 1 } }), /goals/],
          [golferRow({ more: 1 }), /more/],
          [`${golferRow({})}\n${golferRow({ id: "h" })}`, /golfer has 2 rows, and 1 are announced/],
        ] as const
      ).map(([text, why]): [() => Promise<string>, RegExp] => [
        () =>
          changed((e, list) => {
            const bytes = Buffer.from(text);
            e.set("rows/golfer.ndjson", bytes);
            Object.assign(
              list.tables.find((t) => t.name === "golfer")!,
              { rows: 1, bytes: bytes.length, sha256: sha(bytes) },
            );
          }),
        why,
      ]),
      // All as it is listed, but reps of a clip that is not there.
      [
        () =>
          changed((e, list) => {
            const none = list.tables.find((t) => t.name === "clip")!;
            e.set("rows/clip.ndjson", new Uint8Array());
            Object.assign(none, { rows: 0, bytes: 0, sha256: sha(new Uint8Array()) });
          }),
        /rows don't go together/,
      ],
    ];
    for (const [make, why] of bad) {
      const error = await restoreBackup(await make()).then(
        () => null,
        (e: unknown) => e as Error,
      );
      expect(error, String(why)).toBeInstanceOf(BackupError);
      expect(error!.message).toMatch(why);
    }
    expect(await rowsOf(db)).toEqual(mine);
    await closeDatabase();
    expect(await rowsOf(await database())).toEqual(mine);
  });

  it("that took the place of what was there can be undone, until it is said that all is well", async () => {
    const db = await machine();
    await db
      .insert(golfer)
      .values({ id: "mine", name: "Me", hand: "left", statureCm: 180, units: "cm" });
    const mine = await rowsOf(db);
    await restoreBackup(file);
    expect(await rowsOf(db)).toEqual(rows);
    await bringBack(listStanding(dataDir())[0]!.id);
    expect(await rowsOf(db)).toEqual(mine);
    await bringBack(listStanding(dataDir())[0]!.id);
    expect(await rowsOf(db)).toEqual(rows);
    const [last] = listStanding(dataDir());
    await letGo(last!.id);
    expect(listStanding(dataDir())).toEqual([]);
    await closeDatabase();
    expect(await rowsOf(await database())).toEqual(rows);
  });

  it("of an older version is brought up to the present one", async () => {
    const db = await machine();
    // As it was before corrections, bouts' own figures and plans: what rows knew of them then is
    // nothing.
    const later = ["correction", "bout_measure", "plan"];
    const old = await changed((e, list) => {
      later.forEach((name) => e.delete(`rows/${name}.ndjson`));
      Object.assign(list, {
        schema: 1,
        tables: list.tables.filter((t) => !later.includes(t.name)),
      });
    });
    await restoreBackup(old);
    expect(await rowsOf(db)).toEqual(rows);
    expect(await db.select().from(clip)).toHaveLength(1);
  });
});
