/**
 * Renders a set of clips with their truth: `npm run clips -- --set demo [--only PREFIX] [--out DIR]
 * [--truth-only] [--again] [--part 0/2]` (clips that are there already are left as they are; parts
 * are for several processes at once). What stands still is drawn once by three.js in headless
 * Chromium, the people by a small rasteriser (raster.ts); ffmpeg encodes as a phone would and adds
 * the sound.
 */
import { spawn, type ChildProcess } from "node:child_process";
import { once } from "node:events";
import { existsSync, mkdirSync, renameSync, rmSync, writeFileSync } from "node:fs";
import path from "node:path";
import { parseArgs } from "node:util";
import { build } from "esbuild";
import { chromium } from "@playwright/test";
import { body } from "../../src/core/figure/anthropometry";
import { simulate, TRUTH_HZ } from "../../src/core/figure/simulate";
import { truths } from "../../src/core/figure/truth/truth";
import { chromiumPath, CHROMIUM_FLAGS } from "../chromium";
import { pinhole, toWorld } from "./camera";
import type { ClipSpec } from "./clip";
import { SETS } from "./sets";
import { backgroundSize, frames, type Background } from "./frames";
import { clipSound } from "./sound";

const { values } = parseArgs({
  options: {
    set: { type: "string", default: "demo" },
    only: { type: "string" },
    out: { type: "string" },
    "truth-only": { type: "boolean", default: false },
    again: { type: "boolean", default: false },
    part: { type: "string", default: "0/1" },
  },
});
const set = SETS[values.set];
if (!set) throw new Error(`no set named ${values.set}; there are: ${Object.keys(SETS).join(", ")}`);
const out = path.resolve(
  values.out ?? (values.set === "demo" ? "demo/clips" : `.work/clips/${values.set}`),
);
mkdirSync(out, { recursive: true });

const [part, parts] = values.part.split("/").map(Number) as [number, number];
const chosen = set
  .filter((s) => !values.only || s.id.startsWith(values.only))
  .filter((_, i) => i % parts === part);
for (const spec of chosen)
  writeFileSync(path.join(out, `${spec.id}.json`), JSON.stringify(truthFile(spec)));
if (!values["truth-only"])
  await renderAll(chosen.filter((s) => values.again || !existsSync(path.join(out, `${s.id}.mp4`))));

async function renderAll(specs: ClipSpec[]): Promise<void> {
  if (!specs.length) return;
  const bundle = await build({
    entryPoints: ["tools/clips/page.ts"],
    bundle: true,
    format: "iife",
    write: false,
    logLevel: "error",
  });
  const browser = await chromium.launch({
    executablePath: chromiumPath(),
    args: [
      ...CHROMIUM_FLAGS,
      "--use-gl=angle",
      "--use-angle=swiftshader",
      "--enable-unsafe-swiftshader",
    ],
  });
  const page = await browser.newPage();
  await page.addScriptTag({ content: bundle.outputFiles[0]!.text });
  for (const spec of specs) {
    const [width, height] = backgroundSize(spec);
    const rgb = Buffer.from(
      await page.evaluate(([s, w, h]) => window.background(s, w, h), [
        spec,
        width,
        height,
      ] as const),
      "base64",
    );
    await renderClip(spec, { rgb, width, height });
  }
  await browser.close();
}

async function renderClip(spec: ClipSpec, background: Background): Promise<void> {
  const file = path.join(out, `${spec.id}.mp4`);
  const part = path.join(out, `${spec.id}.part.mp4`);
  const wav = path.join(out, `${spec.id}.wav`);
  writeFileSync(wav, clipSound(spec));
  const encoder = encode(spec, wav, part);
  const ended = once(encoder, "exit");
  const began = performance.now();
  let n = 0;
  for (const rgb of frames(spec, background)) {
    if (!encoder.stdin!.write(Buffer.from(rgb))) await once(encoder.stdin!, "drain");
    n++;
  }
  encoder.stdin!.end();
  const [code] = (await ended) as [number];
  rmSync(wav);
  if (code !== 0) throw new Error(`ffmpeg left with ${code} on ${spec.id}`);
  renameSync(part, file);
  console.log(
    `${spec.id}: ${n} frames, ${((performance.now() - began) / n).toFixed(0)} ms a frame`,
  );
}

