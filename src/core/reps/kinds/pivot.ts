import { filtfilt, lowPass, median } from "../../maths";
import type { Motion } from "../../motion";
import type { SideName } from "../../track";
import { nearest, risesThrough, toMs } from "../clock";
import { emptyEvents, type Rep, type RepContext } from "../rep";
import { overriddenOr } from "../overrides";
import type { RepWindow } from "../window";
import { bothFeet, pressureOf } from "../weight";

/** A foot that turns less than this is not turning, degrees. */
const LEAST_TURN = 12;
/**
 * A foot has begun to turn, and is back, at this share of its whole turn (docs/movement.md, rep
 * kinds).
 */
export const TURNING = 0.1;
/** A foot that seems back for less than this was misread on the way, s. */
const REST_S = 0.15;

/**
 * Turn of a foot from where it rests, degrees without sign, smoothed; as last seen where it is out
 * of sight.
 */
function turned(m: Motion, foot: SideName): Float64Array {
  let seen = 0;
  const d = filtfilt(
    lowPass(4, m.dt),
    m.direction[foot].map((v) => (seen = Number.isNaN(v) ? seen : v)),
  );
  // It comes back to a place a little beside the first one, and a little farther each time.
  const most = d.reduce((a, v) => Math.max(a, Math.abs(v)), 0);
  const rest = median(d.filter((v) => Math.abs(v) < most / 2));
  return d.map((v) => Math.abs(v - rest));
}

/** Every turn of the foot and back. */
export function pivotsIn(m: Motion, foot: SideName): RepWindow[] {
  const size = turned(m, foot);
  const out: RepWindow[] = [];
  let i = 0;
  while (i < m.n) {
    if (size[i]! < LEAST_TURN) {
      i++;
      continue;
    }
    let peak = i;
    let from = i;
    while (from > 0 && size[from - 1]! < size[from]!) from--;
    const rests = (k: number) =>
      size.subarray(k, k + Math.round(REST_S / m.dt)).every((v) => v < LEAST_TURN);
    while (i < m.n && !rests(i)) {
      if (size[i]! > size[peak]!) peak = i;
      i++;
    }
    let to = Math.min(i, m.n - 1);
    while (to < m.n - 1 && size[to + 1]! < size[to]!) to++;
    out.push({ from, to, about: peak });
  }
  return out;
}

/** One turn of a foot about its heel and back, read in the whole motion. */
export function readPivot(
  m: Motion,
  window: RepWindow,
  { smoother, rules, overrides: said }: RepContext,
): Rep | null {
  const foot = rules.foot ?? "trail";
  const size = turned(m, foot);
  const limit = size[window.about]! * TURNING;
  const start = risesThrough(size, limit, window.from - 1, window.about);
  const back = risesThrough(
    size.map((v) => -v),
    -limit,
    window.about,
    Math.min(m.n - 1, window.to + Math.round(0.3 / m.dt)),
  );
  const feet = bothFeet(m, -Infinity, Infinity, said?.feet);
  const pressure = pressureOf(m, smoother, feet, null);
  const ms = (s: number, other: number) => toMs(m, Number.isNaN(s) ? other : s);
  return {
    kind: "pivot",
    foot,
    fromMs: toMs(m, window.from),
    toMs: toMs(m, window.to),
    moving: false,
    events: {
      ...emptyEvents(),
      pivotStart: overriddenOr(said, "pivotStart", ms(start, window.from)),
      pivotPeak: overriddenOr(said, "pivotPeak", toMs(m, window.about)),
      pivotBack: overriddenOr(said, "pivotBack", Number.isNaN(back) ? NaN : toMs(m, back)),
    },
    footEvents: feet.events,
    air: feet.air,
    feet: feet.standing,
    stillFromMs: m.startMs,
    leadShare: pressure.share,
    pressure: pressure.p,
    shareStill: pressure.share[nearest(m, toMs(m, window.from))]!,
    turns: [],
    roll: 0,
  };
}
