import { proxy, transfer, wrap, type Remote } from "comlink";
import type { Drill } from "@/core/drills";
import type { AnalysedRep } from "@/core/analysis";
import { isRehearsal, summaryOf, type VerdictSummary } from "@/core/judge/verdict";
import { changeSince, type SetUpChange } from "@/core/film/stood";
import type { Reach } from "@/core/film/plan";
import type { LoopEvent, Sound } from "@/core/live/loop";
import type { View } from "@/core/scene/view";
import { isAnswered, type Feedback } from "@/core/practice/feedback";
import type {
  Again,
  CameraWorker,
  FilmFor,
  LiveAnswer,
  LiveWorker,
  LoopShown,
  ReadAgain,
} from "@/vision/worker/liveProtocol";
import type { Came } from "@/vision/worker/networkFiles";
import { aimWords, toPutRight } from "./aimWords";
import { CameraError, openCamera, type CameraChoice, type RunningCamera } from "./camera";
import { NotKeptError, type FilmedFor } from "@/ui/read/keep";
import { goodSetUp, keepSetUp } from "./goodSetUp";
import { Keeper } from "./keeper";
import { counting, Outbox } from "./outbox";
import { OUTBOX } from "./outboxName";
import { SecondLooks, type LookingAgain, type OtherAnswer } from "./secondLooks";
import { watchRoll } from "./roll";
import type { Voice } from "./sounds";

/** What a page films for. */
export interface FilmRequest {
  golferId: string;
  drill: { id: string; version: number; own: Drill | null };
  stage: string;
  statureCm: number;
  hand: "left" | "right";
  reps: number;
  keepFilm: boolean;
  /**
   * What the microphone is for: the drill asks for a sound, a strike can be told better, or
   * nothing.
   */
  hearing: "asked" | "helps" | null;
  /** When answers are said, as far as the golfer does not choose otherwise. */
  feedback: Feedback;
  view: View;
  /** How far the movement's body goes; null where that is not known. */
  reach: Reach | null;
  /** Films that stand in for a camera. */
  films: readonly string[];
}

/** A rep that counts, and what was told of it. */
export interface CountedRep {
  id: string;
  told: VerdictSummary;
}

export interface FilmingState {
  step: "ready" | "loading" | "running";
  /** What is being loaded, in words. */
  loading: string;
  /** What of the network's files has come, while they are fetched for the first time. */
  came: Came | null;
  trouble: { message: string; action: string } | null;
  loop: LoopShown | null;
  /** Of the camera's picture, px. */
  size: { width: number; height: number } | null;
  /** When answers are said. */
  feedback: Feedback;
  /** The microphone listens too; it could not, though it was to. */
  hears: boolean;
  deaf: boolean;
  /** How the set-up differs from the last good one; null where there was none. */
  change: SetUpChange | null;
  /** The answer that is shown. */
  shown: { id: string; rep: AnalysedRep } | null;
  /** Reps of this bout that were counted before the camera was started, by an earlier page too. */
  before: CountedRep[];
  /** The browser can't keep the screen on. */
  dims: boolean;
  /** How often a second it looks, when that is too seldom to find every rep. */
  looksPerS: number | null;
  /**
   * Films that are read once more after the bout; and what was told at first of the reps of which
   * that tells otherwise.
   */
  again: LookingAgain | null;
  atFirst: ReadonlyMap<string, VerdictSummary>;
  /** Reps that have not reached the computer; and why not. */
  waiting: number;
  sending: string | null;
}

/** All reps of the bout that count, in order. */
export const countedReps = ({
  before,
  loop,
}: Pick<FilmingState, "before" | "loop">): CountedRep[] => [
  ...before,
  ...(loop?.answers ?? []).map(({ id, verdict }) => ({ id, told: verdict })),
];

