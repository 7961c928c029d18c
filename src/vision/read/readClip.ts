import type { Track } from "../../core/track";
import { FIRST_MS, gridStep, lookInRounds, segmentEnd } from "../anytime";
import { bodyIn, coarseLook, LONG_MS, type CoarseLook } from "./coarseLook";
import {
  type Box,
  ClipError,
  cutoutArea,
  memoryForWhole,
  type Cutout,
  type OpenClip,
  handled,
} from "../decode";
import { boxOf, Resampler, type Square } from "../crop";
import {
  CutoutStore,
  EarlyPictures,
  feetArea,
  feetBox,
  handsNow,
  lumaOf,
  windowIn,
  windowOf,
} from "../pictures";
import { LookAhead, CROP_SIDE, type PoseNetwork } from "../network";
import type { LumaWindow } from "../patches";
import { Reading, type AboutClip } from "./reading";
import type { ReadTimings } from "./readTimings";
import { soundOnsets, type Onset } from "../sound";
import { Background } from "../still";
import type { ReadOptions, ReadSoFar } from "./readOptions";
import { STILL_MS, stillPictures } from "./stillPictures";

/**
 * Share of the whole time that finding the golfer takes: where every picture is read, where some
 * are, and in a long film (of which few are looked at).
 */
const FOUND = { whole: 0.15, asked: 0.35, long: 0.03 } as const;
/**
 * A film whose windows round the feet would take more than this, bytes, is read in segments, and is
 * looked over for a cut once in this many ms.
 */
const WINDOW_BYTES = 192 * 1024 ** 2;
const CUT_MS = 1000;
/**
 * Of a long film, pictures are kept for this long, s: a rep may just have ended (its windows reach
 * 2.8 s). Older ones are decoded again.
 */
const KEPT_S = 3;
/** Pictures kept when none is looked at again: those under way to the network, and a few. */
const AT_HAND = 8;
/** How far round the hands a window reaches, share of the body's height in the picture. */
const HANDS_REACH = 0.24;
/** Fewer frames than this are no clip. */
const SHORTEST = 10;
/** A golfer seen in fewer of the frames than this share is not there. */
const LEAST_SEEN = 0.3;

/**
 * Reads a clip into a Track: a coarse look finds the golfer and one still crop for the whole clip;
 * pictures are then read in that crop, all of them or those that `asked` needs; shoes and hands are
 * followed in the picture itself.
 *
 * @throws ClipError noPerson, tooShort, cancelled, and whatever decoding meets
 */
export async function readClip(
  clip: OpenClip,
  network: PoseNetwork,
  options: ReadOptions,
): Promise<{ track: Track; timings: ReadTimings }> {
  const began = performance.now();
  const timings: ReadTimings = {
    decodeMs: 0,
    cropMs: 0,
    networkMs: 0,
    patchesMs: 0,
    totalMs: 0,
    networkRuns: 0,
    detectorRuns: 0,
  };
  const resampler = new Resampler(CROP_SIDE, 0, 1, "nearest");
  const crop: Crop = (part, square) => {
    const t0 = performance.now();
    const input = resampler.cut(part, square, network.crop());
    timings.cropMs += performance.now() - t0;
    timings.networkRuns++;
    return input;
  };
  // Heard while the network looks.
  const sounds = handled(soundOnsets(clip.sound()));
  const step = options.asked ? gridStep(FIRST_MS, 1000 / clip.fps) : 1;
  const isLong = clip.durationMs > LONG_MS;
  const early = isLong
    ? undefined
    : new EarlyPictures(clip, stillPictures(step), clip.durationMs / STILL_MS);
  const found = isLong ? FOUND.long : options.asked ? FOUND.asked : FOUND.whole;
  const coarse = await coarseLook(
    clip,
    network,
    crop,
    timings,
    (t) => {
      stopIfAsked(options.signal);
      options.progress?.({
        share: (found * t) / clip.durationMs,
        done: 0,
        total: clip.frames,
        phase: "finding",
      });
    },
    early,
  );
  const reading = new ClipReading(
    { clip, network, options, crop, timings, sounds, step, coarse },
    (share, done, phase) =>
      options.progress?.({
        share: found + (1 - found) * share,
        done,
        total: clip.frames,
        phase,
      }),
  );
  const track = await reading.read(early);
  timings.totalMs = performance.now() - began;
  return { track, timings };
}

