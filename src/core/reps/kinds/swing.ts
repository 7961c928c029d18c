import { derivative, mean } from "../../maths";
import { type Motion, turnByWidth, turnRate } from "../../motion";
import { firstRun, nearest, risesThrough, toMs, toSample } from "../clock";
import { address } from "../events/address";
import type { FootEvent } from "../events/footEvents";
import {
  armLevel,
  finish,
  handStart,
  impact,
  release,
  top,
  topOfGesture,
  topOfHips,
  withStrike,
} from "../events/hands";
import { emptyEvents, type EventName, type Rep, type RepContext } from "../rep";
import { overriddenOr } from "../overrides";
import { bothFeet, pressureOf, type Airborne } from "../weight";

/**
 * Speed of mid-hands at which they have started, cm/s; and in slow stages (docs/movement.md,
 * events).
 */
const STARTS = { usual: 15, slow: 5 };

/**
 * Reads a swing, step-swing or gesture. Null when there is none: the hands never start or never
 * come up.
 *
 * @param about sample near the top
 */
// eslint-disable-next-line max-lines-per-function -- one rep's events, each found from those before it
export function readSwing(
  m: Motion,
  about: number,
  { rules, smoother, strikes, overrides: said }: RepContext,
): Rep | null {
  const or = (name: EventName, computed: number) => overriddenOr(said, name, computed);
  const hipsOnly = rules.hipsOnly ?? false;
  const topMs = or(
    "top",
    hipsOnly ? topOfHips(m) : rules.kind === "gesture" ? topOfGesture(m, about) : top(m, about),
  );
  if (Number.isNaN(topMs)) return null;
  const topSample = toSample(m, topMs);
  const start = hipsOnly
    ? NaN
    : or(
        "handStart",
        handStart(
          m,
          stillBefore(m, topSample),
          Math.floor(topSample),
          rules.slow ? STARTS.slow : STARTS.usual,
        ),
      );
  if (!hipsOnly && Number.isNaN(start)) return null;
  const rested = address(m, hipsOnly ? topMs - 150 : start, rules);
  const addressMs = or("address", rested.ms);
  const stood = { ...rested, ms: addressMs, fromMs: Math.min(rested.fromMs, addressMs) };
  const a = nearest(m, stood.ms);
  const endMs = toMs(m, m.n - 1);
  const feet = bothFeet(m, Math.max(m.startMs, stood.fromMs - 50), endMs, said?.feet);
  const moving = stood.moving || (rules.movingStart ?? false);
  const pressure = pressureOf(m, smoother, feet, {
    fromMs: Math.max(stood.fromMs, stood.ms - 600),
    toMs: stood.ms,
    even: !moving && !rules.uneven,
  });
  const share = pressure.share;
  const shareStill = moving ? share[a]! : mean(share.subarray(nearest(m, stood.ms - 300), a + 1));

  const e = emptyEvents();
  Object.assign(e, { address: stood.ms, handStart: start, top: topMs });
  if (m.view === "face-on")
    Object.assign(e, {
      groundStart: or("groundStart", groundStart(m, share, shareStill, a, feet.events, stood)),
      recentre: or(
        "recentre",
        recentre(m, share, Number.isNaN(start) ? a : nearest(m, start), topSample),
      ),
    });
  if (hipsOnly) e.halfwayDown = or("halfwayDown", halfTurnBack(m, topSample, a));
  else {
    e.midBack = or("midBack", armLevel(m, "back", toSample(m, start), Math.floor(topSample)));
    e.halfwayDown = or("halfwayDown", armLevel(m, "down", topSample, m.n - 1));
  }
  let struckMs: number | undefined;
  if (rules.kind === "gesture") {
    if (!hipsOnly) e.release = or("release", release(m, topSample));
  } else {
    const lowest = rules.clubAhead || moving || m.view === "down-the-line";
    const seen = impact(
      m,
      lowest ? "lowest" : "passes address",
      topSample,
      m.handsT[a]!,
      e.halfwayDown,
    );
    [e.impact, struckMs] = withStrike(seen, lowest, strikes);
    if (said?.events?.impact !== undefined) [e.impact, struckMs] = [said.events.impact, undefined];
  }
  const struck = Number.isNaN(e.impact) ? e.release : e.impact;
  if (!Number.isNaN(struck))
    e.midThrough = or("midThrough", armLevel(m, "through", toSample(m, struck), m.n - 1));
  const after = [struck, e.halfwayDown, topMs].find((t) => !Number.isNaN(t))!;
  const quiet = finish(m, toSample(m, after));
  const inTime = !(quiet > struck + latestFinish(struck - stood.ms));
  e.finish = or("finish", inTime ? landed(feet.air, quiet, endMs) : NaN);
  if (m.view === "face-on") {
    const half = Number.isNaN(e.halfwayDown) ? topSample + 0.2 / m.dt : toSample(m, e.halfwayDown);
    const turn = turnByWidth(
      m,
      "hip",
      Math.round(topSample),
      nearest(m, Number.isNaN(struck) ? after : struck),
    );
    e.transition = or("transition", lastUpward(m, turnRate(turn, m.dt), a, half));
    e.slideStart = or("slideStart", lastUpward(m, derivative(m.hipT, m.dt), a, half));
  }
  return {
    kind: rules.kind,
    fromMs: m.startMs,
    toMs: endMs,
    stillFromMs: stood.fromMs,
    moving,
    footEvents: feet.events,
    air: feet.air,
    feet: feet.standing,
    leadShare: share,
    pressure: pressure.p,
    shareStill,
    turns: [],
    roll: pressure.roll,
    events: e,
    ...(struckMs === undefined ? {} : { struckMs }),
    ...knock(strikes.ms, struckMs, topMs, e),
  };
}