const AT_FIRST: FilmingState = {
  step: "ready",
  loading: "",
  came: null,
  trouble: null,
  loop: null,
  size: null,
  feedback: "each",
  hears: false,
  deaf: false,
  change: null,
  shown: null,
  before: [],
  dims: false,
  looksPerS: null,
  again: null,
  atFirst: new Map(),
  waiting: 0,
  sending: null,
};

/** The computer is asked again so often while it does not answer, ms. */
const AGAIN_MS = 10_000;

/**
 * Filming as it goes on, apart from its view: the camera, the workers, the bout, and its outbox.
 */
export class Filming {
  private now: FilmingState = AT_FIRST;
  private readonly listeners = new Set<() => void>();
  private readonly outbox = new Outbox();
  private live: { worker: Worker; remote: Remote<LiveWorker> } | null = null;
  private camera: {
    worker: Worker;
    remote: Remote<CameraWorker>;
    running: RunningCamera;
    records: boolean;
  } | null = null;
  private readonly keeper = new Keeper(this.outbox);
  private again: ReturnType<typeof setTimeout> | null = null;
  private lock: WakeLockSentinel | null = null;
  /** Lets another page send what waits. */
  private ended: () => void = () => {};
  private readonly seconds = new SecondLooks(
    (film, share) => this.live?.remote.readAgain(film, proxy(share)) ?? Promise.resolve(null),
    () => void this.live?.remote.stopReading(),
    (again) => this.set({ again }),
    (id, again, otherwise) => this.toldAgain(id, again, otherwise),
  );
  private bout: string;
  private choice: CameraChoice = "screen side";
  private endRoll: () => void = () => {};
  private spokenAt = -Infinity;
  /** The last answer was not said. */
  private quiet = false;

  /** @param bout goes on after a reload */
  constructor(
    private readonly request: FilmRequest,
    private readonly voice: Voice,
    bout: string,
  ) {
    this.bout = bout;
    this.now = { ...AT_FIRST, feedback: request.feedback, hears: request.hearing === "asked" };
  }

  readonly subscribe = (changed: () => void): (() => void) => {
    this.listeners.add(changed);
    return () => this.listeners.delete(changed);
  };
  readonly state = (): FilmingState => this.now;

  private set(change: Partial<FilmingState>): void {
    this.now = { ...this.now, ...change };
    this.listeners.forEach((l) => l());
  }

  /** Loads the network, and sees what an earlier page left. */
  async warm(): Promise<void> {
    const before = await this.outbox.ofBout(this.bout);
    this.set({ before: before.flatMap(counting).map(({ id, told }) => ({ id, told })) });
    void this.send();
    void this.worker()
      .remote.warm(
        undefined,
        proxy((came: Came) => this.set({ came })),
      )
      .catch(() => {});
  }

  private worker(): { worker: Worker; remote: Remote<LiveWorker> } {
    if (!this.live) {
      const worker = new Worker(new URL("../../vision/worker/live.worker.ts", import.meta.url), {
        type: "module",
      });
      this.live = { worker, remote: wrap<LiveWorker>(worker) };
    }
    return this.live;
  }

