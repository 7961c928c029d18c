import type { Track } from "../core/track/track";
import type { Asked } from "./anytime/asked";
import { FIRST_MS, gridStep } from "./anytime/plan";
import { lookInRounds } from "./anytime/rounds";
import { segmentEnd } from "./anytime/segments";
import { bodyIn, coarseLook, LONG_MS } from "./coarseLook";
import { boxOf, Resampler, type Square } from "./crop/resample";
import { CutoutStore } from "./cutoutStore";
import { ClipError } from "./decode/clipError";
import { cutoutArea, memoryForWhole, type Cutout } from "./decode/cutout";
import type { OpenClip } from "./decode/openClip";
import { EarlyPictures } from "./earlyPictures";
import { feetArea, feetBox } from "./feetArea";
import { handled } from "./handled";
import { LookAhead } from "./network/lookAhead";
import { CROP_SIDE, type PoseNetwork } from "./network/poseNetwork";
import { handsNow, lumaOf, windowIn, windowOf } from "./cutoutWindows";
import type { LumaWindow } from "./patches/lumaWindow";
import { Reading, type AboutClip } from "./reading";
import type { ReadTimings } from "./readTimings";
import { soundOnsets } from "./sound/onsets";
import { Background } from "./still/background";

export type { ReadTimings } from "./readTimings";

export interface ReadOptions {
  faceOn: boolean;
  /** Left out: every picture is read. */
  asked?: Asked | undefined;
  /** Called as pictures are read. */
  progress?: (far: ReadSoFar) => void;
  signal?: AbortSignal;
}

/** How far reading is. */
export interface ReadSoFar {
  /**
   * Share of the work that is done, 0–1: an estimate while it finds the golfer and while it looks
   * closer.
   */
  share: number;
  /** Pictures gone through, of how many. */
  done: number;
  total: number;
  /**
   * Finding the golfer; reading; all pictures were gone through, and what decides the checks is
   * looked at more closely.
   */
  phase: "finding" | "reading" | "closer";
}

