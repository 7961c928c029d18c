import { midHands } from "../core/track/midHands";
import { POINT, STRIDE, type Track } from "../core/track/track";
import type { Asked } from "./anytime/asked";
import { FIRST_MS, gridStep } from "./anytime/plan";
import { lookInRounds } from "./anytime/rounds";
import { coarseLook, TIGHT } from "./coarseLook";
import { Resampler, type Square } from "./crop/resample";
import { CutoutStore } from "./cutoutStore";
import { ClipError } from "./decode/clipError";
import type { Frame } from "./decode/frame";
import type { OpenClip } from "./decode/openClip";
import { CROP_SIDE, type PoseNetwork } from "./network/poseNetwork";
import { lumaWindow, type LumaWindow } from "./patches/lumaWindow";
import { Reading, type AboutClip, type FeetArea } from "./reading";
import type { ReadTimings } from "./readTimings";
import { soundOnsets } from "./sound/onsets";
import { Background, brightness, type Box } from "./still/background";

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
  /** Share of the work that is done, 0–1: an estimate while it looks closer. */
  share: number;
  /** Pictures gone through, of how many. */
  done: number;
  total: number;
  /** All pictures were gone through; what decides the checks is looked at more closely. */
  closer: boolean;
}

/** The background and the light are looked at once in this many ms. */
const STILL_MS = 100;
/** Fewer frames than this are no clip. */
const SHORTEST = 10;
/** A golfer seen in fewer of the frames than this share is not there. */
const LEAST_SEEN = 0.3;

/**
 * Reads a clip into a Track: a coarse look finds the golfer and one still crop for the whole clip; pictures are then read
 * in that crop, all of them or those that `asked` needs; shoes and hands are followed in the picture itself.
 *
 * @throws ClipError noPerson, tooShort, cancelled, and whatever decoding meets
 */
