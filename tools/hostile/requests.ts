/**
 * Sends a built site what no page of its own sends, and looks at what it answers, how long it
 * takes, and what is left of the data.
 */
import { spawn } from "node:child_process";
import { createHash, randomUUID } from "node:crypto";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import http from "node:http";
import os from "node:os";
import path from "node:path";
import { Readable } from "node:stream";
import { seeded } from "../../src/core/maths/seeded";
import { putBlob } from "../../src/server/blobs/blobs";
import { closeDatabase, database } from "../../src/server/db/open";
import { bout, golfer, rep } from "../../src/server/db/schema";
import { saveReps } from "../../src/server/reps/saveReps";
import { pick, type Random } from "./mutate";
import { peakMemory } from "./peakMemory";
import { isListedRefusal } from "./sentences";

export interface RequestCount {
  tried: number;
  answered: number;
  refused: number;
  /** Statuses from 500 on, and refusals in no listed sentence. */
  unclear: string[];
  slowestS: number;
  slow: string[];
  peakMB: number;
  /** What is there afterwards is not what was there before. */
  changed: string[];
}

const BOUND_MS = 10_000;
const PORT = 4471;
const sha = (b: Uint8Array | string) => createHash("sha256").update(b).digest("hex");

interface Known {
  film: string;
  track: string;
  reps: string[];
  bouts: string[];
}

/** Two golfers with a rep each. */
async function fill(dir: string): Promise<Record<"wren" | "sorrel", Known>> {
  process.env.KINGFISHER_DATA = dir;
  const db = await database();
  const track = readFileSync("demo/tracks/double-step-good.track");
  await putBlob("tracks", sha(track), Readable.from([track]));
  const out = {} as Record<"wren" | "sorrel", Known>;
  for (const [id, name] of [
    ["wren", "Wren Alder"],
    ["sorrel", "Sorrel Finch"],
  ] as const) {
    await db.insert(golfer).values({ id, name, hand: "right", statureCm: 172, units: "cm" });
    const film = Buffer.from(`film of ${id} `.repeat(1000));
    await putBlob("clips", sha(film), Readable.from([film]));
    const { ids } = await saveReps(db, {
      golferId: id,
      clip: { sha256: sha(film), name: "a.mp4", bytes: film.length },
      trackSha256: sha(track),
      drill: "double-step",
      at: new Date(),
    });
    const [row] = await db.select({ boutId: rep.boutId }).from(rep);
    out[id] = { film: sha(film), track: sha(track), reps: ids, bouts: [row!.boutId] };
  }
  await closeDatabase();
  return out;
}

async function contents(dir: string): Promise<string> {
  process.env.KINGFISHER_DATA = dir;
  const db = await database();
  const all = JSON.stringify([
    await db.select().from(golfer).orderBy(golfer.id),
    await db.select().from(bout).orderBy(bout.id),
    await db
      .select({ id: rep.id, boutId: rep.boutId, clip: rep.clipSha256, removed: rep.removedAt })
      .from(rep)
      .orderBy(rep.id),
  ]);
  await closeDatabase();
  return all;
}

interface Sent {
  method: string;
  at: string;
  headers: Record<string, string>;
  body: { kind: "none" | "bytes" | "large" | "slow" | "cut"; bytes: Buffer };
}

const ROUTES = [
  "backup",
  "backup?progress=:odd",
  "backup?job=:odd",
  "clips/:sha",
  "tracks/:sha",
  "corrections",
  "drill-schema",
  "drills/:id",
  "log?as=:odd",
  "movements/:id/:id?stature=:odd&hand=:odd",
  "plan/:odd",
  "progress?drill=:id&stage=:id",
  "reps",
  "reps?golfer=:id&bout=:id&clip=:sha",
  "reps/:id/corrections",
  "reps/:id/insoles",
  "reps/:id/measures",
  "reps/:id/package",
  "restore/:id",
  "restore/:id?at=:odd",
  "strips?reps=:id",
].map((r) => `/api/${r}`);
const PAGES = [
  "/",
  "/reps",
  "/reps?text=:odd&page=:odd&from=:odd",
  "/reps/:id",
  "/reps/:id/report",
  "/bouts/:id",
  "/sessions/:id",
  "/compare?reps=:id",
  "/drills/:id",
  "/drills?q=:odd",
  "/film?drill=:id&reps=:odd",
  "/read?drill=:id",
  "/plan?week=:odd",
  "/progress?drill=:id&stage=:id",
  "/data",
  "/you",
  "/bin",
  "/nowhere/:odd",
];
const ODD = [
  "",
  "..",
  "../../../etc/passwd",
  "%2e%2e%2f",
  "\u0000",
  "%00",
  "'; drop table rep; --",
  "NaN",
  "-1",
  "1e999",
  "9999-99-99",
  "2026-11-30",
  "csv",
  "json",
  "𝕏".repeat(50),
  "a".repeat(14_000),
  '{"a":1}',
  "__proto__",
  "%ff%fe",
  "\r\nx-evil: 1",
];