type Crop = (part: Cutout, square: Square) => Float32Array<ArrayBuffer>;

/** @throws ClipError cancelled */
function stopIfAsked(signal: AbortSignal | undefined): void {
  if (signal?.aborted) throw new ClipError("cancelled");
}

/** What reading is made of once the golfer has been found. */
interface Parts {
  clip: OpenClip;
  network: PoseNetwork;
  options: ReadOptions;
  crop: Crop;
  timings: ReadTimings;
  sounds: Promise<Onset[]>;
  /** One picture in so many is looked at first. */
  step: number;
  coarse: CoarseLook;
}

/** The pictures of a clip, read one after another in the square where the golfer practises. */
class ClipReading {
  private readonly ahead: LookAhead;
  private readonly reading: Reading;
  private readonly store: CutoutStore;
  private readonly about: AboutClip;
  /** The part of each picture that is kept. */
  private readonly kept: Box;
  private readonly area: ReturnType<typeof feetArea>;
  /** How far round the hands a window reaches, px. */
  private readonly reach: number;
  /** Too long for the windows round the feet to be kept: read in segments. */
  private readonly long: boolean;
  private readonly hands: (LumaWindow | undefined)[] = [];
  private background: Background | null = null;
  /** Share of the work that the first looks take; closer looks have the rest. */
  private readonly firstShare: number;
  /** Closer looks so far, and how many there usually are. */
  private closer = 0;
  private readonly usual: number;

  constructor(
    private readonly parts: Parts,
    private readonly tell: (share: number, done: number, phase: ReadSoFar["phase"]) => void,
  ) {
    const { clip, network, options, timings, step, coarse } = parts;
    const { square, others, feet } = coarse;
    const total = clip.frames;
    const body = bodyIn(square);
    // Where the golfer practises, not where they walk in.
    this.area = feetArea(feet, body);
    this.reach = Math.round(body * HANDS_REACH);
    this.ahead = new LookAhead(network, (ms) => (timings.networkMs += ms));
    this.reading = new Reading(total, square, this.area, options.faceOn);
    this.kept = cutoutArea([boxOf(square), feetBox(this.area)], clip.width, clip.height);
    this.long = total * this.area.width * this.area.height > WINDOW_BYTES;
    const lately = Math.ceil((KEPT_S * total) / (clip.durationMs / 1000));
    this.store = new CutoutStore(
      clip,
      this.reading.times,
      this.kept,
      !options.asked ? AT_HAND : this.long ? lately : undefined,
    );
    const { width, height, frames, fps, rotation, audio, durationMs } = clip;
    this.about = {
      looks: [],
      others,
      crop: square,
      model: network.model,
      sounds: [],
      video: { width, height, frames, fps, rotation, audio, durationMs },
    };
    // How many closer looks there will be is not known: usually about as many as the first ones; a
    // longer search comes ever nearer to the end. A long film is looked at closer on the way.
    this.firstShare = options.asked && !this.long ? 0.5 : 1;
    this.usual = Math.max(1, total / step);
  }