  /**
   * Opens the camera and begins; called from the golfer's press. @param shown a stand-in's canvas
   */
  async start(
    choice: CameraChoice,
    shown: { video: HTMLVideoElement | null; canvas: HTMLCanvasElement | null },
  ): Promise<void> {
    this.set({ step: "loading", loading: "The camera starts", trouble: null });
    // Reps on their way are not the browser's to throw away.
    void navigator.storage?.persist?.();
    void navigator.locks.request(
      OUTBOX.filming,
      () => new Promise<void>((ended) => (this.ended = ended)),
    );
    try {
      this.choice = choice;
      const [endRoll] = await Promise.all([
        choice === "stand-in" ? () => {} : watchRoll((deg) => void this.live?.remote.rolled(deg)),
        this.voice.wake(),
      ]);
      this.endRoll = endRoll;
      const { remote } = this.worker();
      // A film begins when all is ready for it.
      if (choice === "stand-in") await remote.warm(bench().bench);
      const running = await openCamera(
        choice,
        this.now.hears,
        bench().films ?? this.request.films,
        bench().again ?? ONCE,
        shown.canvas,
      );
      if (shown.video && running.stream) {
        shown.video.srcObject = running.stream;
        await shown.video.play().catch(() => {});
      }
      this.set({ loading: "The network loads" });
      await remote.warm();
      const worker = new Worker(new URL("../../vision/worker/camera.worker.ts", import.meta.url), {
        type: "module",
      });
      const cameraRemote = wrap<CameraWorker>(worker);
      const camera: NonNullable<typeof this.camera> = (this.camera = {
        worker,
        remote: cameraRemote,
        running,
        records: false,
      });
      const { port1, port2 } = new MessageChannel();
      // One that was stopped still has a moment.
      const own = () => this.live?.remote === remote;
      const { drill, stage, statureCm, hand, reps, reach } = this.request;
      await remote.start(
        {
          drill: drill.own ?? drill.id,
          stage,
          statureCm,
          hand,
          reach,
          reps,
          already: this.now.before.length,
          bench: bench().bench,
        },
        running.size,
        transfer(port1, [port1]),
        proxy({
          state: (loop) => own() && this.loopIs(loop),
          sound: (sound) => own() && this.sound(sound),
          tooSlow: (looksPerS) => own() && this.set({ looksPerS }),
          answered: (answer) => void (own() && this.answered(answer)),
          completed: (seen) => this.keeper.completed(seen),
        }),
      );
      const { frames } = running;
      ({ records: camera.records } = await cameraRemote.start(
        transfer(frames, [frames as Transferable]),
        running.size,
        transfer(port2, [port2]),
        proxy((why: string) => this.lost(why)),
      ));
      if (running.sound) await remote.hear(transfer(running.sound, [running.sound]));
      running.begin?.();
      running.interrupted?.((on) =>
        this.tell({ type: "obstacle", obstacle: on ? "camera lost" : null }),
      );
      bench().calls = () => remote.calls();
      bench().pictures = () => cameraRemote.pictures();
      this.set({ step: "running", size: running.size, deaf: this.now.hears && !running.sound });
      await this.stayAwake();
    } catch (error) {
      this.stop();
      const known = error instanceof CameraError ? error : null;
      this.set({
        step: "ready",
        trouble: {
          message: known?.message ?? "Filming did not start.",
          action: known?.action ?? "Load the page again. Nothing is lost.",
        },
      });
    }
  }

  private loopIs(loop: LoopShown): void {
    const rests = RESTS.has(loop.state) && loop.state !== this.now.loop?.state;
    const was = this.now.loop;
    this.set({ loop, ...this.setUp(was, loop) });
    this.sayAim(was, loop);
    if (rests) void this.send();
    if (was?.state !== loop.state) this.lookAgain();
  }

  /**
   * Compares the set-up with the last good one as soon as it is found to be good, and remembers it.
   */
  private setUp(was: LoopShown | null, loop: LoopShown): Partial<FilmingState> {
    const stood = loop.aim?.told?.stood;
    if (!loop.aimed || was?.aimed || !stood) return {};
    const { view } = this.request;
    const before = goodSetUp(view, this.choice);
    keepSetUp(view, this.choice, stood);
    return { change: before && changeSince(before, stood) };
  }

  /** Speaks what is to be put right, when that is something else than before. */
  private sayAim(was: LoopShown | null, loop: LoopShown): void {
    const wrong = toPutRight(loop);
    if (!wrong) return;
    if (
      was?.aim?.wrong?.fault === wrong.fault &&
      performance.now() - this.spokenAt < SPOKEN_AGAIN_MS
    )
      return;
    this.spokenAt = performance.now();
    this.voice.say(aimWords(wrong, this.request.view, this.request.hand).word);
  }

