import { ABSENT, asTrack, stanceOf, type Look, type Stance } from "../../core/live";
import { pictureProblems, type Problem } from "../../core/scene";
import { POINTS, PRESENT, STRIDE, type Track } from "../../core/track";
import { findPeople, strangers, seenIn, type Seen } from "../read";
import { boxOf, type Square } from "../crop";
import { lumaOf } from "../pictures";
import { cutoutArea, type Cutout, handled } from "../decode";
import { bodySquare, proposedSquare, readPoints, type PoseNetwork } from "../network";
import { Background } from "../still";
import { LIVE_SQUARE } from "./fitted";
import type { LivePicture, LiveReaderOptions } from "./liveReaderOptions";
import { Looker } from "./looker";
import { PictureRate } from "./pictureRate";
import { Rival } from "./rival";
import { liveSpan, type HandedOn, type Kept, type LiveSpan } from "./liveSpan";
import {
  feetOf,
  holds,
  holdsSquare,
  placeOf,
  ROOM,
  squareOf,
  uprightPlace,
  type CropPlace,
} from "./place";

/**
 * Pictures and looks are kept for this long, ms: a rep reaches 6 s before its top and some seconds
 * beyond.
 */
const KEPT_MS = 12_000;
/** While nobody is there, and while somebody is: whole pictures once in so many ms. */
const WHOLE_MS = { lost: 250, there: 1000 };
/** Looks without anybody after which they are searched for again, ms. */
const LOST_MS = 700;
/**
 * Feet that are farther than this from where they stood (share of stature) for this long stand in
 * another place, which is read from then on; when they are so far and do not stand, the golfer
 * walks.
 */
const MOVED_OFF = 0.12;
const MOVED_OFF_MS = 500;
const WALKS = 0.36;
/** Fewer pictures than this are nothing to read. */
const LEAST_PICTURES = 10;
/**
 * Problems of the place are told from so much of what was seen, ms: two looks at whole pictures and
 * a half.
 */
const LATELY_MS = 2500;

/**
 * Looks at a running camera: finds the golfer, follows them, and holds still on the place where
 * they stand. There every picture's part is kept for a while, the newest one is looked at whenever
 * the network is free, and any part of the last seconds can be made a track and looked at more
 * closely.
 */
export class LiveReader {
  private readonly looker: Looker;
  private readonly rate = new PictureRate();
  private readonly rival = new Rival();
  private readonly timings = { detectorRuns: 0 };
  private square: Square | null = null;
  private place: CropPlace | null = null;
  private kept: Kept[] = [];
  private taken = 0;
  private readonly handedOn: HandedOn = new Map();
  private looks: Look[] = [];
  private about: Pick<Track, "looks" | "others"> = { looks: [], others: [] };
  private newest: { t: number; cut: Cutout } | null = null;
  private searching = false;
  private seenAt = -Infinity;
  private awaySince: number | null = null;
  /** While a part of the last seconds is judged, the place stays. */
  private holding = 0;
  private closing = false;
  private judging = false;
  private resting = false;
  constructor(
    private readonly network: PoseNetwork,
    private readonly options: LiveReaderOptions,
  ) {
    this.looker = new Looker(network);
    this.wantNow();
  }

  /** What a look takes lately, ms, and how many the network takes at once. */
  get lookMs(): number {
    return this.looker.lookMs;
  }
  get atOnce(): number {
    return this.looker.atOnce;
  }

  private wantNow(): void {
    const { width, height } = this.options.size;
    const area =
      this.place?.area ??
      (this.square &&
        cutoutArea([boxOf({ ...this.square, size: this.square.size * ROOM })], width, height));
    this.options.want({ area, wholeEveryMs: this.square ? WHOLE_MS.there : WHOLE_MS.lost });
  }

  /** Takes the next picture. */
  take({ t, part, whole }: LivePicture): void {
    if (whole) this.takeWhole(t, whole);
    if (!part) {
      // While nobody is there only whole pictures come.
      this.rate.paused();
      return;
    }
    this.rate.came(t);
    const { place } = this;
    if (place && holds(part, place.area)) {
      this.kept.push({ n: this.taken++, t, cut: part, seen: null, asked: false });
      while (this.kept.length && this.kept[0]!.t < t - KEPT_MS) this.letGo(this.kept.shift()!.cut);
    }
    if (!place) this.newest = { t, cut: part };
    this.pump();
  }

