/**
 * Renders a set of clips with their truth: `npm run clips -- --set demo [--only ID] [--out DIR] [--truth-only]`.
 * The simulated golfer is drawn by three.js in headless Chromium; ffmpeg encodes as a phone would and adds the sound.
 */
import { execFileSync } from "node:child_process";
import { mkdirSync, writeFileSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { parseArgs } from "node:util";
import { build } from "esbuild";
import { chromium } from "@playwright/test";
import { body } from "../../src/core/figure/anthropometry";
import { simulate } from "../../src/core/figure/simulate";
import { truth } from "../../src/core/figure/truth";
import { chromiumPath, CHROMIUM_FLAGS } from "../chromium";
import { pinhole, toWorld } from "./camera";
import type { ClipSpec } from "./clip";
import { SETS } from "./sets";
import { strikeSound } from "./sound";

const { values } = parseArgs({ options: { set: { type: "string", default: "demo" }, only: { type: "string" }, out: { type: "string" }, "truth-only": { type: "boolean", default: false } } });
const set = SETS[values.set];
if (!set) throw new Error(`no set named ${values.set}; there are: ${Object.keys(SETS).join(", ")}`);
const out = path.resolve(values.out ?? (values.set === "demo" ? "demo/clips" : `.work/clips/${values.set}`));
mkdirSync(out, { recursive: true });

const chosen = set.filter((s) => !values.only || s.id === values.only);
for (const spec of chosen) writeFileSync(path.join(out, `${spec.id}.json`), JSON.stringify(truthFile(spec)));
if (!values["truth-only"]) await renderAll(chosen);

async function renderAll(specs: ClipSpec[]): Promise<void> {
  const bundle = await build({ entryPoints: ["tools/clips/page.ts"], bundle: true, format: "iife", write: false, logLevel: "error" });
  const browser = await chromium.launch({ executablePath: chromiumPath(), args: [...CHROMIUM_FLAGS, "--use-gl=angle", "--use-angle=swiftshader", "--enable-unsafe-swiftshader"] });
  const page = await browser.newPage();
  // WebCodecs needs a secure context: a page of our own on a loopback origin, answered from here.
  await page.route("**/*", (route) => route.fulfill({ contentType: "text/html", body: "<!doctype html><title>clips</title>" }));
  await page.goto("http://localhost/");
  await page.addScriptTag({ content: bundle.outputFiles[0]!.text });
  for (const spec of specs) {
    const { base64, msPerFrame } = await page.evaluate((s) => window.render(s), spec);
    encode(spec, Buffer.from(base64, "base64"));
    console.log(`${spec.id}: ${msPerFrame.toFixed(0)} ms a frame`);
  }
  await browser.close();
}

function encode(spec: ClipSpec, video: Buffer): void {
  const dir = path.join(os.tmpdir(), `kingfisher-${process.pid}`);
  mkdirSync(dir, { recursive: true });
  const raw = path.join(dir, "raw.mp4");
  const wav = path.join(dir, "sound.wav");
  writeFileSync(raw, video);
  const struckAt = spec.script.strike === undefined ? null : spec.script.strike + spec.camera.distance / 34300;
  writeFileSync(wav, strikeSound(spec.script.duration, struckAt, spec.seed));
  execFileSync("ffmpeg", [
    "-v", "error", "-y", "-i", raw, "-i", wav, "-c:v", "libx264", "-preset", "medium", "-crf", "26", "-g", "60", "-pix_fmt", "yuv420p",
    "-color_primaries", "bt709", "-color_trc", "bt709", "-colorspace", "bt709", "-c:a", "aac", "-b:a", "64k", "-movflags", "+faststart", "-bitexact",
    path.join(out, `${spec.id}.mp4`),
  ]);
  rmSync(dir, { recursive: true });
}

/** The exact answer beside a clip: events in ms, measures in their units, joints per frame in px and cm [T, U, D]. */
function truthFile(spec: ClipSpec) {
  const who = body(spec.golfer.stature, spec.golfer.sex, spec.golfer.build);
  const sim = simulate(who, spec.script);
  const exact = truth(sim);
  const cam = pinhole(spec);
  const frames = Math.floor(spec.script.duration * spec.camera.fps);
  const round = (x: number, places = 1) => Math.round(x * 10 ** places) / 10 ** places;
  const perFrame = Array.from({ length: frames }, (_, i) => {
    const t = i / spec.camera.fps;
    const p = sim.at(t);
    const joints = {
      midHip: p.midHip, midShoulder: p.midShoulder, head: p.head, midHands: p.midHands, com: sim.com[Math.min(Math.round(t * 240), sim.com.length - 1)]!,
      ...Object.fromEntries((["lead", "trail"] as const).flatMap((side) => Object.entries(p[side]).map(([name, at]) => [`${side}.${name}`, at]))),
    };
    return {
      t: round(t * 1000, 2),
      leadShare: round(exact.leadShare[Math.min(Math.round(t * 240), exact.leadShare.length - 1)]!),
      joints: Object.fromEntries(Object.entries(joints).map(([name, at]) => [name, { px: cam.project(toWorld(at, spec.golfer.hand)).map((x) => round(x)), cm: at.map((x) => round(x, 2)) }])),
    };
  });
  const rounded = (o: Record<string, number | undefined>) => Object.fromEntries(Object.entries(o).map(([k, v]) => [k, round(v!, 2)]));
  return {
    id: spec.id, about: spec.about, golfer: spec.golfer, drill: spec.drill, view: "face-on", place: spec.place, camera: spec.camera, seed: spec.seed,
    events: rounded(exact.events), footEvents: exact.footEvents.map((e) => ({ ...e, t: round(e.t, 2) })), measures: rounded(exact.measures), perFrame,
  };
}
