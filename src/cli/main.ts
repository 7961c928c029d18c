import { existsSync, readFileSync, statSync, writeFileSync } from "node:fs";
import path from "node:path";
import { Command, CommanderError, InvalidArgumentError, Option } from "commander";
import { ALGORITHM_VERSION, analyse, type AnalyseOptions, type Analysis } from "../core/analysis";
import { stageOf, type Drill } from "../core/drills";
import {
  analysisJson,
  type AnalysisJson,
  ownDrillSchema,
  readDrillFile,
  readTrack,
  TrackFileError,
  writeTrack,
} from "../core/formats";
import type { View } from "../core/scene";
import type { RepKind } from "../core/reps";
import type { Track } from "../core/track";
import { CLIP_WORDS, ClipError, type ClipErrorCode } from "../vision/decode";
import { loadNodeNetwork } from "../vision/node/loadNode";
import { readClipFile } from "../vision/node/readClipFile";
import { askedBy, type Asked } from "../vision/anytime";
import type { ReadTimings } from "../vision/read";
import { alive, asJson, shown, tell } from "./say";
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
  sure?: boolean;
  series?: boolean;
  json?: boolean;
}

/** Clips that an earlier process, which one of them ended, is done with. */
const SKIP = Number(process.env.KINGFISHER_SKIP ?? 0);
let code = 0;

/**
 * `kingfisher`: clips in, verdicts out. Results on stdout, progress on stderr; 1 when any clip
 * could not be read, 2 for wrong flags.
 */
const program = new Command("kingfisher")
  .description("Footwork drills, filmed and judged.")
  .showHelpAfterError()
  .exitOverride()
  .configureOutput({
    writeOut: (text) => void tell({ out: text }),
    writeErr: (text) => void tell({ say: text.split("\n").map(shown).join("\n") }),
  });

const number = (low: number, high: number, unit: string) => (text: string) => {
  const value = Number(text);
  if (!(value >= low && value <= high))
    throw new InvalidArgumentError(`give ${low} to ${high} ${unit}`);
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
  if (!read.ok)
    throw new InvalidArgumentError(
      `not a drill:\n${read.problems.map(({ where, what }) => `  ${where}: ${what}`).join("\n")}`,
    );
  const id = path.basename(text, ".json");
  return { id, own: ownDrillSchema(read.file, id, 1) };
}

const judgeFlags = (command: Command) =>
  command
    .requiredOption("--stature <cm>", "your height; it sets the scale", number(120, 220, "cm"))
    .addOption(
      new Option("--hand <hand>", "which hand you play")
        .choices(["left", "right"])
        .default("right"),
    )
    .addOption(
      new Option("--view <view>", "where the phone stood")
        .choices(["face-on", "down-the-line"])
        .default("face-on"),
    )
    .addOption(
      new Option("--kind <kind>", "with --drill none: how the reps go")
        .choices(["swing", "step-swing", "cycle", "pivot", "hold", "gesture"])
        .default("swing"),
    )
    .addOption(
      new Option(
        "--drill <id or file>",
        "drill to judge by: its id, a drill's own file (.json), or none",
      )
        .default({ id: "double-step" }, "double-step")
        .argParser(drillFrom),
    )
    .option("--stage <id>", "stage of the drill; its main one when left out")
    .option(
      "--capture-fps <n>",
      "pictures a second at which a slow-motion clip was filmed",
      number(24, 1000, "pictures a second"),
    )
    .option("--sure", "judge a clip that looks like another hand's or another movement as it is")
    .option("--club <club>", "taken for scripts that say it; no measure needs it yet")
    .option(
      "--camera-height <m>",
      "height of the lens over the ground: places and turns of the feet get surer",
      number(0.2, 3, "m"),
    )
    .option(
      "--hfov <degrees>",
      "field of view of the picture's long side",
      number(30, 110, "degrees"),
    )
    .option("--series", "with --json: curves over time too")
    .option("--json", "one JSON object a clip, a line each");

judgeFlags(
  program
    .command("analyse")
    .description("read clips and judge them")
    .argument("<clip...>", "video files"),
)
  .option("--keep-track <dir>", "also write each clip's track file there")
  .option("--every-picture", "read all pictures, not only those that the drill's checks need")
  .action(
    async (clips: string[], flags: JudgeFlags & { keepTrack?: string; everyPicture?: boolean }) => {
      if (flags.keepTrack !== undefined && !existsSync(flags.keepTrack))
        throw new InvalidArgumentError(`--keep-track: there is no directory ${flags.keepTrack}`);
      await each(clips, async (clip) => {
        const { track, timings } = await read(
          clip,
          flags.view === "face-on",
          flags.everyPicture ? undefined : askedBy(analyseOptions(flags)),
        );
        if (flags.keepTrack)
          writeFileSync(
            path.join(flags.keepTrack, `${path.parse(clip).name}.track`),
            writeTrack(track),
          );
        await show(clip, track, timings, flags);
      });
    },
  );

program
  .command("track")
  .description("stop after the network: write what was seen")
  .argument("<clip>", "video file")
  .requiredOption("-o, --output <file>", "track file to write")
  .addOption(
    new Option("--view <view>", "where the phone stood")
      .choices(["face-on", "down-the-line"])
      .default("face-on"),
  )
  .action(async (clip: string, { output, view }: { output: string; view: View }) => {
    await each([clip], async () => {
      const { track } = await read(clip, view === "face-on");
      writeFileSync(output, writeTrack(track));
      await tell({ say: `${shown(output)}: ${track.times.length} pictures\n` });
    });
  });

