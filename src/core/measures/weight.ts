import type { Motion } from "../motion/motion";
import type { Rep } from "../reps/rep";
import { nearest, toMs, valueAt } from "../reps/clock";
import { bothDown } from "../reps/weight";
import { turnsOf } from "../reps/turns";
import { eventOf, got, missing, MOMENTS, SIDES, type Measures } from "./catalogue";
import { extremes, struck } from "./spans";

/**
 * Estimated weight: shares in % on the lead foot (the trail peak on the trail foot), and when it
 * crosses the middle. Face-on.
 */
export function weightMeasures(m: Motion, rep: Rep): Measures {
  const { address, handStart, groundStart, top, recentre } = rep.events;
  const hit = struck(rep);
  const out: Measures = {
    leadShareAddress: got(rep.shareStill, address),
    recentreBeforeTop: got(top - recentre, recentre, "neverLoaded"),
    groundFirst: got(handStart - groundStart, groundStart),
    shareReversals: got(
      reversals(
        rep.leadShare,
        nearest(m, Math.min(address, Number.isNaN(groundStart) ? address : groundStart)),
        nearest(m, top),
      ),
      top,
    ),
    ...trailPeak(m, rep),
  };
  for (const moment of MOMENTS) {
    const event = rep.events[eventOf(moment)];
    const ms = moment === "Finish" ? settled(rep, event) : event;
    out[`leadShare${moment}`] =
      moment === "Finish" && !bothSeen(m, ms)
        ? missing("footNotSeen")
        : got(valueAt(m, rep.leadShare, ms), ms);
  }
  if (!Number.isNaN(handStart)) {
    const peak = extremes(
      rep.leadShare,
      nearest(m, Math.max(address - 1000, handStart - 1000)),
      nearest(m, handStart),
    );
    out.leadSharePeakBeforeHands = got(peak.high, toMs(m, peak.highAt));
  }
  if (Number.isNaN(hit)) return out;
  const span = Math.round(0.1 / m.dt);
  let [rise, at] = [0, top];
  for (let i = nearest(m, top); i + span <= nearest(m, hit); i++)
    if (rep.leadShare[i + span]! - rep.leadShare[i]! > rise)
      [rise, at] = [rep.leadShare[i + span]! - rep.leadShare[i]!, toMs(m, i)];
  out.loadRate = got(rise, at);
  const beats = turnsOf("pressure", m, rep.leadShare, LEAST_BEAT)
    .filter((t) => t.ms > address - 200 && t.ms < hit)
    .map((t) => t.ms)
    .slice(-3);
  const gaps = [beats[1]! - beats[0]!, beats[2]! - beats[1]!];
  out.beatSpread =
    beats.length < 3
      ? missing("eventNotFound")
      : got(
          (Math.abs(gaps[0]! - gaps[1]!) / Math.SQRT2 / ((gaps[0]! + gaps[1]!) / 2)) * 100,
          beats[2],
        );
  return out;
}

/** Points of share that a beat moves the weight by, at least. */
const LEAST_BEAT = 15;

/**
 * Time over which the pressure's smoothing runs a step of the weight into its neighbours, ms:
 * (sd·√dt / jerk)^⅓ of the smoother (reps/weight.ts). So near a foot's leaving or landing the share
 * is partly that of the foot in the air.
 */
const SMEAR_MS = 90;

/** A foot that was last seen to stand longer than this before an instant may be anywhere, ms. */
const UNSEEN_MS = 500;

const bothSeen = (m: Motion, ms: number): boolean =>
  SIDES.every((side) => m.feet[side].spells.some((s) => s.toMs > ms - UNSEEN_MS));

/**
 * After a walk through the strike the finish is read when the landing's smear has gone: three times
 * its length.
 */
function settled(rep: Rep, finish: number): number {
  const landed = Math.max(
    ...[...rep.air.lead, ...rep.air.trail].map(([, to]) => to).filter((to) => to <= finish),
    -Infinity,
  );
  return Math.max(finish, landed + 3 * SMEAR_MS);
}

/**
 * Largest trail share between hand start and top while both feet are down, clear of the smear of a
 * foot in the air.
 */
function trailPeak(m: Motion, rep: Rep): Measures {
  const { address, handStart, top } = rep.events;
  let peak = NaN;
  let at = NaN;
  for (
    let i = nearest(m, Number.isNaN(handStart) ? address : handStart);
    i <= nearest(m, top);
    i++
  ) {
    const trail = 100 - rep.leadShare[i]!;
    if (!bothDown(rep.air, toMs(m, i), SMEAR_MS) || trail <= peak) continue;
    peak = trail;
    at = toMs(m, i);
  }
  return {
    trailSharePeak: got(peak, at, "footNotSeen"),
    trailSharePeakAt: got(((at - address) / (top - address)) * 100, at, "footNotSeen"),
  };
}

/** Points of share by which the weight must turn to have turned. */
const REVERSAL = 15;

/**
 * How many times a share turns by at least 15 points between two samples: the first motion counts
 * as a turn once it is that long.
 */
function reversals(share: Float64Array, from: number, to: number): number {
  let [low, high, direction, count] = [share[from]!, share[from]!, 0, 0];
  for (let i = from; i <= to; i++) {
    const v = share[i]!;
    low = Math.min(low, v);
    high = Math.max(high, v);
    const fell = direction >= 0 && high - v >= REVERSAL;
    const rose = direction <= 0 && v - low >= REVERSAL;
    if (!fell && !rose) continue;
    // Going away from the start is no turn yet; coming back is.
    if (direction !== 0 || Math.abs((fell ? high : low) - share[from]!) >= REVERSAL) count++;
    direction = fell ? -1 : 1;
    low = high = v;
  }
  return count;
}
