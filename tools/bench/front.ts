/**
 * How the front bears phones: `npm run bench:front` (after a build). 20 paired devices ask once a
 * second while 4 send a film each, then with 200 connections beside them that say a byte a second.
 * `--mb 400` says how large the films are.
 */
import { spawn } from "node:child_process";
import { createHash, randomBytes } from "node:crypto";
import { mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { stat } from "node:fs/promises";
import https from "node:https";
import os from "node:os";
import path from "node:path";
import { Readable } from "node:stream";
import tls from "node:tls";
import { parseArgs } from "node:util";
import { quantile } from "../../src/core/maths/stats";
import { blobPath } from "../../src/server/blobs/blobs";
import { closeDatabase, database } from "../../src/server/db/open";
import { saveGolfer } from "../../src/server/golfers/golfers";
import { frontCalls, switchOff, switchOn } from "../../src/server/phones/phones";
import { report } from "./report";

const [POLLERS, SENDERS, TRICKLES, EVERY_MS, QUIET_S] = [20, 4, 200, 1000, 20];
const [HOME, PHONES] = [3198, 3199];
/** A connection that trickles comes from one of so many addresses: one alone may hold only 64. */
const ADDRESSES = 5;
const { mb } = parseArgs({ options: { mb: { type: "string", default: "400" } } }).values;

const dir = mkdtempSync(path.join(os.tmpdir(), "kingfisher-front-"));
Object.assign(process.env, {
  KINGFISHER_DATA: dir,
  PORT: `${HOME}`,
  KINGFISHER_PHONE_PORT: `${PHONES}`,
  KINGFISHER_PHONE_ADDRESSES: "127.0.0.1",
});
const golfer = { name: "Ola Reed", hand: "right", statureCm: 180, units: "cm" } as const;
await saveGolfer(await database(), null, { ...golfer, keepFilm: true });
await closeDatabase();
const server = spawn(
  process.execPath,
  ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", `${HOME}`],
  { env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1" }, stdio: "ignore" },
);
try {
  while (!(await fetch(`http://127.0.0.1:${HOME}/begin`).catch(() => null))?.ok)
    await new Promise((r) => setTimeout(r, 500));
  await switchOn();
  await run();
} finally {
  await switchOff();
  server.kill();
  rmSync(dir, { recursive: true, force: true });
}

interface Ask {
  method?: string;
  headers?: Record<string, string>;
  body?: string | Readable;
  agent?: https.Agent;
}
interface Said {
  status: number;
  headers: Record<string, string | string[] | undefined>;
  body: string;
}
function ask(url: string, { method = "GET", headers = {}, body, agent }: Ask = {}): Promise<Said> {
  const ca = readFileSync(path.join(dir, "front", "home-authority.crt"));
  return new Promise((resolve, reject) => {
    const request = https.request(
      { host: "127.0.0.1", port: PHONES, path: url, method, headers, ca, agent: agent ?? false },
      (answer) => {
        let text = "";
        answer.on("data", (part) => (text += part));
        answer.on("end", () =>
          resolve({ status: answer.statusCode!, headers: answer.headers, body: text }),
        );
        answer.on("error", reject);
      },
    );
    request.on("error", reject);
    if (body instanceof Readable) body.pipe(request);
    else request.end(body);
  });
}

/** Lets a device in, as a golfer does. @returns its cookie */
async function letIn(name: string): Promise<string> {
  const pair = async (body: object) => {
    const text = JSON.stringify(body);
    return ask("/pair", {
      method: "POST",
      headers: {
        origin: `https://127.0.0.1:${PHONES}`,
        "content-type": "application/json",
        "content-length": `${Buffer.byteLength(text)}`,
      },
      body: text,
    });
  };
  const { offer } = await frontCalls().offer();
  const { ticket, words } = JSON.parse((await pair({ answer: offer!.secret, name })).body) as {
    ticket: string;
    words: string;
  };
  await frontCalls().confirm(words);
  const { headers } = await pair({ ticket });
  return (headers["set-cookie"] as string[])[0]!.split(";")[0]!;
}

/** Waits of polls, ms, until told to stop; a poll that is not answered counts as one that failed. */
function polls(cookies: readonly string[]) {
  let going = true;
  const waits: number[] = [];
  let failed = 0;
  const all = cookies.map(async (cookie, k) => {
    const agent = new https.Agent({ keepAlive: true });
    await new Promise((r) => setTimeout(r, (k * EVERY_MS) / cookies.length));
    while (going) {
      const began = performance.now();
      const { status } = await ask("/api/range", { headers: { cookie }, agent }).catch(() => ({
        status: 0,
      }));
      const waited = performance.now() - began;
      if (status === 200) waits.push(waited);
      else failed++;
      await new Promise((r) => setTimeout(r, Math.max(0, EVERY_MS - waited)));
    }
    agent.destroy();
  });
  return async () => {
    going = false;
    await Promise.all(all);
    return {
      polls: waits.length,
      failed,
      p50ms: Math.round(quantile(waits, 0.5)),
      p99ms: Math.round(quantile(waits, 0.99)),
    };
  };
}

/** Sends a film of random bytes, and looks whether it is whole on the disk. */
async function send(cookie: string, bytes: number): Promise<boolean> {
  const block = randomBytes(1_000_000);
  const blocks = bytes / block.length;
  const film = function* () {
    for (let k = 0; k < blocks; k++) yield block;
  };
  const hash = createHash("sha256");
  for (const part of film()) hash.update(part);
  const sha256 = hash.digest("hex");
  const { status } = await ask(`/api/clips/${sha256}`, {
    method: "PUT",
    headers: { cookie, "content-length": `${bytes}`, origin: `https://127.0.0.1:${PHONES}` },
    body: Readable.from(film()),
  });
  return status === 201 && (await stat(blobPath("clips", sha256))).size === bytes;
}

/** Connections that hold on to theirs by a byte a second. */
function trickles(): () => number {
  const open = Array.from({ length: TRICKLES }, (_, k) => {
    const socket = tls.connect({
      host: "127.0.0.1",
      port: PHONES,
      rejectUnauthorized: false,
      ...({ localAddress: `127.0.0.${10 + (k % ADDRESSES)}` } as object),
    });
    socket.on("error", () => undefined);
    socket.on("secureConnect", () => socket.write("GET / HTTP/1.1\r\nX-Slow: "));
    const timer = setInterval(() => socket.writable && socket.write("x"), 1000);
    socket.on("close", () => clearInterval(timer));
    return socket;
  });
  return () => {
    const held = open.filter((s) => !s.destroyed).length;
    for (const socket of open) socket.destroy();
    return held;
  };
}

/** Most memory that a process had in all this time, MB. */
function mostMb(pid: number): number {
  return Math.round(
    Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))![1]) / 1000,
  );
}

