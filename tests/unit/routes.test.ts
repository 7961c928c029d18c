import { createHash, randomUUID } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { Uint8ArrayReader, Uint8ArrayWriter, ZipReader, type FileEntry } from "@zip.js/zip.js";
import { sql } from "drizzle-orm";
import fc from "fast-check";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import { readInsolesCsv } from "@/core/formats/insolesCsv";
import { repManifest } from "@/core/formats/repPackage";
import { readTrack, writeTrack } from "@/core/formats/trackFile";
import { toRows } from "@/core/practice/insoles/rows";
import { TABLES } from "@/server/backup/tables";
import { database } from "@/server/db/open";
import { rowsOf } from "@/server/db/rowsOf";
import { golfer } from "@/server/db/schema";
import { endStores, freshStore } from "./freshStore";

let chosen: string | undefined;
vi.mock("next/headers", () => ({ cookies: async () => ({ get: () => (chosen === undefined ? undefined : { value: chosen }), set: () => {} }) }));

type Handler = (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response>;
interface Route {
  method: string;
  /** As the folders say it: `reps/[id]/measures`. */
  at: string;
  handle: Handler;
}

const METHODS = ["GET", "PUT", "POST", "DELETE"] as const;
const sha = (b: Uint8Array) => createHash("sha256").update(b).digest("hex");
const track = readFileSync("demo/tracks/double-step-good.track");
const routes: Route[] = [];
const route = (method: string, at: string): Route => routes.find((r) => r.method === method && r.at === at)!;

/** Sends a request; `at` with its names filled in from `names`. */
async function send({ method, at, handle }: Route, names: Record<string, string> = {}, query = "", sent?: BodyInit): Promise<{ status: number; body: unknown; response: Response }> {
  const url = `http://localhost/api/${at.replace(/\[(\w+)\]/g, (_, n: string) => encodeURIComponent(names[n] ?? ""))}${query}`;
  const response = await handle(new Request(url, { method, ...(sent === undefined || method === "GET" ? {} : { body: sent }) }), { params: Promise.resolve(names) });
  const bytes = Buffer.from(await response.clone().arrayBuffer());
  const isJson = response.headers.get("content-type")?.includes("json");
  return { status: response.status, body: isJson ? JSON.parse(bytes.toString("utf8")) : bytes, response };
}

const reps = (change: object = {}) => JSON.stringify({ clip: { sha256: sha(Buffer.from("film")), name: "a.mp4", bytes: 4 }, trackSha256: sha(track), drill: "double-step", ...change });

/** How many rows each table has. */
async function rows(): Promise<unknown[]> {
  const db = await database();
  return Promise.all(TABLES.map(async (name) => [name, rowsOf<{ n: number }>(await db.execute(sql`select count(*)::int as n from ${sql.identifier(name)}`))[0]!.n]));
}

let repId: string;
beforeAll(async () => {
  const { db } = await freshStore();
  await db.insert(golfer).values([{ id: "wren", name: "Wren Alder", hand: "right", statureCm: 170, units: "cm" }, { id: "other", name: "Sorrel Finch", hand: "left", statureCm: 182, units: "cm" }]);
  chosen = "wren";
  for (const file of readdirSync("src/app/api", { recursive: true, encoding: "utf8" }).filter((f) => path.basename(f) === "route.ts")) {
    const at = path.dirname(file);
    const methods = (await import(path.resolve("src/app/api", file))) as Record<string, Handler>;
    for (const method of METHODS) if (methods[method]) routes.push({ method, at, handle: methods[method] });
  }
  expect((await send(route("PUT", "tracks/[sha256]"), { sha256: sha(track) }, "", track)).status).toBe(201);
  const kept = await send(route("POST", "reps"), {}, "", reps());
  expect(kept.status).toBe(201);
  [repId] = (kept.body as { ids: [string] }).ids;
}, 120_000);
afterAll(endStores);

describe("what comes over the wire", () => {
  const odd = fc.oneof(
    fc.string({ maxLength: 40, unit: "grapheme" }), fc.constantFrom("../../etc/passwd", "..%2f..%2fkingfisher.lock", "'; drop table rep; --", "\u0000", "2026-13-45", "9999-99-99", "0000-00-00", "NaN", "-1", "1e999", "a".repeat(5000)), fc.uuid(), fc.constantFrom(sha(Buffer.from("nothing"))),
    fc.constantFrom("double-step", "first", "right"),
  );
  const json = fc.oneof(fc.json({ maxDepth: 3 }), fc.constantFrom("", "{", "null", "[]", "[null]", reps({ drill: "no such drill" }), reps({ stage: "no such stage" }), reps({ captureFps: 1e9 }), reps({ trackSha256: "../../etc" }), reps({ live: { boutId: randomUUID(), at: "2099-01-01T00:00:00Z", told: [] } })));

  it("is answered in words where it is no good, whatever it is, and nothing is changed by it", async () => {
    expect(routes.length).toBeGreaterThan(15);
    const before = await rows();
    for (const one of routes) {
      const names = [...one.at.matchAll(/\[(\w+)\]/g)].map((m) => m[1]!);
      await fc.assert(
        fc.asyncProperty(fc.array(odd, { minLength: names.length, maxLength: names.length }), fc.dictionary(fc.constantFrom("as", "job", "progress", "at", "reps", "drill", "stage", "stature", "hand", "fault", "bout", "clip", "brief"), odd), json, async (values, query, sent) => {
          const { status, body } = await send(one, Object.fromEntries(names.map((n, k) => [n, values[k]!])), `?${new URLSearchParams(query)}`, sent);
          const told = `${one.method} ${one.at} ${JSON.stringify([values, query, sent]).slice(0, 300)}: ${status} ${JSON.stringify(body).slice(0, 200)}`;
          expect(status, told).toBeLessThan(500);
          if (status >= 400) expect((body as { message?: string }).message ?? "", told).toMatch(/\w{2,} \w+.*/);
        }),
        { numRuns: one.method === "GET" && one.at === "backup" ? 3 : 60, seed: 13 },
      );
    }
    expect(await rows()).toEqual(before);
  }, 240_000);

  it("is refused where a track is none, is cut, or is of another version, with what to do", async () => {
    const before = await rows();
    const other = Buffer.from(track);
    other[7] = "9".charCodeAt(0);
    // Whole, but its times run backwards.
    const backwards = readTrack(track);
    backwards.times.reverse();
    for (const bytes of [Buffer.from("no track at all"), Buffer.from(track.subarray(0, 9)), Buffer.from(writeTrack(backwards)), track.subarray(0, track.length >> 1), track.subarray(0, 20), other, Buffer.concat([track.subarray(0, 200), Buffer.alloc(track.length - 200, 0xff)])]) {
      expect((await send(route("PUT", "tracks/[sha256]"), { sha256: sha(bytes) }, "", new Uint8Array(bytes))).status).toBe(201);
      const { status, body } = await send(route("POST", "reps"), {}, "", reps({ trackSha256: sha(bytes) }));
      expect([status, (body as { message: string }).message], `${bytes.length} bytes`).toEqual([400, expect.stringMatching(/again/i)]);
    }
    expect(await rows()).toEqual(before);
  });

  it("with a character that no database keeps it is refused whole", async () => {
    const odd = [{ id: randomUUID(), kind: "verdict", was: "pass", now: "fail", reason: "a \u0000 in it" }];
    const before = await rows();
    expect(await send(route("PUT", "reps/[id]/corrections"), { id: repId }, "", JSON.stringify(odd))).toMatchObject({ status: 400, body: { message: expect.stringMatching(/Take it out/) } });
    expect(await send(route("POST", "reps"), {}, "", reps({ clip: { sha256: sha(Buffer.from("other film")), name: "\u0000.mp4", bytes: 4 } }))).toMatchObject({ status: 400, body: { message: expect.stringMatching(/Take it out/) } });
    expect(await rows()).toEqual(before);
  });

  it("a rep goes out as one file that holds what it says, its insoles among it as a file that comes in again", async () => {
    const reading = readInsolesCsv(readFileSync("demo/insoles/double-step-good.csv", "utf8"));
    if (!reading.ok) throw new Error(reading.message);
    const cut = (x: Float64Array) => x.slice(0, 200);
    const { t, left, right } = reading.reading;
    const laid = toRows({ t: cut(t), left: { heel: cut(left.heel), toe: cut(left.toe) }, right: { heel: cut(right.heel), toe: cut(right.toe) } });
    expect((await send(route("PUT", "reps/[id]/insoles"), { id: repId }, "", JSON.stringify({ fileName: "mine.csv", offsetMs: 0, r: 0.97, rows: laid }))).status).toBe(204);
    const { body } = await send(route("GET", "reps/[id]/package"), { id: repId });
    const entries = await new ZipReader(new Uint8ArrayReader(body as Uint8Array)).getEntries();
    const read = async (name: string) => Buffer.from(await (entries.find((e) => e.filename === name) as FileEntry).getData(new Uint8ArrayWriter()));
    const manifest = repManifest.parse(JSON.parse((await read("rep.json")).toString("utf8")));
    expect(manifest.insoles).toEqual({ from: "mine.csv", r: 0.97 });
    for (const file of manifest.files) expect([file.name, sha(await read(file.name))]).toEqual([file.name, file.sha256]);
    const again = readInsolesCsv((await read("insoles.csv")).toString("utf8"));
    expect(again.ok && toRows(again.reading)).toEqual(laid);
  });

  it("another golfer of the household can't change what is not theirs", async () => {
    chosen = "other";
    try {
      expect((await send(route("PUT", "reps/[id]/corrections"), { id: repId }, "", "[]")).status).toBe(404);
      expect((await send(route("PUT", "reps/[id]/insoles"), { id: repId }, "", "null")).status).toBe(404);
      expect((await send(route("GET", "strips"), {}, `?reps=${repId}`)).body).toEqual({});
      expect((await send(route("GET", "corrections"))).body).toEqual({ corrections: [] });
      expect(String((await send(route("GET", "log"), {}, "?as=json")).response.status)).toBe("200");
      expect((await send(route("GET", "log"), {}, "?as=json")).body).toMatchObject({ sessions: [] });
    } finally {
      chosen = "wren";
    }
    expect((await send(route("PUT", "reps/[id]/corrections"), { id: repId }, "", "[]")).status).toBe(204);
    expect((await send(route("GET", "strips"), {}, `?reps=${repId}`)).body).toHaveProperty(repId);
  });

  it("a part of a film is sent as it is asked for, and one that is not there is said to be", async () => {
    const film = route("GET", "tracks/[sha256]");
    const ask = async (range: string) => {
      const response = await film.handle(new Request("http://localhost/", { headers: { range } }), { params: Promise.resolve({ sha256: sha(track) }) });
      return [response.status, response.headers.get("content-range"), Buffer.from(await response.arrayBuffer())] as const;
    };
    const all = track.length;
    await fc.assert(
      fc.asyncProperty(fc.nat(all + 50), fc.nat(all + 50), async (from, to) => {
        const [status, told, bytes] = await ask(`bytes=${from}-${to}`);
        const end = Math.min(to, all - 1);
        const there = from <= to && from < all;
        expect([status, told]).toEqual(there ? [206, `bytes ${from}-${end}/${all}`] : [416, `bytes */${all}`]);
        expect(bytes.equals(there ? track.subarray(from, end + 1) : Buffer.alloc(0))).toBe(true);
      }),
      { numRuns: 60, seed: 5 },
    );
    expect((await ask("bytes=-10"))[2].equals(track.subarray(-10))).toBe(true);
    expect((await ask("bytes=5-"))[2].equals(track.subarray(5))).toBe(true);
  });
});
