import { isRehearsal, summaryOf } from "@/core/judge";
import { changeSince } from "@/core/film";
import type { LoopEvent } from "@/core/live";
import type { Feedback } from "@/core/practice";
import type { LiveAnswer, LoopShown, ReadAgain } from "@/vision/worker/liveProtocol";
import { NotKeptError, type FilmedFor } from "@/ui/read/keep";
import { Announcer } from "./announcer";
import { CameraError, type CameraChoice } from "./camera";
import { AT_FIRST, countedReps, type FilmingState, type FilmRequest } from "./filmingState";
import { goodSetUp, keepSetUp } from "./goodSetUp";
import { Keeper } from "./keeper";
import { counting, knownOf, Outbox } from "./outbox";
import { OUTBOX } from "./outboxName";
import { Rig, type Preview } from "./rig";
import { SecondLooks, type OtherAnswer } from "./secondLooks";
import type { Voice } from "./sounds";

/** The computer is asked again so often while it does not answer, ms. */
const AGAIN_MS = 10_000;

/**
 * Filming as it goes on, apart from its view: the camera, the workers, the bout, and its outbox.
 */
export class Filming {
  private now: FilmingState = AT_FIRST;
  private readonly listeners = new Set<() => void>();
  private readonly outbox = new Outbox();
  private readonly rig: Rig;
  private readonly announcer: Announcer;
  private readonly keeper = new Keeper(this.outbox);
  private again: ReturnType<typeof setTimeout> | null = null;
  private lock: WakeLockSentinel | null = null;
  /** Lets another page send what waits. */
  private ended: () => void = () => {};
  private readonly seconds = new SecondLooks(
    (film, share) => this.rig.readAgain(film, share),
    () => this.rig.stopReading(),
    (again) => this.set({ again }),
    (id, again, otherwise) => this.toldAgain(id, again, otherwise),
  );
  private bout: string;
  private choice: CameraChoice = "screen side";

  /** @param bout goes on after a reload */
  constructor(
    private readonly request: FilmRequest,
    private readonly voice: Voice,
    bout: string,
  ) {
    this.bout = bout;
    this.rig = new Rig(request);
    this.announcer = new Announcer(voice, request);
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
    this.set({ before: before.flatMap(counting).map((r) => ({ id: r.id, told: knownOf(r) })) });
    void this.send();
    void this.rig.warm((came) => this.set({ came })).catch(() => {});
  }

  /** Opens the camera and begins; called from the golfer's press. */
  async start(choice: CameraChoice, preview: Preview): Promise<void> {
    this.set({ step: "loading", loading: "The camera starts", trouble: null });
    // Reps on their way are not the browser's to throw away.
    void navigator.storage?.persist?.();
    void navigator.locks.request(
      OUTBOX.filming,
      () => new Promise<void>((ended) => (this.ended = ended)),
    );
    try {
      this.choice = choice;
      const { remote } = this.rig;
      const own = () => this.rig.isLive(remote);
      // Sound and sensors are allowed only right after the golfer's press.
      const woken = this.voice.wake();
      const { size, sound } = await this.rig.start({
        choice,
        hears: this.now.hears,
        preview,
        already: this.now.before.length,
        loading: (loading) => this.set({ loading }),
        listener: {
          state: (loop) => own() && this.loopIs(loop),
          sound: (sound) => own() && this.announcer.sound(sound),
          tooSlow: (looksPerS) => own() && this.set({ looksPerS }),
          answered: (answer) => void (own() && this.answered(answer)),
          completed: (seen) => this.keeper.completed(seen),
        },
        lost: (why) => this.lost(why),
      });
      await woken;
      this.set({ step: "running", size, deaf: this.now.hears && !sound });
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
    this.announcer.aim(was, loop);
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

  private lost(why: string): void {
    if (this.now.step !== "running" || this.now.loop?.state === "done") return;
    this.tell({ type: "obstacle", obstacle: "camera lost" });
    this.set({
      trouble:
        why === "ended" && this.rig.isStandIn
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
    const heard = this.announcer.verdict(verdict, this.now);
    this.set({ shown: heard ? { id: answer.id, rep: answer.rep } : null });
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
    const { clip, remote } = this.rig;
    const made = await this.keeper.answered(answer, told, {
      golfer: this.filmedFor(),
      boutId: this.bout,
      drill: drill.id,
      drillVersion: drill.version,
      stage,
      keepFilm,
      clip,
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
    await this.outbox.readAgain(
      id,
      { bytes: new Uint8Array(track), sha256: trackSha256 },
      otherwise,
    );
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
    this.rig.shows(on);
  }

  tell(event: LoopEvent): void {
    this.rig.tell(event);
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
    this.keeper.finish();
    this.rig.stop(() => this.ended());
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

const GONE = {
  message: "The camera is gone.",
  action: "What was judged is kept, and the count goes on when it films again.",
};
const NO_ROOM = {
  message: "This device’s storage is full.",
  action:
    "Reps go to the computer at once now. Leave this page open until it says that all are kept, and free some space.",
};

/**
 * Reps are sent while nobody swings: what the computer does with one, and the film's way there,
 * take their time from the network's.
 */
const RESTS: ReadonlySet<LoopShown["state"]> = new Set(["looking", "paused", "blocked", "done"]);
