import { createHash, randomUUID } from "node:crypto";
import { existsSync, readdirSync, readFileSync } from "node:fs";
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
import { DRILLS } from "@/core/drills";
import { fileOf } from "@/core/formats/drillFile";
import { database, type Db } from "@/server/db/open";
import { addOwn } from "@/server/drills/ownDrills";
import { rowsOf } from "@/server/db/rowsOf";
import { golfer } from "@/server/db/schema";
import { endStores, freshStore } from "./freshStore";

let chosen: string | undefined;
vi.mock("next/headers", () => ({
  cookies: async () => ({
    get: () => (chosen === undefined ? undefined : { value: chosen }),
    set: () => {},
  }),
}));

type Handler = (
  request: Request,
  context: { params: Promise<Record<string, string>> },
) => Promise<Response>;
interface Route {
  method: string;
  /** As the folders say it: `reps/[id]/measures`. */
  at: string;
  handle: Handler;
}

const METHODS = ["GET", "HEAD", "PUT", "POST", "DELETE"] as const;
const sha = (b: Uint8Array) => createHash("sha256").update(b).digest("hex");
const track = readFileSync("demo/tracks/double-step-good.track");
const routes: Route[] = [];
const route = (method: string, at: string): Route =>
  routes.find((r) => r.method === method && r.at === at)!;

/** Sends a request; `at` with its names filled in from `names`. */
async function send(
  { method, at, handle }: Route,
  names: Record<string, string> = {},
  query = "",
  sent?: BodyInit,
  headers: Record<string, string> = { "content-type": "application/json" },
): Promise<{ status: number; body: unknown; response: Response }> {
  const url = `http://localhost/api/${at.replace(/\[(\w+)\]/g, (_, n: string) => encodeURIComponent(names[n] ?? ""))}${query}`;
  const response = await handle(
    new Request(url, {
      method,
      headers,
      ...(sent === undefined || method === "GET" || method === "HEAD" ? {} : { body: sent }),
    }),
    { params: Promise.resolve(names) },
  );
  const bytes = Buffer.from(await response.clone().arrayBuffer());
  const isJson = response.headers.get("content-type")?.includes("json");
  return {
    status: response.status,
    body: isJson ? JSON.parse(bytes.toString("utf8")) : bytes,
    response,
  };
}

const reps = (change: object = {}) =>
  JSON.stringify({
    golfer: { id: "wren", hand: "right", statureCm: 170 },
    clip: { sha256: sha(Buffer.from("film")), name: "a.mp4", bytes: 4 },
    trackSha256: sha(track),
    drill: "double-step",
    ...change,
  });

/** How many rows each table has. */
async function rows(): Promise<unknown[]> {
  const db = await database();
  return Promise.all(
    TABLES.map(async (name) => [
      name,
      rowsOf<{ n: number }>(
        await db.execute(sql`select count(*)::int as n from ${sql.identifier(name)}`),
      )[0]!.n,
    ]),
  );
}

let repId: string;
/** A drill of Wren's own. */
let drillId: string;
let dir: string;
beforeAll(async () => {
  let db: Db;
  ({ db, dir } = await freshStore());
  await db.insert(golfer).values([
    { id: "wren", name: "Wren Alder", hand: "right", statureCm: 170, units: "cm" },
    { id: "other", name: "Sorrel Finch", hand: "left", statureCm: 182, units: "cm" },
  ]);
  chosen = "wren";
  for (const file of readdirSync("src/app/api", { recursive: true, encoding: "utf8" }).filter(
    (f) => path.basename(f) === "route.ts",
  )) {
    const at = path.dirname(file);
    const methods = (await import(path.resolve("src/app/api", file))) as Record<string, Handler>;
    for (const method of METHODS)
      if (methods[method]) routes.push({ method, at, handle: methods[method] });
  }
  expect(
    (await send(route("PUT", "tracks/[sha256]"), { sha256: sha(track) }, "", track)).status,
  ).toBe(201);
  const kept = await send(route("POST", "reps"), {}, "", reps());
  expect(kept.status).toBe(201);
  [repId] = (kept.body as { ids: [string] }).ids;
  drillId = await addOwn(db, "wren", fileOf(DRILLS[0]!));
}, 120_000);
afterAll(endStores);

