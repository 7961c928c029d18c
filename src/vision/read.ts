import { statureInPx } from "../core/track/bodySize";
import { mendLegs } from "../core/track/mendLegs";
import { plantedSpells } from "../core/track/plantedSpells";
import { roughTop } from "../core/track/roughTop";
import { at, POINT, POINTS, STRIDE, type Track } from "../core/track/track";
import { Resampler, type Square } from "./crop/resample";
import { ClipError } from "./decode/clipError";
import { uprightSize, type Frame } from "./decode/frame";
import type { OpenClip } from "./decode/openClip";
import { bodySquare, decodeDetections, type Found } from "./network/detector";
import { proposedSquare, readPoints } from "./network/points";
import { CROP_SIDE, DETECT_SIDE, type PoseNetwork } from "./network/poseNetwork";
import { footPaths } from "./patches/footPaths";
import { handsPath } from "./patches/handsPath";
import { lumaWindow, type LumaWindow } from "./patches/lumaWindow";
import { OUTLINE, readOutline } from "./silhouette/outline";
import { soundOnsets } from "./sound/onsets";

export interface ReadOptions {
  faceOn: boolean;
  /** Called as pictures are read: how many of how many. */
  progress?: (done: number, total: number) => void;
  signal?: AbortSignal;
}

/** Where reading a clip spent its time, ms. */
export interface ReadTimings {
  decodeMs: number;
  cropMs: number;
  networkMs: number;
  patchesMs: number;
  totalMs: number;
  networkRuns: number;
  detectorRuns: number;
}

/** The coarse look: one picture in this many ms. */
const COARSE_MS = 250;
/** The still crop against the network's usual square: tighter, so that the legs are larger and swap less (pilot: 0.85). */
const TIGHT = 0.85;
/** Below this the golfer is lost in a frame. */
const PRESENT = 0.5;

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

  const { square, others } = await coarseLook(clip, network, look, timings, stop);
  const total = clip.frames;
  const times: number[] = [];
  const landmarks = new Float32Array(total * POINTS * STRIDE);
  const outline = new Float32Array(total * OUTLINE);
  const presence = new Float32Array(total);
  const feet: LumaWindow[] = [];
  const hands: LumaWindow[] = [];
  const body = square.size / TIGHT / 1.25 / 1.1;
  let asked = performance.now();
  let i = 0;
  let footArea: { left: number; top: number; width: number; height: number } | null = null;
  for await (const frame of clip.pictures()) {
    timings.decodeMs += performance.now() - asked;
    if (i >= total) break;
    stop();
    const output = await look(frame, square);
    const points = landmarks.subarray(at(i, 0), at(i + 1, 0));
    readPoints(output, square, points);
    readOutline(output.mask, points, square, outline.subarray(i * OUTLINE, (i + 1) * OUTLINE));
    presence[i] = output.presence;
    times.push(frame.timeMs);
    footArea ??= feetArea(points, body);
    feet.push(lumaWindow(frame, footArea.left, footArea.top, footArea.width, footArea.height));
    const [hx, hy] = midHands(points);
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
    footPaths: [],
    handsPath: null,
    sounds: await soundOnsets(clip.sound()),
    video: { width: clip.width, height: clip.height, frames: clip.frames, fps: clip.fps, rotation: clip.rotation, audio: clip.audio, durationMs: clip.durationMs },
    crop: square,
    model: network.model,
    others,
  };
  const t0 = performance.now();
  addPatches(track, feet, hands, options.faceOn);
  timings.patchesMs = performance.now() - t0;
  timings.totalMs = performance.now() - began;
  return { track, timings };
}

type Look = (frame: Frame, square: Square) => ReturnType<PoseNetwork["landmarks"]>;

/** One picture in every quarter second: where the golfer is and how much room the whole movement needs. */
async function coarseLook(clip: OpenClip, network: PoseNetwork, look: Look, timings: ReadTimings, stop: () => void): Promise<{ square: Square; others: number[] }> {
  const wanted: Square[] = [];
  const others: number[] = [];
  let square: Square | null = null;
  let next = 0;
  const points = new Float32Array(POINTS * STRIDE);
  const asked = performance.now();
  let inside = 0;
  for await (const frame of clip.pictures()) {
    if (frame.timeMs < next) continue;
    const t0 = performance.now();
    stop();
    next = frame.timeMs + COARSE_MS;
    if (!square) {
      const found: Found[] = await findPeople(frame, network, timings);
      if (!found.length) {
        inside += performance.now() - t0;
        continue;
      }
      square = found[0]!.square;
      if (found.length > 1) others.push(frame.timeMs);
      // The detector's square is a first guess: the landmark network's own proposal is looked at twice before it counts.
      for (let k = 0; k < 2; k++) square = bodySquare(...proposedSquare(await look(frame, square), square));
    }
    const output = await look(frame, square);
    if (output.presence < PRESENT) square = null;
    else {
      const proposal = bodySquare(...proposedSquare(output, square));
      readPoints(output, square, points);
      wanted.push(roomFor(points, proposal));
      square = proposal;
    }
    inside += performance.now() - t0;
  }
  timings.decodeMs += performance.now() - asked - inside;
  if (!wanted.length) throw new ClipError("noPerson");
  const size = [...wanted].map((s) => s.size).sort((a, b) => a - b)[Math.floor(wanted.length * 0.75)]!;
  const middle = (k: "cx" | "cy") => {
    const v = wanted.map((s) => s[k]).sort((a, b) => a - b);
    return (v[0]! + v[v.length - 1]!) / 2;
  };
  return { square: { cx: Math.round(middle("cx")), cy: Math.round(middle("cy")), size: Math.round(size) }, others };
}

