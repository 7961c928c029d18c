import { sha256 } from "@noble/hashes/sha2.js";
import { bytesToHex } from "@noble/hashes/utils.js";
import { expose, transfer, wrap } from "comlink";
import { findStage, stageOf } from "../../core/drills";
import { writeTrack } from "../../core/formats/trackFile";
import type { Track } from "../../core/track/track";
import { LiveSession } from "../live/liveSession";
import { onGraphics, onProcessor, type Loaded } from "./loadBrowser";
import type { FromCamera, JudgeWorker, LiveTrack, LiveWorker, LoopShown, ToCamera } from "./liveProtocol";

let loaded: Promise<Loaded> | null = null;
let session: LiveSession | null = null;
let judge: { worker: Worker; remote: ReturnType<typeof wrap<JudgeWorker>> } | null = null;

/** On film a rep begins this long before its hands start, ms. */
const FILM_BEFORE_MS = 4000;
/** The preview is told of a look so often, ms. */
const SHOWN_MS = 100;

const load = () => (loaded ??= choose().catch((error: unknown) => {
  loaded = null;
  throw error;
}));

/** A camera does not wait: what the network runs on is chosen before it starts. */
async function choose(): Promise<Loaded> {
  const processor = await onProcessor();
  const graphics = await onGraphics(processor).catch(() => null);
  if (!graphics) return processor;
  processor.end();
  return graphics;
}

const live: LiveWorker = {
  warm: async () => (await load()).about,
  async start(film, size, pictures, listener) {
    session?.stop();
    const { network } = await load();
    judge ??= startJudge();
    const { remote } = judge;
    const { stage } = typeof film.drill === "string" ? findStage(film.drill, film.stage) : { stage: stageOf(film.drill, film.stage) };
    let clock = -Infinity;
    let shownAt = -Infinity;
    const say = (message: ToCamera, give: Transferable[] = []) => pictures.postMessage(message, give);
    const own = (session = new LiveSession(network, {
      stage, size, reps: film.reps, already: film.already,
      // The least delay of a picture on its way here is taken for none.
      now: () => performance.timeOrigin + performance.now() + clock,
      newId: () => crypto.randomUUID(),
      want: (want) => say({ type: "want", want }),
      release: (data) => say({ type: "back", data }, [data.buffer]),
      analyse: (track) => remote.analyse(track, film),
      state: (s) => void listener.state({ state: s.value as LoopShown["state"], answers: s.context.answers, obstacle: s.context.obstacle }),
      sound: (sound) => void listener.sound(sound),
      answered: ({ id, rep, about, track, trackFrom, from, recordedTo, deciding, answeredAt }) => {
        const start = trackFrom + (rep.events.handStart?.t ?? rep.from);
        const seen = file(id, track);
        void listener.answered(transfer({ ...seen, rep, about, film: { from: Math.min(from, start - FILM_BEFORE_MS), to: recordedTo }, deciding, answeredAt }, [seen.track.buffer as ArrayBuffer]));
      },
      completed: ({ id, track }) => {
        const seen = file(id, track);
        void listener.completed(transfer(seen, [seen.track.buffer as ArrayBuffer]));
      },
      seen: (stance, look) => {
        if (look.t - shownAt < SHOWN_MS) return;
        shownAt = look.t;
        void listener.seen(stance, look.points);
      },
    }));
    pictures.onmessage = ({ data }: MessageEvent<FromCamera>) => {
      clock = Math.max(clock, data.clock);
      own.take(data.picture);
    };
  },
  tell: (event) => session?.tell(event),
  calls: () => session?.reader.calls ?? 0,
  stop() {
    session?.stop();
    session = null;
  },
};

function file(id: string, track: Track): LiveTrack {
  const bytes = writeTrack(track);
  return { id, track: bytes, trackSha256: bytesToHex(sha256(bytes)) };
}

function startJudge(): NonNullable<typeof judge> {
  const worker = new Worker(new URL("./judge.worker.ts", import.meta.url), { type: "module" });
  return { worker, remote: wrap<JudgeWorker>(worker) };
}

expose(live);
