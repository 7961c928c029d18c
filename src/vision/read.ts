import { statureInPx } from "../core/track/bodySize";
import { midHands } from "../core/track/midHands";
import { finishTrack } from "../core/track/finishTrack";
import { plantedSpells } from "../core/track/plantedSpells";
import { roughReps } from "../core/track/roughReps";
import { at, edgeAt, EDGES, OUTLINE, POINT, POINTS, STRIDE, type Track } from "../core/track/track";
import { coarseLook, PRESENT, TIGHT } from "./coarseLook";
import { Resampler, type Square } from "./crop/resample";
import { ClipError } from "./decode/clipError";
import type { Frame } from "./decode/frame";
import type { OpenClip } from "./decode/openClip";
import { readPoints } from "./network/points";
import { CROP_SIDE, type PoseNetwork } from "./network/poseNetwork";
import { footPaths, risePath } from "./patches/footPaths";
import { handsPath } from "./patches/handsPath";
import { lumaWindow, type LumaWindow } from "./patches/lumaWindow";
import type { ReadTimings } from "./readTimings";
import { footEdges, maskRows, type MaskRows } from "./silhouette/footEdges";
import { readOutline } from "./silhouette/outline";
import { soundOnsets } from "./sound/onsets";
import { Background, brightness, type Box } from "./still/background";

export type { ReadTimings } from "./readTimings";

export interface ReadOptions {
  faceOn: boolean;
  /** Called as pictures are read: how many of how many. */
  progress?: (done: number, total: number) => void;
  signal?: AbortSignal;
}

/** The hands are followed for this long each way from a rough top, s: it may be 150 ms off. */
const HANDS_S = 0.3;
/** The background and the light are looked at once in this many ms. */
const STILL_MS = 100;

/**
 * Reads a clip into a Track: a coarse look finds the golfer and one still crop for the whole clip; every picture is
 * then read in that crop; shoes and hands are followed in the picture itself.
 *
 * @throws ClipError noPerson, cancelled, and whatever decoding meets
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

  const { square, others, golfer, feet: usualFeet } = await coarseLook(clip, network, look, timings, stop);
  const total = clip.frames;
  const times: number[] = [];
  const landmarks = new Float32Array(total * POINTS * STRIDE);
  const outline = new Float32Array(total * OUTLINE);
  const presence = new Float32Array(total);
  const feet: LumaWindow[] = [];
  const hands: LumaWindow[] = [];
  const soles: MaskRows[] = [];
  const body = square.size / TIGHT / 1.25 / 1.1;
  let background: Background | null = null;
  const looks: Track["looks"] = [];
  let asked = performance.now();
  let i = 0;
  // Where the golfer practises, not where they walk in.
  const footArea = feetArea(usualFeet, body);
  for await (const frame of clip.pictures()) {
    timings.decodeMs += performance.now() - asked;
    if (i >= total) break;
    stop();
    const output = await look(frame, square);
    const points = landmarks.subarray(at(i, 0), at(i + 1, 0));
    readPoints(output, square, points);
    readOutline(output.mask, points, square, outline.subarray(i * OUTLINE, (i + 1) * OUTLINE), options.faceOn);
    presence[i] = output.presence;
    background ??= new Background(frame, golfer);
    if (!looks.length || frame.timeMs - looks[looks.length - 1]!.t >= STILL_MS - 1) looks.push({ t: frame.timeMs, moved: background.moved(frame), luma: brightness(frame, golferBox(points)) });
    times.push(frame.timeMs);
    soles.push(maskRows(output.mask, square, footArea.top, footArea.top + footArea.height));
    feet.push(lumaWindow(frame, footArea.left, footArea.top, footArea.width, footArea.height));
    const [hx, hy] = handsNow(points);
    const reach = Math.round(body * 0.24);
    hands.push(lumaWindow(frame, Math.round(hx) - (reach >> 1), Math.round(hy) - (reach >> 1), reach, reach));
    i++;
    options.progress?.(i, total);
    asked = performance.now();
  }
  timings.decodeMs += performance.now() - asked;
  if (i < 10) throw new ClipError("tooShort", `${i} pictures`);
  if (presence.subarray(0, i).filter((p) => p > PRESENT).length < i * 0.3) throw new ClipError("noPerson");

  const track: Track = {
    times: Float64Array.from(times),
    landmarks: landmarks.slice(0, i * POINTS * STRIDE),
    outline: outline.slice(0, i * OUTLINE),
    presence: presence.slice(0, i),
    footEdges: new Float32Array(i * EDGES).fill(NaN),
    footPaths: [],
    handsPaths: [],
    looks,
    sounds: await soundOnsets(clip.sound()),
    video: { width: clip.width, height: clip.height, frames: clip.frames, fps: clip.fps, rotation: clip.rotation, audio: clip.audio, durationMs: clip.durationMs },
    crop: square,
    model: network.model,
    others,
  };
  const t0 = performance.now();
  addPatches(track, feet, hands, soles, options.faceOn);
  timings.patchesMs = performance.now() - t0;
  timings.totalMs = performance.now() - began;
  return { track, timings };
}

const feetArea = ([x, y]: readonly [number, number], body: number) => ({
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

function addPatches(track: Track, feet: LumaWindow[], hands: LumaWindow[], soles: MaskRows[], faceOn: boolean): void {
  const mended = finishTrack(track, faceOn);
  const cm = statureInPx(mended) / 178;
  const reps = roughReps(mended);
  const point = (i: number, p: number) => [mended.landmarks[at(i, p)]!, mended.landmarks[at(i, p) + 1]!] as const;
  soles.forEach((mask, i) => {
    for (const foot of ["left", "right"] as const)
      track.footEdges.set(footEdges(mask, track.crop, point(i, POINT[`${foot}Ankle`]), point(i, POINT[`${foot}Heel`]), point(i, POINT[`${foot}Toe`]), cm), edgeAt(i, foot, "left"));
  });
  for (const foot of ["left", "right"] as const)
    for (const spell of plantedSpells(mended, foot)) {
      track.footPaths.push(...footPaths(spell, feet, track.times, cm));
      for (const { top, low } of reps) {
        const rise = risePath(spell, feet, track.times, cm, top, low);
        if (rise) track.footPaths.push(rise);
      }
    }
  const path = midHands(track);
  for (const { top } of reps) {
    const span = Math.round(HANDS_S * track.video.fps);
    track.handsPaths.push(handsPath(hands, path, top, span, Math.round(14 * cm)));
  }
}