  private lost(why: string): void {
    if (this.now.step !== "running" || this.now.loop?.state === "done") return;
    this.tell({ type: "obstacle", obstacle: "camera lost" });
    this.set({
      trouble:
        why === "ended" && this.camera?.running.stream === null
          ? {
              message: "The film that stands in for a camera is over.",
              action: "What was judged is kept.",
            }
          : GONE,
    });
  }

  private async answered(answer: LiveAnswer): Promise<void> {
    const verdict = answer.rep.verdict!;
    const told = summaryOf(verdict);
    this.quiet = !isAnswered(this.now.feedback, [
      ...countedReps(this.now).map((r) => r.told),
      told,
    ]);
    this.set({ shown: this.quiet ? null : { id: answer.id, rep: answer.rep } });
    if (!this.quiet && verdict.result === "fail" && verdict.cue)
      setTimeout(() => this.voice.say(verdict.cue!.words), SPOKEN_AFTER_MS);
    // For whoever measures.
    performance.mark("kingfisher:answer", {
      detail: {
        id: answer.id,
        about: answer.about,
        result: verdict.result,
        cue: verdict.cue?.id ?? null,
        delayMs: answer.deciding === null ? null : answer.answeredAt - answer.deciding,
      },
    });
    const { drill, stage, keepFilm } = this.request;
    const recording = this.camera?.records ? this.camera.remote : null;
    const { remote } = this.worker();
    const made = await this.keeper.answered(answer, told, {
      golfer: this.filmedFor(),
      boutId: this.bout,
      drill: drill.id,
      drillVersion: drill.version,
      stage,
      keepFilm,
      clip: recording && ((from, to) => recording.clip(from, to)),
      onFilmClock: (track, earlierMs) => remote.onFilmClock(track, earlierMs),
    });
    if (!made) return;
    const { id, film, reps, room } = made;
    if (film && !isRehearsal(verdict)) this.seconds.add({ id, film, reps });
    this.lookAgain();
    if (!room) this.set({ trouble: NO_ROOM });
    // What only this page's memory has is not left waiting for a rest.
    if (!room || !this.now.loop || RESTS.has(this.now.loop.state)) void this.send();
    else this.set({ waiting: await this.outbox.waiting() });
  }

  /** A closer look at a film told more of its reps. */
  private async toldAgain(
    id: string,
    { track, trackSha256 }: ReadAgain,
    otherwise: OtherAnswer[],
  ): Promise<void> {
    for (const other of otherwise) {
      performance.mark("kingfisher:again", {
        detail: { id: other.id, result: other.told.result, cue: other.told.cue?.id ?? null },
      });
      const answer = this.now.loop?.answers.find((a) => a.id === other.id);
      if (!answer) continue;
      this.set({ atFirst: new Map([...this.now.atFirst, [other.id, answer.verdict]]) });
      this.tell({ type: "corrected", id: other.id, verdict: { ...answer.verdict, ...other.told } });
    }
    await this.outbox.readAgain(id, { bytes: new Uint8Array(track), sha256: trackSha256 });
    await this.send();
  }

  private filmedFor(): FilmedFor {
    const { golferId: id, hand, statureCm } = this.request;
    return { id, hand, statureCm };
  }

  /** Films are read again when the bout is done and all of its reps have been seen to their end. */
  private lookAgain(): void {
    if (this.now.loop?.state !== "done") this.seconds.stop();
    else if (!this.keeper.busy) this.seconds.start();
  }

  /** The golfer has seen enough of that. */
  stopLookingAgain(): void {
    this.seconds.stop();
  }

  /** Sends what waits, and tries again later when the computer does not answer. */
  private async send(): Promise<void> {
    if (this.again) clearTimeout(this.again);
    this.again = null;
    try {
      // A film that this page does not make will not be made any more.
      await this.outbox.send((rep) => !this.keeper.isMaking(rep.id), this.filmedFor());
      this.set({ sending: null });
    } catch (error) {
      this.set({
        sending:
          error instanceof NotKeptError
            ? error.message
            : "The computer does not answer. Your reps wait here.",
      });
      this.again = setTimeout(() => void this.send(), AGAIN_MS);
    }
    this.set({ waiting: await this.outbox.waiting() });
  }