  private letGo(cut: Cutout): void {
    this.options.release?.(cut.frame.data as Uint8Array<ArrayBuffer>);
  }

  /**
   * Keeps the network busy with the newest pictures: one waits, so that whichever of its threads is
   * free next need not.
   */
  private pump(): void {
    const most = this.judging && this.options.sparing ? this.atOnce - 1 : this.atOnce + 1;
    while (this.looker.under < most && !this.closing && !this.resting) {
      if (this.place) {
        const next = this.kept.at(-1);
        if (!next || next.asked) return;
        void this.lookKept(next, this.place);
      } else {
        const next = this.newest;
        if (
          !next ||
          !this.square ||
          !holdsSquare(next.cut, this.square, this.options.size) ||
          this.looker.under >= this.atOnce
        )
          return;
        this.newest = null;
        void this.follow(next.t, next.cut, this.square);
      }
    }
  }

  /** Looks at nothing for a while. */
  rests(on: boolean): void {
    this.resting = on;
    this.pump();
  }

  /** While a rep is judged. */
  judges(on: boolean): void {
    this.judging = on;
    this.pump();
  }

  /** Looks at a kept picture. */
  private async seenOf(kept: Kept, place: CropPlace): Promise<Seen> {
    kept.asked = true;
    const output = await this.looker.look(kept.cut, place.square);
    const seen = (kept.seen = seenIn(output, place.square, place.feet, this.options.faceOn));
    this.looker.done(output);
    return seen;
  }

  private async lookKept(kept: Kept, place: CropPlace): Promise<void> {
    const { points, presence } = await this.seenOf(kept, place);
    if (this.place === place) {
      // Two networks may answer out of order.
      const after = this.looks.findLastIndex((l) => l.t < kept.t) + 1;
      this.looks.splice(after, 0, { t: kept.t, points, presence });
      this.looked(kept.t);
    }
    this.pump();
  }

  private async follow(t: number, cut: Cutout, square: Square): Promise<void> {
    const output = await this.looker.look(cut, square);
    const points = new Float32Array(POINTS * STRIDE);
    readPoints(output, square, points);
    if (output.presence >= PRESENT) this.square = bodySquare(...proposedSquare(output, square));
    const presence = output.presence;
    this.looker.done(output);
    if (!this.place) {
      this.looks.push({ t, points, presence });
      this.looked(t);
      this.wantNow();
    }
    this.pump();
  }

  private looked(t: number): void {
    while (this.looks.length && this.looks[0]!.t < t - KEPT_MS) this.looks.shift();
    const newest = this.looks.at(-1);
    if (newest.presence >= PRESENT) this.seenAt = newest.t;
    const stance = stanceOf(this.looks);
    if (!this.holding) this.settle(stance, newest.t);
    // Who has gone is told once more by the look that missed them.
    this.options.looked(
      this.looks.length ? stance : ABSENT,
      this.looks.length ? this.looks : [newest],
    );
  }

  /** Holds still on where the golfer stands, or lets go of it when they have gone. */
  private settle(stance: Stance, t: number): void {
    if (t - this.seenAt > LOST_MS) return this.lose();
    if (!this.place) {
      if (stance.settled) this.hold();
      return;
    }
    const recent = this.recent(t);
    if (!recent.length) return;
    const tall = this.place.square.size / LIVE_SQUARE.size;
    const [x, y] = feetOf(recent);
    const far = Math.hypot(x - this.place.stood[0], y - this.place.stood[1]) / tall;
    this.awaySince = far > MOVED_OFF ? (this.awaySince ?? t) : null;
    if (this.awaySince === null || t - this.awaySince < MOVED_OFF_MS) return;
    // In the middle of a rep feet may be anywhere.
    if (stance.still) this.hold();
    else if (far > WALKS) {
      // Followed until they stand again.
      this.square = squareOf(recent);
      this.leave();
      this.wantNow();
    }
  }

  private recent(t: number): Look[] {
    return this.looks.filter((l) => l.t >= t - MOVED_OFF_MS && l.presence >= PRESENT);
  }

  private hold(): void {
    const { width, height } = this.options.size;
    const looks = this.recent(this.looks.at(-1).t);
    // Of one who bends down to a ball no size can be told.
    if (!looks.length || !uprightPlace(looks)) return;
    const place = placeOf(looks, { width, height });
    this.leave();
    this.square = place.square;
    this.place = place;
    this.wantNow();
  }

