import { scaleLinear, type ScaleLinear } from "d3-scale";
import type { RepSeries } from "@/core/analysis";

/** Sizes of one strip, px; the three of docs/look.md. */
export interface StripSize {
  width: number;
  height: number;
  toeBar: number;
  heelBar: number;
  gap: number;
  stream: number;
  post: number;
  postLength: number;
  print: number;
  /** Centimetres across the whole width. */
  cmAcross: number;
}

export const TINY: StripSize = {
  width: 44,
  height: 110,
  toeBar: 0,
  heelBar: 2.6,
  gap: 0,
  stream: 1.8,
  post: 2,
  postLength: 9,
  print: 0,
  cmAcross: 80,
};
export const CARD: StripSize = {
  width: 180,
  height: 300,
  toeBar: 2,
  heelBar: 4.5,
  gap: 2,
  stream: 2.2,
  post: 3,
  postLength: 18,
  print: 22,
  cmAcross: 75,
};
export const FILM: StripSize = {
  width: 236,
  height: 566,
  toeBar: 3.6,
  heelBar: 7,
  gap: 2.5,
  stream: 2.8,
  post: 4,
  postLength: 26,
  print: 34,
  cmAcross: 75,
};
/** Read from 5 m: the deciding stretch of a rep. */
export const PHONE_STRIP: StripSize = {
  width: 322,
  height: 240,
  toeBar: 9,
  heelBar: 17,
  gap: 4,
  stream: 9,
  post: 12,
  postLength: 60,
  print: 60,
  cmAcross: 60,
};

export interface StripScales {
  x: ScaleLinear<number, number>;
  y: ScaleLinear<number, number>;
  /** +1 when the target (from behind: the ball) lies to the right, as in the film. */
  toTarget: 1 | -1;
  from: number;
  to: number;
}

/**
 * Time runs down from a little before the still instant to after the finish; the target axis runs
 * across as in the film, from behind the line to the ball.
 *
 * @param stretch only so much of the rep, ms
 */
export function stripScales(
  size: StripSize,
  series: RepSeries,
  events: Record<string, number>,
  hand: "left" | "right",
  stretch?: readonly [from: number, to: number],
): StripScales {
  const first = series.t[0] ?? 0;
  const last = series.t[series.t.length - 1] ?? 1;
  const from = Math.max(first, stretch?.[0] ?? (events.address ?? events.handStart ?? first) - 180);
  const to = Math.min(last, stretch?.[1] ?? (events.finish ?? (events.impact ?? last) + 700) + 80);
  const toTarget = hand === "right" ? 1 : -1;
  const { behind } = series;
  const feet = visible(series, from, to).flatMap((i) =>
    behind
      ? [behind.rear[i] ?? behind.heels[i]!, behind.toes[i]!]
      : [series.leadFootT[i]!, series.trailFootT[i]!],
  );
  const middle = feet.length ? (Math.min(...feet) + Math.max(...feet)) / 2 : 0;
  const spread = feet.length ? Math.max(...feet) - Math.min(...feet) : 0;
  // A wide stance gets more across, so that both banks keep some land.
  const half = Math.max(size.cmAcross / 2, spread / 2 + 14);
  return {
    x: scaleLinear([middle - half * toTarget, middle + half * toTarget], [0, size.width]),
    y: scaleLinear([from, to], [0, size.height]),
    toTarget,
    from,
    to,
  };
}

export const visible = (series: RepSeries, from: number, to: number): number[] =>
  series.t.flatMap((t, i) => (t >= from && t <= to ? [i] : []));

/** Runs of samples for which a flag has one value. */
export function runs(
  flag: number[],
  indices: number[],
): { on: boolean; from: number; to: number }[] {
  const out: { on: boolean; from: number; to: number }[] = [];
  for (const i of indices) {
    const on = flag[i] === 1;
    const last = out[out.length - 1];
    if (last && last.on === on) last.to = i;
    else out.push({ on, from: i, to: i });
  }
  return out;
}

/** Lead share of a sample as a place along T, cm. */
export const shareToT = (series: RepSeries, i: number, share: number): number =>
  series.trailFootT[i]! + (share / 100) * (series.leadFootT[i]! - series.trailFootT[i]!);

export function sampleAt(series: RepSeries, ms: number): number {
  let best = 0;
  for (let i = 1; i < series.t.length; i++)
    if (Math.abs(series.t[i]! - ms) < Math.abs(series.t[best]! - ms)) best = i;
  return best;
}

/**
 * Labels that would overlap, pushed apart by the least movement: each keeps its order, at least
 * `room` from the next, within [low, high].
 */
export function pushApart(wanted: number[], room: number, low: number, high: number): number[] {
  const order = wanted.map((_, i) => i).sort((a, b) => wanted[a]! - wanted[b]!);
  // Blocks of touching labels, each centred on the mean of what its labels want (pool adjacent
  // violators).
  const blocks: { sum: number; n: number }[] = [];
  const limit = (n: number, at: number) =>
    Math.min(Math.max(at, low), Math.max(low, high - (n - 1) * room));
  const start = (b: { sum: number; n: number }) => limit(b.n, b.sum / b.n);
  for (const i of order) {
    blocks.push({ sum: wanted[i]!, n: 1 });
    while (blocks.length > 1) {
      const [a, b] = [blocks[blocks.length - 2]!, blocks[blocks.length - 1]!];
      if (start(a) + a.n * room <= start(b)) break;
      blocks.splice(-2, 2, { sum: a.sum + b.sum - b.n * a.n * room, n: a.n + b.n });
    }
  }
  const out = new Array<number>(wanted.length);
  let k = 0;
  for (const b of blocks) for (let j = 0; j < b.n; j++) out[order[k++]!] = start(b) + j * room;
  return out;
}

/** A turned foot's fan: so many degrees reach over so much of the strip's width. */
export const FAN_DEGREES = 110;
const FAN_WIDTH = 0.42;

/**
 * Where a foot's turn ends in its fan, px: from where it stands, the way the toe goes, toward the
 * target.
 */
export function fanX(
  series: RepSeries,
  foot: "lead" | "trail",
  degrees: number,
  s: StripScales,
  size: StripSize,
): number {
  const stands = (foot === "lead" ? series.leadFootT : series.trailFootT)[
    sampleAt(series, s.from)
  ]!;
  return s.x(stands) + (s.toTarget * degrees * FAN_WIDTH * size.width) / FAN_DEGREES;
}
