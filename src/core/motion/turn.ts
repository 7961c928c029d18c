import { derivative, filtfilt, lowPass, median, quantile } from "../maths";
import type { Motion } from "./motion";

/**
 * Turns are read from widths that shrink with their cosine: slower changes only can be told, Hz.
 */
const TURN_HZ = 4;

/**
 * Turn of hips or shoulders about U, degrees, + toward the target, from how narrow the pair looks
 * face-on: the largest width before the strike stands for square. A width alone does not tell the
 * side: away from the target until the pair is widest again on the way down, toward it after that.
 *
 * @param top sample of the top; @param end last sample that belongs to the swing
 */
export function turnByWidth(
  m: Motion,
  pair: "hip" | "shoulder",
  top: number,
  end: number,
): Float64Array {
  const width = widthOf(m, pair);
  const last = Math.min(m.n - 1, Math.max(end, top + 1));
  const square = quantile(Array.from(width.subarray(0, last + 1)), 0.95);
  let narrow = top;
  const reach = Math.round(0.25 / m.dt);
  for (let i = Math.max(0, top - reach); i <= Math.min(m.n - 1, top + reach); i++)
    if (width[i]! < width[narrow]!) narrow = i;
  let widest = narrow;
  for (let i = narrow; i <= last; i++) if (width[i]! > width[widest]!) widest = i;
  return width.map(
    (w, i) =>
      ((i < widest ? -1 : 1) * (Math.acos(Math.min(1, Math.max(-1, w / square))) * 180)) / Math.PI,
  );
}

/**
 * Turn of hips or shoulders about U at one moment, degrees without its side, from how much narrower
 * the pair looks face-on than it did in a spell that stands for square.
 *
 * @param square first and last sample of that spell
 */
export function turnedFromSquare(
  m: Motion,
  pair: "hip" | "shoulder",
  [from, to]: readonly [number, number],
  at: number,
): number {
  const width = widthOf(m, pair);
  const share = width[at]! / median(Array.from(width.subarray(from, to + 1)));
  return (Math.acos(Math.min(1, Math.max(-1, share))) * 180) / Math.PI;
}

/** Perturbed copies share their joints: each pair's width is smoothed once. */
const widths = new WeakMap<object, Partial<Record<"hip" | "shoulder", Float64Array>>>();

function widthOf(m: Motion, pair: "hip" | "shoulder"): Float64Array {
  const kept = widths.get(m.joints) ?? {};
  widths.set(m.joints, kept);
  return (kept[pair] ??= filtfilt(
    lowPass(TURN_HZ, m.dt),
    m.joints.lead[pair].t.map((v, i) => v - m.joints.trail[pair].t[i]!),
  ));
}

/** Turning speed, degrees a second. */
export const turnRate = (turn: Float64Array, dt: number): Float64Array =>
  derivative(filtfilt(lowPass(TURN_HZ, dt), turn), dt);
