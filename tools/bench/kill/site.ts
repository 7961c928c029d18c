import { spawn, type ChildProcess } from "node:child_process";
import { createHash, randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";

const sha = (b: Uint8Array) => createHash("sha256").update(b).digest("hex");
const PORT = 4482;
export const BASE = `http://127.0.0.1:${PORT}`;

/** What a writer was told is kept. */
export interface Kept {
  rep: string;
  film: string;
  golfer: string;
  overruled: boolean;
}

/** Starts the built site on a directory. */
export const startSite = (dir: string): ChildProcess =>
  spawn(
    process.execPath,
    ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", `${PORT}`],
    {
      env: { ...process.env, KINGFISHER_DATA: dir, NEXT_TELEMETRY_DISABLED: "1" },
      stdio: ["ignore", "ignore", "inherit"],
    },
  );

/** Waits until it answers. @throws Error when it ends first */
export async function answers(site: ChildProcess): Promise<void> {
  for (;;) {
    if (site.exitCode !== null || site.signalCode !== null)
      throw new Error(`the site ended by itself (${site.exitCode ?? site.signalCode})`);
    const ok = await fetch(`${BASE}/api/drill-schema`).then(
      (r) => r.ok,
      () => false,
    );
    if (ok) return;
    await new Promise((r) => setTimeout(r, 100));
  }
}

/** Ends it as a power cut would. */
export async function kill(process: ChildProcess): Promise<void> {
  if (process.exitCode !== null || process.signalCode !== null) return;
  await new Promise((resolve) => (process.once("close", resolve), process.kill("SIGKILL")));
}

const track = readFileSync("demo/tracks/double-step-good.track");

/**
 * Keeps rep after rep for a golfer, until told to stop or the site is gone; only what was answered
 * for goes into `kept`.
 */
export async function write(golfer: string, kept: Kept[], stop: AbortSignal): Promise<void> {
  const put = async (kind: string, bytes: Uint8Array<ArrayBuffer>) =>
    (await fetch(`${BASE}/api/${kind}/${sha(bytes)}`, { method: "PUT", body: bytes, signal: stop }))
      .ok;
  const json = { "content-type": "application/json", cookie: `kingfisher-golfer=${golfer}` };
  try {
    for (let k = 0; !stop.aborted; k++) {
      const film = new Uint8Array(Buffer.from(`film ${randomUUID()} `.repeat(200)));
      if (!(await put("clips", film)) || !(await put("tracks", new Uint8Array(track)))) continue;
      const body = JSON.stringify({
        golfer: { id: golfer, hand: "right", statureCm: 170 },
        clip: { sha256: sha(film), name: "a.mp4", bytes: film.length },
        trackSha256: sha(track),
        drill: "double-step",
      });
      const saved = await fetch(`${BASE}/api/reps`, {
        method: "POST",
        headers: json,
        body,
        signal: stop,
      });
      if (saved.status !== 201) continue;
      const { ids } = (await saved.json()) as { ids: [string] };
      const one: Kept = { rep: ids[0], film: sha(film), golfer, overruled: false };
      kept.push(one);
      if (k % 3 !== 1) continue;
      const corrected = await fetch(`${BASE}/api/reps/${one.rep}/corrections`, {
        method: "PUT",
        headers: json,
        body: JSON.stringify([
          {
            id: randomUUID(),
            kind: "verdict",
            was: "pass",
            now: "fail",
            reason: "The ball was heavy.",
          },
        ]),
        signal: stop,
      });
      one.overruled = corrected.status === 204;
    }
  } catch {
    // The site is gone, or it is enough.
  }
}