  /** An answer that is not said sounds as any rep that was seen. */
  private sound(sound: Sound): void {
    this.voice.play(this.quiet && ANSWERS.has(sound) ? "seen" : sound);
  }

  /** The golfer wants more answers, or fewer. */
  answers(feedback: Feedback): void {
    this.set({ feedback });
  }

  /** The golfer lets the microphone listen, or not; before the camera is started. */
  listens(on: boolean): void {
    this.set({ hears: on });
  }

  /** Whether the preview is to be seen. */
  shows(on: boolean): void {
    this.camera?.running.shows?.(on);
  }

  tell(event: LoopEvent): void {
    void this.live?.remote.tell(event);
  }

  /** The golfer takes back the rep that is shown. */
  async withdraw(id: string): Promise<void> {
    this.tell({ type: "withdrawn", id });
    await this.outbox.withdraw(id);
    this.set({ shown: null, before: this.now.before.filter((r) => r.id !== id) });
    void this.send();
  }

  nextBout(bout: string): void {
    this.bout = bout;
    this.seconds.clear();
    this.set({ shown: null, before: [], atFirst: new Map() });
    this.tell({ type: "next bout" });
  }

  /** A page that was hidden lost its screen's lock. */
  async stayAwake(): Promise<void> {
    this.lock = (await navigator.wakeLock?.request("screen").catch(() => null)) ?? null;
    this.set({ dims: this.lock === null });
  }

  /** Ends the camera and the loop; what waits to be sent stays. */
  stop(): void {
    void this.lock?.release();
    this.seconds.stop();
    this.endRoll();
    this.keeper.finish();
    this.camera?.running.stop();
    void this.camera?.remote.stop();
    const workers = [this.camera?.worker, this.live?.worker];
    // What is still being cut out of the recording has a moment.
    setTimeout(() => {
      workers.forEach((w) => w?.terminate());
      this.ended();
    }, CUTTING_MS);
    this.camera = null;
    this.live = null;
    if (this.again) clearTimeout(this.again);
    this.set({
      step: "ready",
      loop: null,
      size: null,
      change: null,
      looksPerS: null,
      shown: null,
      before: countedReps(this.now),
    });
    void this.send();
  }
}

/** What a bench puts in the network's place, before the page is loaded. */
const bench = (): Bench => (globalThis as { kingfisherBench?: Bench }).kingfisherBench ?? {};

interface Bench extends Pick<FilmFor, "bench"> {
  /** Other films that stand in, and how often they are played. */
  films?: string[];
  again?: Again;
  /** Calls of the network so far, and the camera's pictures, for it to read. */
  calls?: () => Promise<number>;
  pictures?: () => Promise<{ taken: number; recorded: number }>;
}

const ONCE: Again = { times: 1, restS: 0 };
const GONE = {
  message: "The camera is gone.",
  action: "What was judged is kept, and the count goes on when it films again.",
};
const NO_ROOM = {
  message: "This device’s storage is full.",
  action:
    "Reps go to the computer at once now. Leave this page open until it says that all are kept, and free some space.",
};

const ANSWERS: ReadonlySet<Sound> = new Set(["pass", "fail", "not judged"]);

/**
 * Reps are sent while nobody swings: what the computer does with one, and the film's way there,
 * take their time from the network's.
 */
const RESTS: ReadonlySet<LoopShown["state"]> = new Set(["looking", "paused", "blocked", "done"]);
const CUTTING_MS = 3000;
/** What is to be put right is spoken again after this, ms. */
const SPOKEN_AGAIN_MS = 6000;
/** A cue is spoken when the fail's own sound is over, ms. */
const SPOKEN_AFTER_MS = 650;
