import { createActor } from "xstate";
import type { Analysis } from "../../core/analysis";
import type { Stage } from "../../core/drills";
import { aimOf, type Reach } from "../../core/film";
import {
  repLoop,
  startsStill,
  type LoopSnapshot,
  type Sound,
  type Look,
  type Stance,
  AFTER_END_MS,
  BEFORE_REP,
  LOOKS_TO_FIND_REPS,
  watchFor,
  type Attempt,
  type Decided,
  type RepWatch,
} from "../../core/live";
import { hangTogether } from "../../core/reps";
import { looksForSteps } from "../../core/judge";
import type { GolferFacts } from "../../core/scene";
import type { Track } from "../../core/track";
import { nextFrames, lookInRounds, thinned } from "../anytime";
import type { PoseNetwork } from "../network";
import { LiveReader } from "./liveReader";
import type { LivePicture, LiveReaderOptions } from "./liveReaderOptions";
import type { LiveSpan } from "./liveSpan";
import { obstacleOf } from "./obstacle";
import { sameAim } from "./sameAim";
import { Together } from "./together";

/**
 * What was seen of a rep, or of reps that hang together: its track, and when that begins, ms on the
 * camera's clock.
 */
export interface SeenBout {
  id: string;
  track: Track;
  trackFrom: number;
}

/** A rep that was answered, with what it was judged from. */
export interface AnsweredRep extends Decided, SeenBout {
  /** What it is kept with: itself, or the first of the reps that hang together with it. */
  keptIn: string;
  /**
   * Until when it is recorded, ms on the camera's clock: its finish, or the last hold or landing
   * that the stage asks for, and half a second.
   */
  recordedTo: number;
  /** When the answer was there, ms on the camera's clock. */
  answeredAt: number;
}

export interface LiveSessionOptions extends Pick<
  LiveReaderOptions,
  "size" | "want" | "follow" | "sparing" | "release" | "heard"
> {
  stage: Stage;
  golfer: GolferFacts;
  /** How far the movement's body goes; null where that is not known. */
  reach: Reach | null;
  /** Reps of a bout, and how many of this one were counted before. */
  reps: number;
  already?: number;
  /**
   * Analyses a track, somewhere where that keeps nothing waiting; roughly when only the events'
   * order counts.
   */
  analyse: (track: Track, roughly?: boolean) => Promise<Analysis>;
  /** Now, on the camera's clock, ms. */
  now: () => number;
  newId: () => string;
  state: (snapshot: LoopSnapshot) => void;
  sound: (sound: Sound) => void;
  /**
   * How often a second it looks, when that is too seldom to find every rep; null when it is enough
   * again.
   */
  tooSlow: (looksPerS: number | null) => void;
  answered: (rep: AnsweredRep) => void;
  /** The whole of what an answered rep is kept with has been seen. */
  completed: (seen: SeenBout) => void;
}

/**
 * A closer look is given up so long after what was to be judged, ms: an answer that comes later is
 * none.
 */
const CLOSER_MS = 1500;
/**
 * What is missing between the looks is looked at for so long, ms: on a slow device it stays thin,
 * and a closer look goes where it counts.
 */
const EVENLY_MS = 300;
/** How often it looks is told over so many ms. */
const PACE_MS = 4000;
/** How the phone stands is told so often, ms, from the looks of so long. */
const AIM_EVERY_MS = 250;
const AIM_FROM_MS = 1000;
/** A rep that has just been found began within this, ms. */
const REP_MS = 5000;
/** A frame read within this share of a wanted spacing stands for the wanted one. */
const SLACK = 0.75;

/**
 * A running camera's reps: looks, watches, judges and answers, one loop for all.
 *
 * Pictures go in by `take`; the state, sounds and answers come out by the options.
 */
export class LiveSession {
  readonly reader: LiveReader;
  private readonly loop;
  private readonly watch: RepWatch;
  private readonly together: Together;
  private busy = false;
  private clearLooks = 0;
  private slow = false;
  private aimedAt = -Infinity;
  /**
   * The phone's roll by its own sensor, degrees, + clockwise as its screen is seen; null without
   * one.
   */
  rollDeg: number | null = null;

