import { recordOf } from "../maths";
import { CHANNEL_WIDTHS, CHANNELS, type Track } from "./track";

/** Channels of a track that the network gives, a frame. */
type Channels = Pick<Track, (typeof CHANNELS)[number]>;

/** Frames at which the network looked; all of them where the track does not say. */
export const readFrames = ({ read, times }: Pick<Track, "read" | "times">): number[] =>
  Array.from(times.keys()).filter((i) => !read || read[i]);

/**
 * A track of the given frames alone. Paths of feet and hands, which count in frames of the whole,
 * are left out.
 */
export function onlyFrames(track: Track, frames: readonly number[]): Track {
  const take = (x: Float32Array, width: number) => {
    const out = new Float32Array(frames.length * width);
    frames.forEach((f, k) => out.set(x.subarray(f * width, (f + 1) * width), k * width));
    return out;
  };
  const channels: Channels = recordOf(CHANNELS, (name) => take(track[name], CHANNEL_WIDTHS[name]));
  return {
    ...track,
    ...channels,
    times: Float64Array.from(frames, (f) => track.times[f]!),
    read: undefined,
    footPaths: [],
    handsPaths: [],
  };
}

/**
 * The same track with every second of the lone frames (neither neighbour was read) unread again:
 * what it then gives differently tells what the frames that were not read may still change. Null
 * where there is nothing to leave out.
 */
export function halved(track: Track): Track | null {
  if (!track.read) return null;
  const read = track.read.slice();
  const last = read.length - 1;
  let skip = false;
  let any = false;
  for (let i = 1; i < last; i++) {
    if (!track.read[i] || track.read[i - 1] || track.read[i + 1]) continue;
    if (skip) [read[i], any] = [0, true];
    skip = !skip;
  }
  return any ? { ...track, read } : null;
}

/**
 * The channels of a whole track from those of the frames that were read: a cubic through them where
 * a frame was not. Edges that a neighbour lacks are not made up.
 *
 * @param part channels of `frames` alone
 */
export function filled(
  track: Pick<Track, "times">,
  frames: readonly number[],
  part: Channels,
): Channels {
  const { times } = track;
  const n = times.length;
  return recordOf(CHANNELS, (name) => {
    const width = CHANNEL_WIDTHS[name];
    const from = part[name];
    const out = new Float32Array(n * width);
    for (let i = 0, k = 0; i < n; i++) {
      while (k < frames.length - 1 && frames[k + 1]! <= i) k++;
      if (frames[k] === i || i < frames[0]! || k === frames.length - 1) {
        out.set(from.subarray(k * width, (k + 1) * width), i * width);
        continue;
      }
      const w = weights(times, frames, k, i);
      for (let c = 0; c < width; c++) {
        let v = 0;
        // A weight of nothing must not carry over a value that is not there.
        for (const [q, weight] of w) if (weight !== 0) v += from[q * width + c]! * weight;
        out[i * width + c] = Number.isNaN(v) ? straight(times, frames, from, width, k, c, i) : v;
      }
    }
    return out;
  });
}

/**
 * Catmull–Rom weights, for uneven times, of the frames round `i`, which lies between frames k and k
 * + 1 of the list.
 */
function weights(
  times: Float64Array,
  frames: readonly number[],
  k: number,
  i: number,
): [frame: number, weight: number][] {
  const t = (q: number) => times[frames[q]!]!;
  const last = frames.length - 1;
  const h = t(k + 1) - t(k);
  const s = (times[i]! - t(k)) / h;
  const [s2, s3] = [s * s, s * s * s];
  const out: [number, number][] = [
    [k, 2 * s3 - 3 * s2 + 1],
    [k + 1, -2 * s3 + 3 * s2],
  ];
  const slope = (q: number, weight: number) => {
    const [a, b] = [Math.max(0, q - 1), Math.min(last, q + 1)];
    const per = (weight * h) / (t(b) - t(a));
    out.push([b, per], [a, -per]);
  };
  slope(k, s3 - 2 * s2 + s);
  slope(k + 1, s3 - s2);
  return out;
}

function straight(
  times: Float64Array,
  frames: readonly number[],
  from: Float32Array,
  width: number,
  k: number,
  c: number,
  i: number,
): number {
  const [a, b] = [times[frames[k]!]!, times[frames[k + 1]!]!];
  const s = (times[i]! - a) / (b - a);
  return from[k * width + c]! * (1 - s) + from[(k + 1) * width + c]! * s;
}
