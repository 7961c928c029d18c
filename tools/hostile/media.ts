/**
 * Makes spoiled films from a seed and has the command line read them, some at a time: what it
 * answers, how long it takes, how much memory.
 */
import { execFileSync, spawn } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { analysisJson } from "../../src/core/formats/analysisJson";
import { seeded } from "../../src/core/maths/seeded";
import { CLIP_WORDS } from "../../src/vision/decode/clipError";
import { MUTATIONS, pick } from "./mutate";
import { peakMemory } from "./peakMemory";

export interface MediaCount {
  tried: number;
  read: number;
  refused: number;
  /** Neither read nor refused in a listed sentence. */
  unclear: string[];
  /** Seconds that the slowest took beyond a film that is whole. */
  slowestBeyondS: number;
  slow: string[];
  peakMB: number;
}

/** The same second of film as phones, cameras and programs pack it. */
const LAYOUTS: Record<string, string[]> = {
  "index-first.mp4": ["-c:v", "libx264", "-c:a", "aac", "-movflags", "+faststart"],
  "index-last.mp4": ["-c:v", "libx264", "-c:a", "aac"],
  "fragments.mp4": [
    "-c:v",
    "libx264",
    "-c:a",
    "aac",
    "-movflags",
    "frag_keyframe+empty_moov+default_base_moof",
    "-g",
    "12",
  ],
  "quicktime.mov": ["-c:v", "libx264", "-c:a", "pcm_s16le"],
  "sideways.mp4": ["-c:v", "libx264", "-an", "-metadata:s:v:0", "rotate=90"],
  "hevc.mp4": ["-c:v", "libx265", "-tag:v", "hvc1", "-x265-params", "log-level=none", "-an"],
  "uneven.mp4": [
    "-c:v",
    "libx264",
    "-an",
    "-vf",
    "select='not(eq(mod(n,5),2))'",
    "-fps_mode",
    "vfr",
  ],
  "web.webm": ["-c:v", "libvpx", "-deadline", "realtime", "-c:a", "libopus"],
  "web.mkv": ["-c:v", "libx264", "-c:a", "libopus"],
  "prores.mov": ["-c:v", "prores_ks", "-profile:v", "0", "-an"],
  "two-pictures.mp4": ["-c:v", "libx264", "-map", "0:v", "-map", "0:v", "-map", "0:a"],
  "sound-only.mp4": ["-vn", "-c:a", "aac"],
};
/** Clips that one process of the command line is given. */
const AT_A_TIME = 50;
/** Beyond the time of a film that is whole, s. */
const BOUND_S = 10;

function makeLayouts(dir: string): Map<string, Uint8Array> {
  return new Map(
    Object.entries(LAYOUTS).map(([name, args]) => {
      const file = path.join(dir, name);
      execFileSync("ffmpeg", [
        "-v",
        "error",
        "-y",
        "-t",
        "1.2",
        "-i",
        "demo/clips/double-step-good.mp4",
        ...(args.includes("-vf") ? [] : ["-vf", "scale=480:-2"]),
        "-r",
        "12",
        ...args,
        file,
      ]);
      return [name, new Uint8Array(readFileSync(file))];
    }),
  );
}

/** What is said of a clip begins with one of these. */
const SENTENCES = Object.values(CLIP_WORDS).map(({ message, action }) => ({
  begins: message.slice(0, -1),
  ends: action,
}));
const isListed = (said: string): boolean =>
  SENTENCES.some(({ begins, ends }) => said.startsWith(begins) && said.endsWith(ends));

interface Answer {
  line: string;
  atMs: number;
}