  /** @param early pictures that finding the golfer has decoded already */
  async read(early: EarlyPictures | undefined): Promise<Track> {
    const { clip, timings, step, options } = this.parts;
    const { reading, ahead } = this;
    const whole = memoryForWhole(clip);
    const isStill = stillPictures(step);
    let [from, nextCut] = [0, CUT_MS];
    let asked = performance.now();
    for await (const picture of early?.holding(this.kept) ?? clip.pictures()) {
      timings.decodeMs += performance.now() - asked;
      const i = reading.times.length;
      if (i >= clip.frames) break;
      stopIfAsked(options.signal);
      const still = isStill(i, picture.timeMs);
      const began = performance.now();
      const [cut, all] = await Promise.all([
        this.store.keep(i, picture),
        still ? picture.cut(null, () => whole) : null,
      ]);
      timings.decodeMs += performance.now() - began;
      await this.take(i, picture.timeMs, cut, all);
      if (this.long && picture.timeMs >= nextCut) {
        nextCut = picture.timeMs + CUT_MS;
        await ahead.end();
        const end = segmentEnd(reading.track(this.about, from, i + 1), options.faceOn);
        if (end !== null) {
          await this.finish(from, from + end);
          from += end;
        }
      }
      this.tell((this.firstShare * (i + 1)) / clip.frames, i + 1, "reading");
      asked = performance.now();
    }
    timings.decodeMs += performance.now() - asked;
    await ahead.end();
    if (reading.times.length < SHORTEST)
      throw new ClipError("tooShort", `${reading.times.length} pictures`);
    if (reading.seen < LEAST_SEEN) throw new ClipError("noPerson");
    await this.finish(from, reading.times.length);
    this.tell(1, clip.frames, "reading");
    return reading.settled(this.about);
  }

  /**
   * Takes the next picture, and looks at it when it is one of the first looks.
   *
   * @param all the whole of it, when the background is looked at
   */
  private async take(i: number, t: number, cut: Cutout, all: Cutout | null): Promise<void> {
    const { step, options, coarse } = this.parts;
    const { area, reach } = this;
    this.reading.times.push(t);
    this.reading.feet.push(windowOf(cut, area.left, area.top, area.width, area.height));
    if (all) this.background ??= new Background(all.frame, coarse.golfer);
    if (i % step !== 0) return;
    const moved = all && this.background ? this.background.moved(all.frame) : null;
    await this.lookAt(i, cut, (points) => {
      if (all) this.about.looks.push({ t, moved, luma: lumaOf(cut, points) });
      if (!options.asked) this.hands[i] = windowIn(cut, ...handsNow(points), reach);
    });
  }

  private lookAt(i: number, cut: Cutout, then: (points: Float32Array) => void): Promise<void> {
    const { crop, coarse } = this.parts;
    const { square } = coarse;
    return this.ahead.ask(crop(cut, square), { t: cut.frame.timeMs, square }, (output) =>
      then(this.reading.take(i, output)),
    );
  }

  private async lookCloser(frames: readonly number[]): Promise<void> {
    const { timings, options, clip } = this.parts;
    const { store } = this;
    const stop = () => stopIfAsked(options.signal);
    for (const [k, i] of frames.entries()) {
      const t0 = performance.now();
      if (!store.at(i)) await store.ensure(frames.slice(k), stop);
      timings.decodeMs += performance.now() - t0;
      stop();
      const cut = store.at(i);
      if (!cut) throw new ClipError("truncated", `picture ${i + 1} is not there a second time`);
      await this.lookAt(i, cut, () => {
        this.closer++;
        const share = 1 - this.firstShare * Math.exp(-this.closer / this.usual);
        if (!this.long) this.tell(share, clip.frames, "closer");
      });
    }
    await this.ahead.end();
  }

  /**
   * Sees to the frames from one up to another: looks closer as it is asked, follows shoes and
   * hands, and lets the pictures go.
   */
  private async finish(from: number, to: number): Promise<void> {
    const { options, timings } = this.parts;
    const { reading, about, hands, store, reach } = this;
    about.sounds = await this.parts.sounds;
    const near = (i: number, x: number, y: number) => {
      const cut = store.at(i);
      return cut && windowIn(cut, x, y, reach);
    };
    const followed = () => {
      const t0 = performance.now();
      const track = reading.track(about, from, to);
      reading.follow(track, from, options.asked ? near : (i) => hands[i] ?? null);
      timings.patchesMs += performance.now() - t0;
      return track;
    };
    const looking = {
      looks: () => reading.track(about, from, to),
      followed,
      lookAt: (frames: readonly number[]) => this.lookCloser(frames.map((f) => f + from)),
    };
    const { asked, faceOn } = options;
    const track = asked
      ? (await lookInRounds(asked, faceOn, looking, { search: !this.long })).track
      : followed();
    reading.settle(track, from);
    hands.fill(undefined, from, to);
  }
}