/** Encodes as a phone does; raw RGB comes in on stdin. */
function encode(spec: ClipSpec, wav: string, file: string): ChildProcess {
  const { width, height_px: height, fps, crf = 26, noise = 1 } = spec.camera;
  return spawn(
    "ffmpeg",
    [
      "-v",
      "error",
      "-y",
      "-f",
      "rawvideo",
      "-pix_fmt",
      "rgb24",
      "-s",
      `${width}x${height}`,
      "-r",
      String(fps),
      "-i",
      "-",
      "-i",
      wav,
      // Noise after the conversion, in luma as a sensor's mostly is: 3.2 levels of 255 (2.75 of
      // 219) at strength 1; the filter's deviation is its strength / √3.
      "-vf",
      `scale=out_color_matrix=bt709:out_range=tv,format=yuv420p,noise=c0s=${Math.round(2.75 * Math.sqrt(3) * noise)}:c0f=t:c0_seed=${spec.seed}`,
      "-c:v",
      "libx264",
      "-preset",
      "veryfast",
      "-crf",
      String(crf),
      "-g",
      String(fps),
      "-pix_fmt",
      "yuv420p",
      "-color_primaries",
      "bt709",
      "-color_trc",
      "bt709",
      "-colorspace",
      "bt709",
      "-c:a",
      "aac",
      "-b:a",
      "64k",
      "-movflags",
      "+faststart",
      "-bitexact",
      file,
    ],
    { stdio: ["pipe", "inherit", "inherit"] },
  );
}

/**
 * The exact answer beside a clip: every rep's events in ms and measures in their units; joints per
 * frame in px and cm [T, U, D].
 */
function truthFile(spec: ClipSpec) {
  const who = body(spec.golfer.stature, spec.golfer.sex, spec.golfer.build);
  const sim = simulate(who, spec.script);
  const exact = truths(sim, spec.view);
  const frames = Math.floor(spec.script.duration * spec.camera.fps);
  const round = (x: number, places = 1) => Math.round(x * 10 ** places) / 10 ** places;
  const rounded = (o: Record<string, number | undefined>) =>
    Object.fromEntries(Object.entries(o).map(([k, v]) => [k, round(v!, 2)]));
  const reps = exact.map((e) => ({
    ...e.rep,
    from: round(e.from),
    to: round(e.to),
    events: rounded(e.events),
    measures: rounded(e.measures),
    footEvents: e.footEvents.map((f) => ({ ...f, t: round(f.t, 2) })),
    turns: e.turns.map((f) => ({ ...f, t: round(f.t, 2) })),
  }));
  const perFrame = Array.from({ length: frames }, (_, i) => {
    const t = i / spec.camera.fps;
    const p = sim.at(t);
    const k = Math.min(Math.round(t * TRUTH_HZ), sim.com.length - 1);
    const cam = pinhole(spec, t);
    const joints = {
      midHip: p.midHip,
      midShoulder: p.midShoulder,
      head: p.head,
      midHands: p.midHands,
      com: sim.com[k]!,
      ...Object.fromEntries(
        (["lead", "trail"] as const).flatMap((side) =>
          Object.entries(p[side]).map(([name, at]) => [`${side}.${name}`, at]),
        ),
      ),
    };
    return {
      t: round(t * 1000, 2),
      leadShare: exact.length ? round(exact[0]!.leadShare[k]!) : null,
      joints: Object.fromEntries(
        Object.entries(joints).map(([name, at]) => [
          name,
          {
            px: cam.project(toWorld(at, spec.golfer.hand)).map((x) => round(x)),
            cm: at.map((x) => round(x, 2)),
          },
        ]),
      ),
    };
  });
  const { id, about, golfer, drill, stage, view, place, light, camera, passer, seed } = spec;
  return {
    id,
    about,
    golfer,
    drill,
    stage,
    view,
    place,
    light: light ?? "day",
    camera,
    passer: passer ?? null,
    loose: spec.outfit.loose ?? 1,
    seed,
    reps,
    perFrame,
  };
}