function makeRequest(random: Random, known: Record<"wren" | "sorrel", Known>): Sent {
  const theirs = known.sorrel;
  // Who sends it practises as Wren; what would change something of Wren's own comes from another
  // page.
  const here = random.uniform() < 0.6;
  const ids = [
    ...theirs.reps,
    ...theirs.bouts,
    "sorrel",
    "double-step",
    "whole-fo",
    randomUUID(),
    ...ODD.slice(0, 8),
    ...(here ? [] : [...known.wren.reps, ...known.wren.bouts, "wren"]),
  ];
  const shas = [
    theirs.film,
    theirs.track,
    sha("none"),
    "A".repeat(64),
    "../..",
    ...(here ? [] : [known.wren.film]),
  ];
  const at = pick(random, random.uniform() < 0.75 ? ROUTES : PAGES).replace(
    /:(odd|id|sha)/g,
    (_, what: string) =>
      encodeURIComponent(pick(random, what === "odd" ? ODD : what === "id" ? ids : shas)),
  );
  const method = pick(random, [
    "GET",
    "GET",
    "HEAD",
    "PUT",
    "POST",
    "POST",
    "DELETE",
    "OPTIONS",
    "PATCH",
  ]);
  const origin: Record<string, string> = here
    ? pick<Record<string, string>>(random, [
        {},
        { "sec-fetch-site": "same-origin", origin: `http://127.0.0.1:${PORT}` },
      ])
    : pick<Record<string, string>>(random, [
        { "sec-fetch-site": "cross-site", origin: "http://evil.example" },
        { origin: "http://evil.example" },
        { origin: "null" },
        { "sec-fetch-site": "same-site", origin: "http://127.0.0.1:9" },
      ]);
  const headers: Record<string, string> = {
    cookie: `kingfisher-golfer=${pick(random, ["wren", "wren", "nobody", "%00", "x".repeat(4000)])}`,
    ...origin,
    ...pick<Record<string, string>>(random, [
      {},
      { "content-type": "application/json" },
      { "content-type": "application/json" },
      { "content-type": "text/plain" },
      { "content-type": "multipart/form-data; boundary=x" },
    ]),
    ...pick<Record<string, string>>(random, [
      {},
      {},
      { range: "bytes=-" },
      { range: "bytes=5-2" },
      { range: `bytes=0-${"9".repeat(400)}` },
      { range: "lines=1-2" },
      { range: "bytes=0-1,5-6" },
    ]),
    ...(random.uniform() < 0.1
      ? { "next-action": pick(random, ["0".repeat(42), "x", "../.."]) }
      : {}),
    ...(random.uniform() < 0.1
      ? { rsc: "1", "next-router-state-tree": pick(random, ["%5B%5D", "x", "%7B%22a%22%3A1%7D"]) }
      : {}),
  };
  const json = (value: unknown) => Buffer.from(JSON.stringify(value));
  const rep = {
    golfer: {
      id: pick(random, ["sorrel", "nobody", ""]),
      hand: "right",
      statureCm: pick<unknown>(random, [172, 1e9, null]),
    },
    clip: {
      sha256: theirs.film,
      name: pick(random, ["a.mp4", "\u0000", "x".repeat(10_000)]),
      bytes: -1,
    },
    trackSha256: pick(random, shas),
    drill: pick(random, ids),
    live: {
      boutId: pick(random, ids),
      at: pick(random, ["1998-01-01T00:00:00Z", "2999-01-01T00:00:00Z", "soon"]),
      told: [],
    },
  };
  const bytes = pick<() => Buffer>(random, [
    () => Buffer.alloc(0),
    () => json(rep),
    () => json([{ id: "x", kind: "verdict" }]),
    () => json(null),
    () => Buffer.from("{"),
    () => Buffer.from(`${"[".repeat(100_000)}${"]".repeat(100_000)}`),
    () => Buffer.from("\u0000\u0001\u0002"),
    () => json({ rows: new Array(1000).fill(0) }),
  ])();
  const kind = pick<Sent["body"]["kind"]>(random, [
    "none",
    "bytes",
    "bytes",
    "bytes",
    "bytes",
    random.uniform() < 0.15 ? "large" : "bytes",
    random.uniform() < 0.3 ? "slow" : "bytes",
    "cut",
  ]);
  return {
    method,
    at,
    headers,
    body: { kind: ["GET", "HEAD", "OPTIONS"].includes(method) ? "none" : kind, bytes },
  };
}

interface Got {
  status: number;
  body: string;
  type: string;
  ms: number;
  ended: "answered" | "we stopped" | "hung up";
}

/** The largest body that is sent, and how much of an answer is read. */
const LARGE = 60e6;
const READ = 200_000;