/** The background and the light are looked at once in this many ms. */
const STILL_MS = 100;
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
  const ahead = new LookAhead(network, (ms) => (timings.networkMs += ms));
  const crop = (part: Cutout, square: Square) => {
    const began = performance.now();
    const input = resampler.cut(part, square, network.crop());
    timings.cropMs += performance.now() - began;
    timings.networkRuns++;
    return input;
  };
  const stop = () => {
    if (options.signal?.aborted) throw new ClipError("cancelled");
  };

  // Heard while the network looks.
  const sounds = handled(soundOnsets(clip.sound()));
  const total = clip.frames;
  const found = clip.durationMs > LONG_MS ? FOUND.long : options.asked ? FOUND.asked : FOUND.whole;
  const step = options.asked ? gridStep(FIRST_MS, 1000 / clip.fps) : 1;
  const early =
    clip.durationMs > LONG_MS
      ? undefined
      : new EarlyPictures(clip, stillPictures(step), clip.durationMs / STILL_MS);
  const { square, others, golfer, feet } = await coarseLook(
    clip,
    network,
    crop,
    timings,
    (t) => {
      stop();
      options.progress?.({
        share: (found * t) / clip.durationMs,
        done: 0,
        total,
        phase: "finding",
      });
    },
    early,
  );
  const tell = (share: number, done: number, phase: ReadSoFar["phase"]) =>
    options.progress?.({ share: found + (1 - found) * share, done, total, phase });
  const body = bodyIn(square);
  // Where the golfer practises, not where they walk in.
  const area = feetArea(feet, body);
  const reach = Math.round(body * 0.24);
  const reading = new Reading(total, square, area, options.faceOn);
  const seen = cutoutArea([boxOf(square), feetBox(area)], clip.width, clip.height);
  const long = total * area.width * area.height > WINDOW_BYTES;
  const store = new CutoutStore(
    clip,
    reading.times,
    seen,
    !options.asked
      ? AT_HAND
      : long
        ? Math.ceil((KEPT_S * total) / (clip.durationMs / 1000))
        : undefined,
  );
  const whole = memoryForWhole(clip);
  const hands: (LumaWindow | undefined)[] = [];
  const looks: Track["looks"] = [];
  const about: AboutClip = {
    looks,
    others,
    crop: square,
    model: network.model,
    sounds: [],
    video: {
      width: clip.width,
      height: clip.height,
      frames: clip.frames,
      fps: clip.fps,
      rotation: clip.rotation,
      audio: clip.audio,
      durationMs: clip.durationMs,
    },
  };
  const lookAt = (i: number, cut: Cutout, then: (points: Float32Array) => void) =>
    ahead.ask(crop(cut, square), (output) => then(reading.take(i, output)));
  // How many closer looks there will be is not known: usually about as many as the first ones; a
  // longer search comes ever nearer to the end. A long film is looked at closer on the way.
  const half = options.asked && !long ? 0.5 : 1;
  const usual = Math.max(1, total / step);
  let closer = 0;

  const closerAt = async (frames: readonly number[]) => {
    for (const [k, i] of frames.entries()) {
      const t0 = performance.now();
      if (!store.at(i)) await store.ensure(frames.slice(k), stop);
      timings.decodeMs += performance.now() - t0;
      stop();
      const cut = store.at(i);
      if (!cut) throw new ClipError("truncated", `picture ${i + 1} is not there a second time`);
      await lookAt(i, cut, () => {
        closer++;
        if (!long) tell(1 - half * Math.exp(-closer / usual), total, "closer");
      });
    }
    await ahead.end();
  };
  /**
   * Sees to the frames from one up to another: looks closer as it is asked, follows shoes and
   * hands, and lets the pictures go.
   */
  const finish = async (from: number, to: number) => {
    about.sounds = await sounds;
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
      lookAt: (frames: readonly number[]) => closerAt(frames.map((f) => f + from)),
    };
    reading.settle(
      options.asked
        ? (await lookInRounds(options.asked, options.faceOn, looking, { search: !long })).track
        : followed(),
      from,
    );
    hands.fill(undefined, from, to);
  };

  let background: Background | null = null;
  const isStill = stillPictures(step);
  let [from, nextCut] = [0, CUT_MS];
  let asked = performance.now();
  for await (const picture of early?.holding(seen) ?? clip.pictures()) {
    timings.decodeMs += performance.now() - asked;
    const i = reading.times.length;
    if (i >= total) break;
    stop();
    const t = picture.timeMs;
    const wanted = i % step === 0;
    const still = isStill(i, t);
    const began = performance.now();
    const [cut, all] = await Promise.all([
      store.keep(i, picture),
      still ? picture.cut(null, () => whole) : null,
    ]);
    timings.decodeMs += performance.now() - began;
    reading.times.push(t);
    reading.feet.push(windowOf(cut, area.left, area.top, area.width, area.height));
    if (all) {
      background ??= new Background(all.frame, golfer);
    }
    if (wanted) {
      const moved = all && background ? background.moved(all.frame) : null;
      await lookAt(i, cut, (points) => {
        if (still) looks.push({ t, moved, luma: lumaOf(cut, points) });
        if (!options.asked) hands[i] = windowIn(cut, ...handsNow(points), reach);
      });
    }
    if (long && t >= nextCut) {
      nextCut = t + CUT_MS;
      await ahead.end();
      const end = segmentEnd(reading.track(about, from, i + 1), options.faceOn);
      if (end !== null) {
        await finish(from, from + end);
        from += end;
      }
    }
    tell((half * (i + 1)) / total, i + 1, "reading");
    asked = performance.now();
  }
  timings.decodeMs += performance.now() - asked;
  await ahead.end();
  if (reading.times.length < SHORTEST)
    throw new ClipError("tooShort", `${reading.times.length} pictures`);
  if (reading.seen < LEAST_SEEN) throw new ClipError("noPerson");
  await finish(from, reading.times.length);
  tell(1, total, "reading");
  timings.totalMs = performance.now() - began;
  return { track: reading.settled(about), timings };
}

/** Tells which pictures, told one after another, the background and the light are looked at in. */
function stillPictures(step: number): (i: number, t: number) => boolean {
  let next = -Infinity;
  return (i, t) => {
    const still = i % step === 0 && t >= next;
    if (still) next = t + STILL_MS - 1;
    return still;
  };
}