describe("what comes over the wire", () => {
  const odd = fc.oneof(
    fc.string({ maxLength: 40, unit: "grapheme" }),
    fc.constantFrom(
      "../../etc/passwd",
      "..%2f..%2fkingfisher.lock",
      "'; drop table rep; --",
      "\u0000",
      "2026-13-45",
      "9999-99-99",
      "0000-00-00",
      "NaN",
      "-1",
      "1e999",
      "a".repeat(5000),
    ),
    fc.uuid(),
    fc.constantFrom(sha(Buffer.from("nothing"))),
    fc.constantFrom("double-step", "first", "right"),
  );
  const json = fc.oneof(
    fc.json({ maxDepth: 3 }),
    fc.constantFrom(
      "",
      "{",
      "null",
      "[]",
      "[null]",
      reps({ drill: "no such drill" }),
      reps({ stage: "no such stage" }),
      reps({ captureFps: 1e9 }),
      reps({ trackSha256: "../../etc" }),
      reps({ live: { boutId: randomUUID(), at: "2099-01-01T00:00:00Z", told: [] } }),
    ),
  );

  it("is answered in words where it is no good, whatever it is, and nothing is changed by it", async () => {
    expect(routes.length).toBeGreaterThan(15);
    const before = await rows();
    for (const one of routes) {
      const names = [...one.at.matchAll(/\[(\w+)\]/g)].map((m) => m[1]!);
      await fc.assert(
        fc.asyncProperty(
          fc.array(odd, { minLength: names.length, maxLength: names.length }),
          fc.dictionary(
            fc.constantFrom(
              "as",
              "job",
              "progress",
              "at",
              "reps",
              "drill",
              "stage",
              "stature",
              "hand",
              "fault",
              "bout",
              "clip",
              "brief",
            ),
            odd,
          ),
          json,
          async (values, query, sent) => {
            const { status, body } = await send(
              one,
              Object.fromEntries(names.map((n, k) => [n, values[k]!])),
              `?${new URLSearchParams(query)}`,
              sent,
            );
            const told = `${one.method} ${one.at} ${JSON.stringify([values, query, sent]).slice(0, 300)}: ${status} ${JSON.stringify(body).slice(0, 200)}`;
            expect(status, told).toBeLessThan(500);
            if (status >= 400 && one.method !== "HEAD")
              expect((body as { message?: string }).message ?? "", told).toMatch(/\w{2,} \w+.*/);
          },
        ),
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
    for (const bytes of [
      Buffer.from("no track at all"),
      Buffer.from(track.subarray(0, 9)),
      Buffer.from(writeTrack(backwards)),
      track.subarray(0, track.length >> 1),
      track.subarray(0, 20),
      other,
      Buffer.concat([track.subarray(0, 200), Buffer.alloc(track.length - 200, 0xff)]),
    ]) {
      expect(
        (
          await send(
            route("PUT", "tracks/[sha256]"),
            { sha256: sha(bytes) },
            "",
            new Uint8Array(bytes),
          )
        ).status,
      ).toBe(201);
      const { status, body } = await send(
        route("POST", "reps"),
        {},
        "",
        reps({ trackSha256: sha(bytes) }),
      );
      expect([status, (body as { message: string }).message], `${bytes.length} bytes`).toEqual([
        400,
        expect.stringMatching(/again/i),
      ]);
    }
    expect(await rows()).toEqual(before);
  });

  it("with a character that no database keeps it is refused whole", async () => {
    const odd = [
      { id: randomUUID(), kind: "verdict", was: "pass", now: "fail", reason: "a \u0000 in it" },
    ];
    const before = await rows();
    expect(
      await send(route("PUT", "reps/[id]/corrections"), { id: repId }, "", JSON.stringify(odd)),
    ).toMatchObject({ status: 400, body: { message: expect.stringMatching(/Take it out/) } });
    expect(
      await send(
        route("POST", "reps"),
        {},
        "",
        reps({ clip: { sha256: sha(Buffer.from("other film")), name: "\u0000.mp4", bytes: 4 } }),
      ),
    ).toMatchObject({ status: 400, body: { message: expect.stringMatching(/Take it out/) } });
    expect(await rows()).toEqual(before);
  });

  it("a rep goes out as one file that holds what it says, its insoles among it as a file that comes in again", async () => {
    const reading = readInsolesCsv(readFileSync("demo/insoles/double-step-good.csv", "utf8"));
    if (!reading.ok) throw new Error(reading.message);
    const cut = (x: Float64Array) => x.slice(0, 200);
    const { t, left, right } = reading.reading;
    const laid = toRows({
      t: cut(t),
      left: { heel: cut(left.heel), toe: cut(left.toe) },
      right: { heel: cut(right.heel), toe: cut(right.toe) },
    });
    expect(
      (
        await send(
          route("PUT", "reps/[id]/insoles"),
          { id: repId },
          "",
          JSON.stringify({ fileName: "mine.csv", offsetMs: 0, r: 0.97, rows: laid }),
        )
      ).status,
    ).toBe(204);
    const { body } = await send(route("GET", "reps/[id]/package"), { id: repId });
    const entries = await new ZipReader(new Uint8ArrayReader(body as Uint8Array)).getEntries();
    const read = async (name: string) =>
      Buffer.from(
        await (entries.find((e) => e.filename === name) as FileEntry).getData(
          new Uint8ArrayWriter(),
        ),
      );
    const manifest = repManifest.parse(JSON.parse((await read("rep.json")).toString("utf8")));
    expect(manifest.insoles).toEqual({ from: "mine.csv", r: 0.97 });
    for (const file of manifest.files)
      expect([file.name, sha(await read(file.name))]).toEqual([file.name, file.sha256]);
    const again = readInsolesCsv((await read("insoles.csv")).toString("utf8"));
    expect(again.ok && toRows(again.reading)).toEqual(laid);
  });

  it("another page gets nothing done or told by any route", async () => {
    const before = await rows();
    const names = {
      id: repId,
      sha256: sha(track),
      drill: "double-step",
      stage: "whole-fo",
      monday: "2026-11-30",
      job: randomUUID(),
    };
    for (const one of routes)
      for (const headers of [
        { "sec-fetch-site": "cross-site" } as Record<string, string>,
        { "sec-fetch-site": "same-site" },
        { origin: "http://evil.example", host: "localhost" },
        { origin: "null", host: "localhost" },
      ]) {
        const { status, body } = await send(one, names, "?as=csv", reps(), {
          "content-type": "application/json",
          ...headers,
        });
        expect([one.at, status], JSON.stringify(headers)).toEqual([one.at, 403]);
        if (one.method !== "HEAD")
          expect((body as { message: string }).message).toBe(
            "Another page asked for this. Only the program’s own pages may.",
          );
      }
    expect(await rows()).toEqual(before);
    expect(
      (
        await send(route("GET", "corrections"), {}, "", undefined, {
          "sec-fetch-site": "same-origin",
        })
      ).status,
    ).toBe(200);
    // Typed into the address, or a saved link.
    expect(
      (await send(route("GET", "corrections"), {}, "", undefined, { "sec-fetch-site": "none" }))
        .status,
    ).toBe(200);
    expect(
      (
        await send(route("PUT", "reps/[id]/corrections"), { id: repId }, "", "[]", {
          "sec-fetch-site": "none",
          "content-type": "application/json",
        })
      ).status,
    ).toBe(403);
  });

  it("JSON comes as JSON, and never without end", async () => {
    expect(
      await send(route("POST", "reps"), {}, "", reps(), { "content-type": "text/plain" }),
    ).toMatchObject({ status: 415 });
    let sent = 0;
    const endless = new ReadableStream<Uint8Array>({
      pull: (out) => (sent++, out.enqueue(new Uint8Array(1e6).fill(0x20))),
    });
    const response = await route("POST", "reps").handle(
      new Request("http://localhost/", {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: endless,
        duplex: "half",
      } as RequestInit),
      { params: Promise.resolve({}) },
    );
    expect([response.status, await response.json()]).toEqual([
      413,
      { message: "That is more than 8 MB." },
    ]);
    expect(sent).toBeLessThan(15);
  });

  it("a backup, a film or a table is begun when it is read, and ends with its reader; a HEAD does nothing", async () => {
    const aside = () =>
      existsSync(path.join(dir, "tmp"))
        ? readdirSync(path.join(dir, "tmp")).filter((f) => f.startsWith("backup-"))
        : [];
    const open = () => readdirSync("/proc/self/fd").length;
    const before = open();
    for (const [at, names, query] of [
      ["backup", {}, ""],
      ["tracks/[sha256]", { sha256: sha(track) }, ""],
      ["log", {}, "?as=csv"],
      ["reps/[id]/package", { id: repId }, ""],
    ] as [string, Record<string, string>, string][]) {
      expect((await send(route("HEAD", at), names, query)).status).toBe(200);
      // Asked for, and never read.
      await route("GET", at).handle(new Request(`http://localhost/api${query}`), {
        params: Promise.resolve(names),
      });
    }
    expect(aside()).toEqual([]);
    for (let k = 0; k < 5; k++) {
      const response = await route("GET", "backup").handle(new Request("http://localhost/api"), {
        params: Promise.resolve({}),
      });
      const reader = response.body!.getReader();
      expect((await reader.read()).value!.length).toBeGreaterThan(0);
      await reader.cancel();
    }
    await vi.waitFor(() => expect(aside()).toEqual([]));
    expect((await send(route("GET", "backup"))).body).toMatchObject({ length: expect.any(Number) });
    await vi.waitFor(() => expect(open()).toBeLessThanOrEqual(before + 2));
  });

  it("a rep is kept for whom it was filmed, with their hand and stature of then, whoever practises here by now", async () => {
    const db = await database();
    chosen = "other";
    const bout = randomUUID();
    const [{ about } = { about: 0 }] = rowsOf<{ about: number }>(
      await db.execute(sql`select (from_ms + to_ms) / 2 as about from rep where id = ${repId}`),
    );
    const live = (name: string, change: object = {}) =>
      reps({
        clip: { sha256: sha(Buffer.from(name)), name: "a.mp4", bytes: 4 },
        golfer: { id: "wren", hand: "right", statureCm: 171.5 },
        live: {
          boutId: bout,
          at: new Date().toISOString(),
          told: [{ result: "pass", cue: null, reason: null, about }],
        },
        ...change,
      });
    const kept = await send(route("POST", "reps"), {}, "", live("theirs"));
    expect(kept.status).toBe(201);
    const [row] = rowsOf<{ golfer: string; stature: number }>(
      await db.execute(
        sql`select b.golfer_id as golfer, r.stature_cm as stature from rep r join bout b on b.id = r.bout_id where b.id = ${bout}`,
      ),
    );
    expect(row).toEqual({ golfer: "wren", stature: 171.5 });
    const refused = async (body: string) => ({
      ...(await send(route("POST", "reps"), {}, "", body)),
    });
    // Into a bout of another golfer's, or of another drill.
    expect(
      await refused(live("mine", { golfer: { id: "other", hand: "left", statureCm: 182 } })),
    ).toMatchObject({ status: 409, body: { message: expect.stringMatching(/another golfer’s/) } });
    expect(await refused(live("swing", { drill: "normal-swing" }))).toMatchObject({
      status: 409,
      body: { message: expect.stringMatching(/another drill/) },
    });
    expect(
      await refused(live("gone", { golfer: { id: "gone", hand: "left", statureCm: 182 } })),
    ).toMatchObject({ status: 409, body: { message: expect.stringMatching(/not here any more/) } });
    expect(
      await refused(live("old", { live: { boutId: bout, at: "1998-03-01T10:00:00Z", told: [] } })),
    ).toMatchObject({
      status: 400,
      body: { message: expect.stringMatching(/clock said 1998-03-01/) },
    });
    await send(
      route("DELETE", "reps"),
      {},
      `?golfer=other&bout=${bout}&clip=${sha(Buffer.from("theirs"))}`,
    );
    expect(rowsOf(await db.execute(sql`select id from rep where bout_id = ${bout}`))).toHaveLength(
      1,
    );
    chosen = "wren";
  });

  it("another golfer of the household is shown and changes nothing that is not theirs, by any route", async () => {
    const before = await rows();
    chosen = "other";
    try {
      for (const one of routes) {
        if (
          !/\[(id|sha256)\]/.test(one.at) ||
          one.method === "HEAD" ||
          (one.at === "tracks/[sha256]" && one.method === "PUT") ||
          (one.at === "clips/[sha256]" && one.method === "PUT")
        )
          continue;
        for (const id of one.at.startsWith("drills") ? [drillId] : [repId, drillId]) {
          const { status } = await send(
            one,
            { id, sha256: sha(track) },
            "",
            one.at.endsWith("insoles") ? "null" : "[]",
          );
          expect([one.at, status]).toEqual([one.at, 404]);
        }
      }
      expect(
        (await send(route("PUT", "reps/[id]/corrections"), { id: repId }, "", "[]")).status,
      ).toBe(404);
      expect(
        (await send(route("PUT", "reps/[id]/insoles"), { id: repId }, "", "null")).status,
      ).toBe(404);
      expect((await send(route("GET", "strips"), {}, `?reps=${repId}`)).body).toEqual({});
      expect((await send(route("GET", "corrections"))).body).toEqual({ corrections: [] });
      expect(String((await send(route("GET", "log"), {}, "?as=json")).response.status)).toBe("200");
      expect((await send(route("GET", "log"), {}, "?as=json")).body).toMatchObject({
        sessions: [],
      });
    } finally {
      chosen = "wren";
    }
    expect(await rows()).toEqual(before);
    expect((await send(route("GET", "drills/[id]"), { id: drillId })).status).toBe(200);
    expect(
      (await send(route("PUT", "reps/[id]/corrections"), { id: repId }, "", "[]")).status,
    ).toBe(204);
    expect((await send(route("GET", "strips"), {}, `?reps=${repId}`)).body).toHaveProperty(repId);
  });

  it("a part of a film is sent as it is asked for, and one that is not there is said to be", async () => {
    const film = route("GET", "tracks/[sha256]");
    const ask = async (range: string) => {
      const response = await film.handle(new Request("http://localhost/", { headers: { range } }), {
        params: Promise.resolve({ sha256: sha(track) }),
      });
      return [
        response.status,
        response.headers.get("content-range"),
        Buffer.from(await response.arrayBuffer()),
      ] as const;
    };
    const all = track.length;
    await fc.assert(
      fc.asyncProperty(fc.nat(all + 50), fc.nat(all + 50), async (from, to) => {
        const [status, told, bytes] = await ask(`bytes=${from}-${to}`);
        const end = Math.min(to, all - 1);
        const there = from <= to && from < all;
        expect([status, told]).toEqual(
          there ? [206, `bytes ${from}-${end}/${all}`] : [416, `bytes */${all}`],
        );
        expect(bytes.equals(there ? track.subarray(from, end + 1) : Buffer.alloc(0))).toBe(true);
      }),
      { numRuns: 60, seed: 5 },
    );
    expect((await ask("bytes=-10"))[2].equals(track.subarray(-10))).toBe(true);
    expect((await ask("bytes=5-"))[2].equals(track.subarray(5))).toBe(true);
  });
});