  constructor(
    network: PoseNetwork,
    private readonly options: LiveSessionOptions,
  ) {
    const { stage, reps } = options;
    this.watch = watchFor(stage);
    this.together = new Together(hangTogether(stage.rules));
    this.loop = createActor(repLoop, {
      input: { reps, already: options.already ?? 0, stillStart: startsStill(stage.rules) },
    });
    this.loop.on("sound", ({ sound }) => options.sound(sound));
    // Every look changes the machine's own memory: that is nobody else's business.
    let told: LoopSnapshot | null = null;
    this.loop.subscribe((snapshot) => {
      const same =
        told &&
        snapshot.value === told.value &&
        snapshot.context.answers === told.context.answers &&
        snapshot.context.obstacle === told.context.obstacle &&
        snapshot.context.aim === told.context.aim &&
        snapshot.context.aimed === told.context.aimed;
      if (!same) options.state((told = snapshot));
    });
    this.loop.start();
    this.reader = new LiveReader(network, {
      faceOn: stage.view === "face-on",
      size: options.size,
      want: options.want,
      follow: options.follow,
      sparing: options.sparing ?? false,
      ...(options.release ? { release: options.release } : {}),
      ...(options.heard ? { heard: options.heard } : {}),
      looked: (stance, looks) => this.looked(stance, looks),
    });
  }

  take(picture: LivePicture): void {
    this.reader.take(picture);
    if (picture.whole) this.lookAround();
  }

  tell(event: Parameters<typeof this.loop.send>[0]): void {
    this.loop.send(event);
  }

  /** While a film is read, or nothing is asked of the camera, its pictures are not looked at. */
  rests(on: boolean): void {
    this.reader.rests(on);
  }

  private looked(stance: Stance, looks: readonly Look[]): void {
    const newest = looks.at(-1)!;
    this.loop.send({ type: "stance", t: newest.t, stance });
    this.complete(newest.t);
    this.aim(stance, newest.t);
    // Who is looked at too seldom never seems to have settled.
    if (stance.present) this.pace(looks);
    if (this.busy || !this.listening()) return;
    const { attempt, found } = this.watch.next(looks, stance);
    if (found) {
      this.loop.send({ type: "found" });
      void this.lookEvenly();
    } else if (attempt) void this.try(attempt);
  }

  /** Tells how the phone stands, while nobody swings. */
  private aim(stance: Stance, t: number): void {
    const loop = this.loop.getSnapshot();
    // Of one who swings no view can be told.
    if (
      stance.moving ||
      t < this.aimedAt + AIM_EVERY_MS ||
      !(loop.matches("looking") || loop.matches("settling") || loop.matches("leaving"))
    )
      return;
    this.aimedAt = t;
    const {
      size,
      golfer,
      reach,
      stage: { view },
    } = this.options;
    const aim = aimOf({
      ...this.reader.lately(AIM_FROM_MS),
      stance,
      size,
      golfer,
      view,
      reach,
      rollDeg: this.rollDeg,
    });
    if (!loop.context.aim || !sameAim(aim, loop.context.aim))
      this.loop.send({ type: "aim", t, aim });
  }

  /** Tells when it looks too seldom. */
  private pace(looks: readonly Look[]): void {
    const now = looks.at(-1)!.t;
    if (now - looks[0]!.t < PACE_MS) return;
    const looksPerS = looks.filter((l) => l.t > now - PACE_MS).length / (PACE_MS / 1000);
    const enough = Math.max(LOOKS_TO_FIND_REPS, looksForSteps(this.options.stage));
    const slow = looksPerS < (this.slow ? enough + 1 : enough);
    if (slow === this.slow) return;
    this.slow = slow;
    this.options.tooSlow(slow ? looksPerS : null);
  }

  /** Reps count from being armed until the bout is done. */
  private listening(): boolean {
    const snapshot = this.loop.getSnapshot();
    return !snapshot.matches("done") && !snapshot.matches("paused") && !snapshot.matches("blocked");
  }

  /**
   * While a rep that was found goes on, what a camera's uneven looks have left out of it is looked
   * at.
   */
  private async lookEvenly(): Promise<void> {
    const { stage, now } = this.options;
    await this.judging(now() - REP_MS, now(), async (span) =>
      span?.lookAt(
        thinned(
          nextFrames(span.looks(), null, stage, stage.view === "face-on", false, SLACK),
          this.roomIn(EVENLY_MS),
        ),
      ),
    );
  }