function send({ method, at, headers, body }: Sent, random: Random): Promise<Got> {
  const began = performance.now();
  return new Promise((resolve) => {
    const end = (ended: Got["ended"], status = 0, text = "", type = "") =>
      resolve({ status, body: text, type, ms: performance.now() - began, ended });
    const agent = new http.Agent({ keepAlive: false });
    let request: http.ClientRequest;
    try {
      request = http.request({ host: "127.0.0.1", port: PORT, method, path: at, headers, agent });
    } catch {
      // Node itself refuses to send it.
      return end("we stopped");
    }
    request.on("error", () => end("hung up"));
    request.setTimeout(2 * BOUND_MS, () => request.destroy());
    request.on("response", (response) => {
      let text = "";
      const stopsEarly = random.uniform() < 0.1;
      response.on("data", (chunk: Buffer) => {
        text += chunk.toString("utf8");
        if (text.length > READ || stopsEarly) {
          end("we stopped", response.statusCode, text, response.headers["content-type"]);
          response.destroy();
        }
      });
      response.on("end", () =>
        end("answered", response.statusCode, text, response.headers["content-type"]),
      );
      response.on("error", () =>
        end("hung up", response.statusCode, text, response.headers["content-type"]),
      );
    });
    if (body.kind === "none") return request.end();
    if (body.kind === "bytes") return request.end(body.bytes);
    if (body.kind === "large")
      return void Readable.from(
        (function* () {
          for (let sent = 0; sent < LARGE; sent += 1e6) yield Buffer.alloc(1e6, 0x20);
        })(),
      ).pipe(request);
    request.write(body.bytes.subarray(0, 10));
    if (body.kind === "cut")
      return void setTimeout(() => (request.destroy(), end("we stopped")), 100);
    setTimeout(() => request.end(body.bytes.subarray(10)), 1500);
  });
}

/** Sends so many requests to a built site, some of them side by side. */
export async function tryRequests(count: number, seed: number): Promise<RequestCount> {
  const root = mkdtempSync(path.join(os.tmpdir(), "kingfisher-requests-"));
  const dir = path.join(root, "data");
  const random = seeded(seed);
  const result: RequestCount = {
    tried: 0,
    answered: 0,
    refused: 0,
    unclear: [],
    slowestS: 0,
    slow: [],
    peakMB: 0,
    changed: [],
  };
  const known = await fill(dir);
  const before = await contents(dir);
  const server = spawn(
    process.execPath,
    ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", `${PORT}`],
    {
      env: { ...process.env, KINGFISHER_DATA: dir, NEXT_TELEMETRY_DISABLED: "1" },
      stdio: ["ignore", "ignore", "pipe"],
    },
  );
  let complaints = "";
  server.stderr.on("data", (chunk) => (complaints = (complaints + String(chunk)).slice(-4000)));
  const memory = peakMemory(server.pid!);
  const plain = (at: string): Sent => ({
    method: "GET",
    at,
    headers: { cookie: "kingfisher-golfer=wren" },
    body: { kind: "none", bytes: Buffer.alloc(0) },
  });
  try {
    for (let tries = 0; (await send(plain("/drills"), random)).status !== 200; tries++) {
      if (tries > 60 || server.exitCode !== null)
        throw new Error(`the site did not answer: is it built? ${complaints.slice(-300)}`);
      await new Promise((r) => setTimeout(r, 500));
    }
    while (result.tried < count) {
      const some = Array.from({ length: Math.min(4, count - result.tried) }, () =>
        makeRequest(random, known),
      );
      for (const [k, got] of (await Promise.all(some.map((s) => send(s, random)))).entries()) {
        const { method, at, headers, body } = some[k]!;
        const what =
          `${method} ${decodeURI(at.replace(/%(?![0-9a-f]{2})/gi, "%25")).slice(0, 90)} ` +
          `${body.kind} ${JSON.stringify({ ...headers, cookie: undefined }).slice(0, 120)}`;
        result.tried++;
        result.slowestS = Math.max(result.slowestS, got.ms / 1000);
        if (got.ms > BOUND_MS) result.slow.push(`${what}: ${(got.ms / 1000).toFixed(1)} s`);
        if (got.status >= 400) result.refused++;
        else if (got.ended === "answered") result.answered++;
        if (
          got.status >= 500 ||
          (got.status >= 400 &&
            got.ended === "answered" &&
            method !== "HEAD" &&
            !isListedRefusal(got))
        )
          result.unclear.push(`${what}: ${got.status} ${got.body.slice(0, 160)}`);
      }
    }
    const after = await send(plain("/reps"), random);
    if (after.status !== 200 || server.exitCode !== null)
      result.unclear.push(`afterwards /reps answers ${after.status}: ${complaints.slice(-500)}`);
  } finally {
    result.peakMB = Math.round(memory.end() / 1e6);
    await new Promise((end) => (server.once("close", end), server.kill()));
    await contents(dir).then(
      (now) =>
        now !== before && result.changed.push(`${before.length} and ${now.length} characters`),
      (error: unknown) => result.changed.push(String(error)),
    );
    rmSync(root, { recursive: true, force: true });
  }
  return result;
}