judgeFlags(
  program
    .command("judge")
    .description("go on from track files")
    .argument("<track...>", "track files"),
).action(async (files: string[], flags: JudgeFlags) => {
  await each(files, async (file) => show(file, readTrack(trackBytes(file)), null, flags));
});

/**
 * Loading the network takes some seconds, the first time of a process; a picture's reading goes by
 * its size, ms.
 */
const LOADING_MS = 60_000;
const READING_MS = 9_000;
const FULL_HD = 1920 * 1080;
/** Judging takes 0.3 s a rep at most, and a rep has a hundred pictures at least. */
const JUDGING_MS = { least: 10_000, perPicture: 3 } as const;
/** No track of the longest film is larger, bytes. */
const LARGEST_TRACK = 2e9;

async function read(clip: string, faceOn: boolean, asked?: Asked) {
  let said = -1;
  return readClipFile(
    clip,
    async (opened) => {
      await tell({ patienceMs: LOADING_MS });
      const network = await loadNodeNetwork();
      await tell({
        patienceMs: Math.max(1, (opened.width * opened.height) / FULL_HD) * READING_MS,
      });
      return network;
    },
    {
      faceOn,
      asked,
      looked: alive,
      progress: ({ share }) => {
        const percent = Math.floor(10 * share) * 10;
        if (percent !== said)
          void tell({ progress: `${shown(path.basename(clip))}: ${(said = percent)} %\n` });
      },
    },
  );
}

async function show(
  clip: string,
  track: Track,
  timings: ReadTimings | null,
  flags: JudgeFlags,
): Promise<void> {
  await tell({ patienceMs: JUDGING_MS.least + JUDGING_MS.perPicture * track.times.length });
  const began = performance.now();
  const result = analyse(track, analyseOptions(flags));
  const coreMs = performance.now() - began;
  const json = toJson(clip, track, result, timings, coreMs, flags.series ?? false);
  await tell({ out: flags.json ? `${asJson(json)}\n` : table(json) });
}

/** A file that may be a track. @throws RangeError where it can be none */
function trackBytes(file: string): Buffer {
  const { size } = statSync(file);
  if (size > LARGEST_TRACK) throw new RangeError("It is larger than a track can be.");
  return readFileSync(file);
}

const analyseOptions = (flags: JudgeFlags): AnalyseOptions => ({
  golfer: { statureCm: flags.stature, hand: flags.hand },
  drill: flags.drill.id,
  stage: flags.stage,
  ...(flags.drill.own ? { by: stageOf(flags.drill.own, flags.stage) } : {}),
  captureFps: flags.captureFps,
  ...(flags.sure ? { sure: true } : {}),
  view: flags.view,
  rules: { kind: flags.kind, clubAhead: false },
  camera: {
    heightCm: flags.cameraHeight === undefined ? undefined : flags.cameraHeight * 100,
    hfovDeg: flags.hfov,
  },
});

function toJson(
  clip: string,
  track: Track,
  a: Analysis,
  timings: ReadTimings | null,
  coreMs: number,
  withSeries: boolean,
): AnalysisJson {
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
    timings: {
      decodeMs: timings?.decodeMs ?? 0,
      networkMs: timings?.networkMs ?? 0,
      coreMs,
      totalMs: (timings?.totalMs ?? 0) + coreMs,
    },
  });
}

async function each(files: string[], act: (file: string) => Promise<void>): Promise<void> {
  for (const [index, file] of files.entries()) {
    if (index < SKIP) continue;
    const name = shown(path.basename(file));
    await tell({ begins: { index, name } });
    try {
      await act(file);
    } catch (error) {
      code = 1;
      await tell({ say: `${name}: ${explain(error)}\n` });
    }
  }
}

function explain(error: unknown): string {
  if (error instanceof ClipError) return `${error.message} ${error.action}`;
  if (error instanceof TrackFileError) return `${error.message}: read its film again`;
  if (error instanceof RangeError) return shown(error.message);
  const known =
    error instanceof Error && "code" in error ? FILE_TROUBLE[String(error.code)] : undefined;
  return known ?? said("reading");
}

const said = (what: ClipErrorCode): string =>
  `${CLIP_WORDS[what].message} ${CLIP_WORDS[what].action}`;

/** Codes of the system, in words. */
const FILE_TROUBLE: Record<string, string> = {
  ENOENT: "There is no such file.",
  EISDIR: "That is a directory: give the clips in it.",
  EACCES: "It can't be read: you have no right to.",
  ENAMETOOLONG: "There is no such file.",
  ENOTDIR: "There is no such file.",
  ELOOP: "There is no such file.",
  ENOSPC: "The disk is full. Free some space, then try again.",
  EROFS: "Nothing can be written there.",
};

// Whoever watches is gone: nobody would read what comes.
process.on("disconnect", () => process.exit(1));
// The decoder's library reports an error that was reported already once more, where nobody can
// catch it; anything else ends the process.
process.on("unhandledRejection", (error) => {
  if (!(error instanceof Error && error.name === "FFmpegError")) process.exit(70);
});
await tell({
  words: { stalled: said("stalled"), memory: said("memory"), reading: said("reading") },
});
try {
  await program.parseAsync();
} catch (error) {
  if (!(error instanceof CommanderError)) throw error;
  if (error instanceof InvalidArgumentError)
    await tell({ say: `error: ${shown(error.message)}\n` });
  code = error.exitCode === 0 ? 0 : 2;
}
await tell({ code });
// The network's threads would keep the process alive.
process.exit(code);