export async function readClip(clip: OpenClip, network: PoseNetwork, options: ReadOptions): Promise<{ track: Track; timings: ReadTimings }> {
  const began = performance.now();
  const timings: ReadTimings = { decodeMs: 0, cropMs: 0, networkMs: 0, patchesMs: 0, totalMs: 0, networkRuns: 0, detectorRuns: 0 };
  const crop = new Resampler(CROP_SIDE, 0, 1, "nearest");
  const input = new Float32Array(CROP_SIDE * CROP_SIDE * 3);
  const look = async (frame: Frame, square: Square) => {
    const t0 = performance.now();
    crop.cut(frame, square, input);
    const t1 = performance.now();
    const output = await network.landmarks(input);
    timings.cropMs += t1 - t0;
    timings.networkMs += performance.now() - t1;
    timings.networkRuns++;
    return output;
  };
  const stop = () => {
    if (options.signal?.aborted) throw new ClipError("cancelled");
  };

  const { square, others, golfer, feet } = await coarseLook(clip, network, look, timings, stop);
  const total = clip.frames;
  const body = square.size / TIGHT / 1.25 / 1.1;
  // Where the golfer practises, not where they walk in.
  const area = feetArea(feet, body);
  const reach = Math.round(body * 0.24);
  const reading = new Reading(total, square, area, options.faceOn);
  const store = options.asked ? new CutoutStore(clip, reading.times, seenIn(square)) : null;
  const hands: LumaWindow[] = [];
  const looks: Track["looks"] = [];
  const step = options.asked ? gridStep(FIRST_MS, 1000 / clip.fps) : 1;
  // How many closer looks there will be is not known: usually about as many as the first ones; a longer search comes ever nearer to the end.
  const half = options.asked ? 0.5 : 1;
  const usual = Math.max(1, total / step);
  let closer = 0;
  let background: Background | null = null;
  let asked = performance.now();
  for await (const frame of clip.pictures()) {
    timings.decodeMs += performance.now() - asked;
    const i = reading.times.length;
    if (i >= total) break;
    stop();
    background ??= new Background(frame, golfer);
    reading.times.push(frame.timeMs);
    reading.feet.push(lumaWindow(frame, area.left, area.top, area.width, area.height));
    store?.keep(i, frame);
    if (i % step === 0) {
      const points = reading.take(i, await look(frame, square));
      if (!looks.length || frame.timeMs - looks[looks.length - 1]!.t >= STILL_MS - 1) looks.push({ t: frame.timeMs, moved: background.moved(frame), luma: brightness(frame, golferBox(points)) });
      if (!store) hands.push(windowAt(frame, ...handsNow(points), reach));
    }
    options.progress?.({ share: (half * (i + 1)) / total, done: i + 1, total, closer: false });
    asked = performance.now();
  }
  timings.decodeMs += performance.now() - asked;
  if (reading.times.length < SHORTEST) throw new ClipError("tooShort", `${reading.times.length} pictures`);
  if (reading.seen < LEAST_SEEN) throw new ClipError("noPerson");

  const about: AboutClip = {
    looks, others, crop: square, model: network.model, sounds: await soundOnsets(clip.sound()),
    video: { width: clip.width, height: clip.height, frames: clip.frames, fps: clip.fps, rotation: clip.rotation, audio: clip.audio, durationMs: clip.durationMs },
  };
  const followed = () => {
    const t0 = performance.now();
    const track = reading.track(about);
    reading.follow(track, store ? (i, x, y) => fromStore(store, i, x, y, reach) : (i) => hands[i] ?? null);
    timings.patchesMs += performance.now() - t0;
    return track;
  };
  let track: Track;
  if (!options.asked || !store) track = followed();
  else {
    const lookAt = async (frames: readonly number[]) => {
      for (const [k, i] of frames.entries()) {
        const t0 = performance.now();
        if (!store.at(i)) await store.ensure(frames.slice(k), stop);
        timings.decodeMs += performance.now() - t0;
        stop();
        const cut = store.at(i);
        if (!cut) throw new ClipError("truncated", `picture ${i + 1} is not there a second time`);
        reading.take(i, await look(cut.frame, { ...square, cx: square.cx - cut.left, cy: square.cy - cut.top }));
        closer++;
        options.progress?.({ share: 1 - half * Math.exp(-closer / usual), done: total, total, closer: true });
      }
    };
    track = await lookInRounds(options.asked, options.faceOn, { looks: () => reading.track(about), followed, lookAt });
  }
  options.progress?.({ share: 1, done: total, total, closer: false });
  timings.totalMs = performance.now() - began;
  return { track, timings };
}

/** What of the picture the network and the hands' windows see. */
const seenIn = ({ cx, cy, size }: Square): Box => ({ left: cx - size / 2, top: cy - size / 2, right: cx + size / 2, bottom: cy + size / 2 });

function fromStore(store: CutoutStore, i: number, x: number, y: number, reach: number): LumaWindow | null {
  const cut = store.at(i);
  if (!cut) return null;
  const w = windowAt(cut.frame, x - cut.left, y - cut.top, reach);
  return { ...w, left: w.left + cut.left, top: w.top + cut.top };
}

const windowAt = (frame: Frame, x: number, y: number, reach: number): LumaWindow => lumaWindow(frame, Math.round(x) - (reach >> 1), Math.round(y) - (reach >> 1), reach, reach);

const feetArea = ([x, y]: readonly [number, number], body: number): FeetArea => ({
  left: Math.round(x - body * 0.4), top: Math.round(y - body * 0.16), width: Math.round(body * 0.8), height: Math.round(body * 0.26),
});

/** This picture's middle of the hands, px. */
const handsNow = (points: Float32Array): [number, number] => {
  const { x, y } = midHands({ landmarks: points, times: Float64Array.of(0) });
  return [x[0]!, y[0]!];
};

function golferBox(points: Float32Array): Box {
  const used = [POINT.leftShoulder, POINT.rightShoulder, POINT.leftHip, POINT.rightHip, POINT.leftKnee, POINT.rightKnee];
  const xs = used.map((p) => points[p * STRIDE]!);
  const ys = used.map((p) => points[p * STRIDE + 1]!);
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
}