  /** Lets go of the place that was read. */
  private leave(): void {
    this.place = null;
    this.awaySince = null;
    for (const k of this.kept) if (!k.asked || k.seen) this.letGo(k.cut);
    this.kept = [];
    this.handedOn.clear();
    this.about = { looks: [], others: [] };
  }

  private lose(): void {
    this.leave();
    this.square = null;
    this.looks = [];
    this.wantNow();
  }

  private takeWhole(t: number, whole: Cutout): void {
    const { place } = this;
    if (place) {
      if (!place.background) place.background = new Background(whole.frame, place.golfer);
      const newest = this.looks.at(-1);
      this.about.looks.push({
        t,
        moved: place.background.moved(whole.frame),
        luma: newest ? lumaOf(whole, newest.points) : NaN,
      });
    }
    // Nor is anybody looked for while a rep's own pictures wait for the network.
    if (this.searching || this.closing || this.resting) return;
    this.searching = true;
    void this.search(t, whole).finally(() => (this.searching = false));
  }

  /**
   * Looks for people in a whole picture: for the golfer while nobody is followed, else for others.
   */
  private async search(t: number, whole: Cutout): Promise<void> {
    const lost = !this.square;
    const found = await handled(
      findPeople(whole, this.network, this.timings, lost, lost ? undefined : 0),
    );
    if (this.square) {
      const others = strangers(t, found, this.square);
      if (this.place) this.about.others.push(...others);
      if (!this.holding) this.compare(others, this.square);
      return;
    }
    if (!lost) return;
    const first = found[0]?.square;
    if (!first) {
      this.options.looked(ABSENT, [{ t, points: new Float32Array(POINTS * STRIDE), presence: 0 }]);
      return;
    }
    // The detector's square is a first guess.
    let square = first;
    for (let k = 0; k < 2; k++) {
      const output = await this.looker.look(whole, square);
      square = bodySquare(...proposedSquare(output, square));
      this.looker.done(output);
    }
    this.square = square;
    this.seenAt = t;
    this.wantNow();
  }

  /** Follows somebody else, when the one who was followed stands behind them. */
  private compare(others: Track["others"], own: Square): void {
    const golfer = this.rival.among(others, own.size);
    if (!golfer) return;
    this.leave();
    this.looks = [];
    this.square = { cx: golfer.x, cy: golfer.y, size: golfer.size };
    this.seenAt = golfer.t;
    this.wantNow();
  }

  /** What looks at the whole picture have told lately: problems of the place. */
  problems(): Problem[] {
    const { width, height } = this.options.size;
    const { looks, about } = this.lately(LATELY_MS);
    return looks.length
      ? pictureProblems({ ...asTrack(looks), ...about, video: { width, height } })
      : [];
  }

  /**
   * The last looks (of so many ms), what looks at the whole picture told lately, and how many
   * pictures a second come (null before that is known).
   */
  lately(ms: number): {
    looks: Look[];
    about: Pick<Track, "looks" | "others">;
    fps: number | null;
  } {
    const now = this.looks.at(-1)?.t ?? 0;
    const of = <T extends { t: number }>(list: readonly T[], within: number) =>
      list.filter((e) => e.t >= now - within);
    return {
      looks: of(this.looks, ms),
      about: { looks: of(this.about.looks, LATELY_MS), others: of(this.about.others, LATELY_MS) },
      fps: this.rate.fps,
    };
  }

  /**
   * Takes the place as it is now for where it stands, after the phone was moved; not while a part
   * of the last seconds is judged.
   */
  holdAnew(): void {
    if (!this.holding && this.place) this.hold();
  }

  /**
   * Part of the last seconds as something that can be read closer; null when nothing of it is kept.
   * The place stays until it is let go.
   */
  span(from: number, to: number): LiveSpan | null {
    const { place } = this;
    const kept = this.kept.filter((k) => k.t >= from && k.t <= to);
    if (!place || kept.length < LEAST_PICTURES) return null;
    this.holding++;
    for (const n of this.handedOn.keys()) if (n < this.kept[0]!.n) this.handedOn.delete(n);
    return liveSpan(kept, place, to, {
      ...this.options,
      ...this.about,
      model: this.network.model,
      handedOn: this.handedOn,
      heard: this.options.heard ?? (() => null),
      look: (k) => this.seenOf(k, place),
      lookingCloser: (on) => {
        this.closing = on;
        if (!on) this.pump();
      },
      done: () => this.holding--,
    });
  }
}