/** The front, which is this process's child. */
function frontPid(): number {
  return readdirSync("/proc")
    .filter((name) => /^\d+$/.test(name))
    .map(Number)
    .find((pid) => {
      try {
        return (
          readFileSync(`/proc/${pid}/cmdline`, "utf8").includes("src/front/main.ts") &&
          readFileSync(`/proc/${pid}/status`, "utf8").includes(`PPid:\t${process.pid}\n`)
        );
      } catch {
        return false;
      }
    })!;
}

async function run(): Promise<void> {
  const cookies: string[] = [];
  for (let k = 0; k < POLLERS + SENDERS; k++) cookies.push(await letIn(`device ${k}`));
  const pollers = cookies.slice(0, POLLERS);
  const bytes = Number(mb) * 1e6;
  const sending = polls(pollers);
  const began = performance.now();
  const whole = await Promise.all(cookies.slice(POLLERS).map((c) => send(c, bytes)));
  const sendS = (performance.now() - began) / 1000;
  const whileSending = await sending();
  const quiet = async () => {
    const stop = polls(pollers);
    await new Promise((r) => setTimeout(r, QUIET_S * 1000));
    return stop();
  };
  const alone = await quiet();
  const held = trickles();
  const withTrickles = await quiet();
  const figures = {
    films: {
      mb: Number(mb),
      sent: SENDERS,
      whole: whole.filter(Boolean).length,
      s: Math.round(sendS),
    },
    whileSending,
    alone,
    withTrickles: { ...withTrickles, trickling: TRICKLES, heldAtTheEnd: held() },
    mostMb: { front: mostMb(frontPid()), program: mostMb(server.pid!) },
  };
  console.log(JSON.stringify(figures, null, 1));
  report("front", figures);
}
