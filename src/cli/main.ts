import { readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { Command, InvalidArgumentError, Option } from "commander";
import { ALGORITHM_VERSION, analyse, type AnalyseOptions, type Analysis } from "../core/analyse";
import { stageOf, type Drill } from "../core/drills";
import { analysisJson, type AnalysisJson } from "../core/formats/analysisJson";
import { ownDrill, readDrillFile } from "../core/formats/drillFile";
import { readTrack, TrackFileError, writeTrack } from "../core/formats/trackFile";
import type { View } from "../core/measures/catalogue";
import type { RepKind } from "../core/reps/rep";
import type { Track } from "../core/track/track";
import { ClipError } from "../vision/decode/clipError";
import { loadNodeNetwork } from "../vision/node/loadNode";
import { readClipFile } from "../vision/node/readClipFile";
import { askedBy, type Asked } from "../vision/anytime/asked";
import type { ReadTimings } from "../vision/read";
import { table } from "./table";

interface JudgeFlags {
  drill: { id: string; own?: Drill };
  stage?: string;
  stature: number;
  hand: "left" | "right";
  view: View;
  kind: RepKind;
  cameraHeight?: number;
  hfov?: number;
  captureFps?: number;
  series?: boolean;
  json?: boolean;
}

/** `kingfisher`: clips in, verdicts out. Results on stdout, progress on stderr; 1 when any clip could not be read, 2 for wrong flags. */
const program = new Command("kingfisher").description("Footwork drills, filmed and judged.").showHelpAfterError();

const number = (low: number, high: number, unit: string) => (text: string) => {
  const value = Number(text);
  if (!(value >= low && value <= high)) throw new InvalidArgumentError(`give ${low} to ${high} ${unit}`);
  return value;
};

/** A drill's id, or the drill that a file describes. */
function drillFrom(text: string): JudgeFlags["drill"] {
  if (!text.endsWith(".json")) return { id: text };
  let content: string;
  try {
    content = readFileSync(text, "utf8");
  } catch {
    throw new InvalidArgumentError(`there is no such file: ${text}`);
  }
  const read = readDrillFile(content);
  if (!read.ok) throw new InvalidArgumentError(`not a drill:\n${read.problems.map(({ where, what }) => `  ${where}: ${what}`).join("\n")}`);
  const id = path.basename(text, ".json");
  return { id, own: ownDrill(read.file, id, 1) };
}

const judgeFlags = (command: Command) =>
  command
    .requiredOption("--stature <cm>", "your height; it sets the scale", number(120, 220, "cm"))
    .addOption(new Option("--hand <hand>", "which hand you play").choices(["left", "right"]).default("right"))
    .addOption(new Option("--view <view>", "where the phone stood").choices(["face-on", "down-the-line"]).default("face-on"))
    .addOption(new Option("--kind <kind>", "with --drill none: how the reps go").choices(["swing", "step-swing", "cycle", "pivot", "hold", "gesture"]).default("swing"))
    .addOption(new Option("--drill <id or file>", "drill to judge by: its id, a drill's own file (.json), or none").default({ id: "double-step" }, "double-step").argParser(drillFrom))
    .option("--stage <id>", "stage of the drill; its main one when left out")
    .option("--capture-fps <n>", "pictures a second at which a slow-motion clip was filmed", number(24, 1000, "pictures a second"))
    .option("--club <club>", "taken for scripts that say it; no measure needs it yet")
    .option("--camera-height <m>", "height of the lens over the ground: places and turns of the feet get surer", number(0.2, 3, "m"))
    .option("--hfov <degrees>", "field of view of the picture's long side", number(30, 110, "degrees"))
    .option("--series", "with --json: curves over time too")
    .option("--json", "one JSON object a clip, a line each");

judgeFlags(program.command("analyse").description("read clips and judge them").argument("<clip...>", "video files"))
  .option("--keep-track <dir>", "also write each clip's track file there")
  .option("--every-picture", "read all pictures, not only those that the drill's checks need")
  .action(async (clips: string[], flags: JudgeFlags & { keepTrack?: string; everyPicture?: boolean }) => {
    await each(clips, async (clip) => {
      const { track, timings } = await read(clip, flags.view === "face-on", flags.everyPicture ? undefined : askedBy(analyseOptions(flags)));
      if (flags.keepTrack) writeFileSync(path.join(flags.keepTrack, `${path.parse(clip).name}.track`), writeTrack(track));
      show(clip, track, timings, flags);
    });
  });

program
  .command("track")
  .description("stop after the network: write what was seen")
  .argument("<clip>", "video file")
  .requiredOption("-o, --output <file>", "track file to write")
  .addOption(new Option("--view <view>", "where the phone stood").choices(["face-on", "down-the-line"]).default("face-on"))
  .action(async (clip: string, { output, view }: { output: string; view: View }) => {
    await each([clip], async () => {
      const { track } = await read(clip, view === "face-on");
      writeFileSync(output, writeTrack(track));
      process.stderr.write(`${output}: ${track.times.length} pictures\n`);
    });
  });

judgeFlags(program.command("judge").description("go on from track files").argument("<track...>", "track files")).action(
  async (files: string[], flags: JudgeFlags) => {
    await each(files, async (file) => show(file, readTrack(readFileSync(file)), null, flags));
  },
);

async function read(clip: string, faceOn: boolean, asked?: Asked) {
  let said = -1;
  return readClipFile(clip, await loadNodeNetwork(), {
    faceOn,
    asked,
    progress: ({ share }) => {
      const percent = Math.floor(10 * share) * 10;
      if (percent !== said) process.stderr.write(`${path.basename(clip)}: ${(said = percent)} %\n`);
    },
  });
}

function show(clip: string, track: Track, timings: ReadTimings | null, flags: JudgeFlags): void {
  const began = performance.now();
  const result = analyse(track, analyseOptions(flags));
  const coreMs = performance.now() - began;
  const json = toJson(clip, track, result, timings, coreMs, flags.series ?? false);
  process.stdout.write(flags.json ? `${JSON.stringify(json)}\n` : table(json));
}

const analyseOptions = (flags: JudgeFlags): AnalyseOptions => ({
  golfer: { statureCm: flags.stature, hand: flags.hand }, drill: flags.drill.id, stage: flags.stage, ...(flags.drill.own ? { by: stageOf(flags.drill.own, flags.stage) } : {}), captureFps: flags.captureFps,
  view: flags.view, rules: { kind: flags.kind, clubAhead: false },
  camera: { heightCm: flags.cameraHeight === undefined ? undefined : flags.cameraHeight * 100, hfovDeg: flags.hfov },
});

function toJson(clip: string, track: Track, a: Analysis, timings: ReadTimings | null, coreMs: number, withSeries: boolean): AnalysisJson {
  const { width, height, frames, fps, rotation, audio } = track.video;
  return analysisJson.parse({
    clip: path.basename(clip),
    version: ALGORITHM_VERSION,
    drill: a.drill,
    stage: a.stage,
    video: { width, height, frames, fps, rotation, audio },
    view: a.view,
    scale: a.scale,
    problems: a.problems.map(({ action, ...p }) => ({ ...p, message: `${p.message} ${action}` })),
    reps: a.reps.map(({ series, ...rep }) => ({ ...rep, ...(withSeries ? { series } : {}) })),
    timings: { decodeMs: timings?.decodeMs ?? 0, networkMs: timings?.networkMs ?? 0, coreMs, totalMs: (timings?.totalMs ?? 0) + coreMs },
  });
}

async function each(files: string[], act: (file: string) => Promise<void>): Promise<void> {
  for (const file of files)
    try {
      await act(file);
    } catch (error) {
      process.exitCode = 1;
      process.stderr.write(`${path.basename(file)}: ${explain(error)}\n`);
    }
}

function explain(error: unknown): string {
  if (error instanceof ClipError) return `${error.message} ${error.action}`;
  if (error instanceof TrackFileError) return `${error.message}: read its film again`;
  if (error instanceof RangeError) return error.message;
  if (error instanceof Error && "code" in error && error.code === "ENOENT") return "there is no such file";
  return error instanceof Error ? (error.stack ?? error.message) : String(error);
}

await program.parseAsync();
// The network's threads would keep the process alive.
process.exit();