/** The tight square for one picture, opened if the hands or feet would not be in it. */
function roomFor(points: Float32Array, proposal: Square): Square {
  const used = [POINT.leftWrist, POINT.rightWrist, POINT.leftToe, POINT.rightToe, POINT.leftEar, POINT.rightEar, POINT.leftHip, POINT.rightHip];
  const xs = used.map((p) => points[p * STRIDE]!);
  const ys = used.map((p) => points[p * STRIDE + 1]!);
  const [l, r, t, b] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const room = Math.max(r - l, b - t) * 1.16;
  return { cx: (l + r) / 2, cy: (t + b) / 2, size: Math.max(proposal.size * TIGHT * 0.94, room) };
}

/** Looks for people in overlapping square tiles of the picture's shorter side; in half-size tiles when there is nobody. */
async function findPeople(frame: Frame, network: PoseNetwork, timings: ReadTimings): Promise<Found[]> {
  const [width, height] = uprightSize(frame);
  const cut = new Resampler(DETECT_SIDE, -1, 1, "black");
  const input = new Float32Array(DETECT_SIDE * DETECT_SIDE * 3);
  for (const side of [Math.min(width, height), Math.min(width, height) / 2]) {
    const found: Found[] = [];
    for (const cx of centres(width, side))
      for (const cy of centres(height, side)) {
        const tile = { cx, cy, size: side };
        cut.cut(frame, tile, input);
        const { boxes, scores } = await network.detect(input);
        timings.detectorRuns++;
        found.push(...decodeDetections(boxes, scores, tile));
      }
    found.sort((a, b) => b.score - a.score);
    const people: Found[] = [];
    for (const f of found)
      if (people.every((p) => Math.hypot(p.square.cx - f.square.cx, p.square.cy - f.square.cy) > 0.25 * p.square.size)) people.push(f);
    // The golfer is the largest person that is surely one.
    if (people.length) return people.sort((a, b) => b.square.size - a.square.size);
  }
  return [];
}

function centres(length: number, side: number): number[] {
  const n = Math.max(1, Math.ceil(((length - side) / side) * 2 - 1e-9) + 1);
  return n === 1 ? [length / 2] : Array.from({ length: n }, (_, i) => side / 2 + (i * (length - side)) / (n - 1));
}

function feetArea(points: Float32Array, body: number) {
  const feet = [POINT.leftAnkle, POINT.rightAnkle, POINT.leftToe, POINT.rightToe, POINT.leftHeel, POINT.rightHeel];
  const x = feet.reduce((s, p) => s + points[p * STRIDE]!, 0) / feet.length;
  const y = feet.reduce((s, p) => s + points[p * STRIDE + 1]!, 0) / feet.length;
  return { left: Math.round(x - body * 0.4), top: Math.round(y - body * 0.16), width: Math.round(body * 0.8), height: Math.round(body * 0.26) };
}

const midHands = (points: Float32Array): [number, number] => [
  (points[POINT.leftIndex * STRIDE]! + points[POINT.rightIndex * STRIDE]! + points[POINT.leftWrist * STRIDE]! + points[POINT.rightWrist * STRIDE]!) / 4,
  (points[POINT.leftIndex * STRIDE + 1]! + points[POINT.rightIndex * STRIDE + 1]! + points[POINT.leftWrist * STRIDE + 1]! + points[POINT.rightWrist * STRIDE + 1]!) / 4,
];

function addPatches(track: Track, feet: LumaWindow[], hands: LumaWindow[], faceOn: boolean): void {
  const mended = { ...track, landmarks: mendLegs(track, faceOn).landmarks };
  const cm = statureInPx(mended) / 178;
  for (const foot of ["left", "right"] as const)
    for (const spell of plantedSpells(mended, foot)) track.footPaths.push(...footPaths(spell, feet, track.times, cm));
  const path = new Float64Array(track.times.length * 2);
  for (let i = 0; i < track.times.length; i++) path.set(midHands(track.landmarks.subarray(at(i, 0), at(i + 1, 0))), i * 2);
  const top = roughTop(mended);
  if (top !== null) {
    const span = Math.round(0.2 * track.video.fps);
    track.handsPath = handsPath(hands, path, top, span, Math.round(14 * cm));
  }
}