/** Knocks nearer than this to the strike are the strike's own, ms. */
const OWN_SOUND_MS = 60;

/** The first knock from the top to the finish that is not the strike. */
function knock(
  heard: readonly number[],
  struckMs: number | undefined,
  topMs: number,
  e: Rep["events"],
): Pick<Rep, "knockMs"> {
  const until = [e.finish, e.midThrough, e.impact].find((t) => !Number.isNaN(t)) ?? topMs;
  const ms = heard
    .filter(
      (t) =>
        t > topMs &&
        t < until &&
        !(struckMs !== undefined && Math.abs(t - struckMs) < OWN_SOUND_MS),
    )
    .sort((a, b) => a - b)[0];
  return ms === undefined ? {} : { knockMs: ms };
}

/**
 * A walk through the strike is not over before the foot that walks has landed (docs/movement.md,
 * rep kinds).
 */
function landed(air: Airborne, ms: number, endMs: number): number {
  const step = [...air.lead, ...air.trail].find(([from, to]) => from < ms && ms < to);
  return step && step[1] < endMs ? step[1] : ms;
}

/**
 * A swing that is not at rest so long after its strike did not end there: what is quiet later is
 * another thing (true finishes of the fit set come 0.6 to 1.0 s after it). Slow ones have as much
 * longer as they take; ms.
 *
 * @param swungMs from address to the strike
 */
const latestFinish = (swungMs: number): number =>
  LATEST_FINISH_MS * Math.max(1, swungMs / SWUNG_MS);
const LATEST_FINISH_MS = 1600;
/** An ordinary way back and down, ms (docs/movement.md, slow stages). */
const SWUNG_MS = 1100;

/** Sample from which the hands' start is looked for: at most this long before the top. */
const LONGEST_BACK_S = 3.2;
const stillBefore = (m: Motion, topSample: number): number =>
  Math.max(0, Math.round(topSample - LONGEST_BACK_S / m.dt));

/** Last upward zero crossing of a rate before a sample; ms, NaN if none. */
function lastUpward(m: Motion, rate: Float64Array, after: number, before: number): number {
  for (let i = Math.min(Math.floor(before), m.n - 1); i > after; i--)
    if (rate[i - 1]! < 0 && rate[i]! >= 0)
      return toMs(m, i - 1 + rate[i - 1]! / (rate[i - 1]! - rate[i]!));
  return NaN;
}

/** Hips only: half of the pelvis' return from its turn-around. */
function halfTurnBack(m: Motion, topSample: number, a: number): number {
  const turn = turnByWidth(m, "hip", Math.round(topSample), m.n - 1);
  const i = Math.round(topSample);
  return toMs(m, risesThrough(turn, (turn[i]! + turn[a]!) / 2, topSample, m.n - 1));
}

/**
 * Ground start: the share 5 points from its still mean for 100 ms, or a foot event, whichever is
 * first. The smoothing hides a short first push; but hips that get up to 3 cm/s have been pushed by
 * then (5 points between feet 20 cm apart give 10 cm/s²), so where the hips are what ends the
 * stillness, that is the latest it can have been.
 */
function groundStart(
  m: Motion,
  share: Float64Array,
  still: number,
  from: number,
  feet: FootEvent[],
  stood: { ms: number; bodyFirst: boolean },
): number {
  const need = Math.max(2, Math.round(0.1 / m.dt));
  const weight = toMs(
    m,
    firstRun((i) => Math.abs(share[i]! - still) >= 5, need, from, m.n - 1),
  );
  const foot = feet.find((e) => e.ms > stood.ms)?.ms ?? NaN;
  const found = [weight, foot, stood.bodyFirst ? stood.ms : NaN].filter((t) => !Number.isNaN(t));
  return found.length ? Math.min(...found) : NaN;
}

/**
 * Recentre: the share crosses 50 % upward after its lowest value of the backswing; NaN when it
 * never fell below.
 */
function recentre(m: Motion, share: Float64Array, from: number, topSample: number): number {
  let low = from;
  for (let i = from; i <= topSample; i++) if (share[i]! < share[low]!) low = i;
  return share[low]! < 50 ? toMs(m, risesThrough(share, 50, low, m.n - 1)) : NaN;
}