  /** How many pictures can be looked at in so many ms. */
  private roomIn(ms: number): number {
    return Math.floor((ms / this.reader.lookMs) * this.reader.atOnce);
  }

  /**
   * Nothing is said of a rep before it was looked at evenly; then as closely as there is time for.
   */
  private async try(attempt: Attempt): Promise<void> {
    this.reader.judges(true);
    await this.judge(attempt).finally(() => this.reader.judges(false));
  }

  private async judge(attempt: Attempt): Promise<void> {
    const { stage, analyse, now } = this.options;
    await this.judging(attempt.from, attempt.to, async (span) => {
      if (!span)
        return this.settle(
          this.watch.take({ ...attempt, last: true }, NO_REPS),
          null,
          attempt.from,
        );
      const seen: Attempt = { ...attempt, from: span.from };
      if (attempt.rough) return void this.watch.take(seen, await analyse(span.looks(), true));
      const left = () => attempt.to + CLOSER_MS - now();
      const { track, analysis, all } = await lookInRounds(
        { wanted: stage, analyse },
        stage.view === "face-on",
        span,
        {
          search: false,
          slack: SLACK,
          first: this.roomIn(EVENLY_MS),
          // Half of the time that is left is the analysis'.
          most: (known) =>
            this.watch.closer(seen, known) && left() > 0 ? this.roomIn(left() / 2) : 0,
        },
      );
      this.settle(this.watch.take({ ...seen, all }, analysis), track, span.from);
    });
  }

  /**
   * Holds a part of the last seconds while something is made of it; nothing else is judged
   * meanwhile.
   */
  private async judging(
    from: number,
    to: number,
    work: (span: LiveSpan | null) => Promise<void> | undefined,
  ): Promise<void> {
    this.busy = true;
    const span = this.reader.span(from, to);
    try {
      await work(span);
    } finally {
      span?.done();
      this.busy = false;
    }
  }

  private settle(
    { decided, nothing }: ReturnType<RepWatch["take"]>,
    track: Track | null,
    trackFrom: number,
  ): void {
    for (const one of decided) {
      const { verdict } = one.rep;
      if (!verdict || !track) continue;
      const id = this.options.newId();
      const { finish, impact, release } = one.rep.events;
      const over =
        finish?.t ?? ((impact ?? release) ? (impact ?? release)!.t + TO_FINISH_MS : one.rep.to);
      const recordedTo = Math.max(trackFrom + over, one.deciding ?? 0) + AFTER_END_MS;
      const lead = BEFORE_REP * (one.to - one.from);
      const keptIn = this.together.add({ id, from: one.from, to: recordedTo }, trackFrom, lead);
      this.options.answered({
        ...one,
        id,
        keptIn,
        track,
        trackFrom,
        recordedTo,
        answeredAt: this.options.now(),
      });
      this.loop.send({ type: "answered", answer: { id, at: one.about, verdict } });
    }
    if (nothing) this.loop.send({ type: "nothing" });
  }

  /** Hands on the whole of reps that are over. */
  private complete(now: number): void {
    for (const { id, from, to } of this.together.over(now)) {
      const span = this.reader.span(from, to);
      if (!span) continue;
      void span
        .followed()
        .then((track) => this.options.completed({ id, track, trackFrom: span.from }))
        .finally(span.done);
    }
  }

  /** What a look at the whole picture tells of the place. */
  private lookAround(): void {
    const worst = obstacleOf(this.reader.problems());
    const { obstacle } = this.loop.getSnapshot().context;
    if (worst && worst !== obstacle) this.loop.send({ type: "obstacle", obstacle: worst });
    this.clearLooks = worst ? 0 : this.clearLooks + 1;
    if (worst === "phone moved") this.reader.holdAnew();
    if (
      !obstacle ||
      obstacle === "camera lost" ||
      obstacle === "hidden" ||
      this.clearLooks < CLEAR_LOOKS
    )
      return;
    // A phone that was knocked rings: what was kept meanwhile is of no use.
    if (obstacle === "phone moved") this.reader.holdAnew();
    this.loop.send({ type: "obstacle", obstacle: null });
  }
}

/** A swing that has not finished by then does so within this of its strike, ms. */
const TO_FINISH_MS = 1500;
/** So many looks at the whole picture without an obstacle, and it is over. */
const CLEAR_LOOKS = 2;
const NO_REPS: Pick<Analysis, "reps"> = { reps: [] };