async function readAll(
  files: readonly string[],
): Promise<{ out: Answer[]; said: Answer[]; peak: number; began: number }> {
  const child = spawn(
    process.execPath,
    ["bin/kingfisher.mjs", "analyse", ...files, "--stature", "178", "--json"],
    { stdio: ["ignore", "pipe", "pipe"] },
  );
  const began = performance.now();
  const [out, said]: [Answer[], Answer[]] = [[], []];
  const take = (into: Answer[]) => {
    let text = "";
    return (chunk: Buffer) => {
      const lines = (text + chunk.toString("utf8")).split("\n");
      text = lines.pop()!;
      into.push(...lines.map((line) => ({ line, atMs: performance.now() })));
    };
  };
  child.stdout.on("data", take(out));
  child.stderr.on("data", take(said));
  const memory = peakMemory(child.pid!);
  await new Promise((end) => child.on("close", end));
  return { out, said, peak: memory.end(), began };
}

/** Has so many spoiled films read. */
export async function tryMedia(count: number, seed: number): Promise<MediaCount> {
  const dir = mkdtempSync(path.join(os.tmpdir(), "kingfisher-media-"));
  const random = seeded(seed);
  const result: MediaCount = {
    tried: 0,
    read: 0,
    refused: 0,
    unclear: [],
    slowestBeyondS: 0,
    slow: [],
    peakMB: 0,
  };
  try {
    const layouts = makeLayouts(dir);
    // How long a film that is whole takes, and how much longer the first one of a process, which
    // waits for the program and the network.
    const film = path.join(dir, "index-last.mp4");
    const honest = await readAll([film, film]);
    const [first, second] = honest.out.map((a) => a.atMs);
    if (first === undefined || second === undefined)
      throw new Error(
        `a film that is whole can't be read: ${honest.said.map((s) => s.line).join(" ")}`,
      );
    const honestS = (second - first) / 1000;
    const startS = (first - honest.began) / 1000 - honestS;
    for (let done = 0; done < count;) {
      const batch: { file: string; what: string }[] = [];
      const folder = path.join(dir, `batch-${done}`);
      mkdirSync(folder);
      for (; batch.length < AT_A_TIME && done < count; done++) {
        const layout = pick(random, [...layouts.keys()]);
        const how = pick(random, Object.keys(MUTATIONS));
        const file = path.join(folder, `${String(done).padStart(4, "0")}-${layout}`);
        writeFileSync(file, MUTATIONS[how]!(new Uint8Array(layouts.get(layout)!), random));
        batch.push({ file, what: `${path.basename(file)}, ${how}` });
      }
      const { out, said, peak, began } = await readAll(batch.map((b) => b.file));
      result.peakMB = Math.max(result.peakMB, Math.round(peak / 1e6));
      let before = began + 1000 * startS;
      for (const { file, what } of batch) {
        result.tried++;
        const name = path.basename(file);
        const json = out.find(({ line }) => line.startsWith(`{"clip":"${name}"`));
        const words = said.filter(({ line }) => line.startsWith(`${name}: `));
        const answer = json ?? words[0];
        const clear = json
          ? !words.length && analysisJson.safeParse(JSON.parse(json.line)).success
          : words.length === 1 && isListed(words[0]!.line.slice(name.length + 2));
        if (!clear || !answer)
          result.unclear.push(
            `${what}: ${words.map((w) => w.line).join(" | ") || "nothing was said"}`,
          );
        else if (json) result.read++;
        else result.refused++;
        if (!answer) continue;
        const beyond = (answer.atMs - before) / 1000 - honestS;
        before = answer.atMs;
        result.slowestBeyondS = Math.max(result.slowestBeyondS, beyond);
        if (beyond > BOUND_S) result.slow.push(`${what}: ${beyond.toFixed(1)} s beyond`);
      }
      const strays = said.filter(
        ({ line }) =>
          line.trim() && !batch.some(({ file }) => line.startsWith(`${path.basename(file)}: `)),
      );
      if (strays.length)
        result.unclear.push(`beside the results: ${strays[0]!.line.slice(0, 200)}`);
      rmSync(folder, { recursive: true });
    }
  } finally {
    rmSync(dir, { recursive: true, force: true });
  }
  return result;
}
