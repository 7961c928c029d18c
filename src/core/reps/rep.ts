import type { JerkSmoother } from "../maths/jerkSmoother";
import { mean } from "../maths/stats";
import type { FootMotion } from "../motion/footMotion";
import type { Motion } from "../motion/motion";
import type { SideName } from "../track/sides";
import { address } from "./events/address";
import { footEvents, type FootEvent } from "./events/footEvents";
import { armLevel, finish, handSpeed, handStart, impact, roughTopSample, swingSpeed, top } from "./events/hands";
import { firstRun, nearest, risesThrough, toMs, toSample } from "./clock";
import { airborne, leadShare, type Airborne } from "./share";

export type EventName = "address" | "groundStart" | "handStart" | "midBack" | "top" | "recentre" | "halfwayDown" | "impact" | "finish";
export const EVENT_NAMES: readonly EventName[] = ["address", "groundStart", "handStart", "midBack", "top", "recentre", "halfwayDown", "impact", "finish"];

/** One rep as read from a motion: its events (ms; NaN = not found), feet and weight. */
export interface Rep {
  kind: "swing" | "step-swing";
  fromMs: number;
  toMs: number;
  events: Record<EventName, number>;
  footEvents: FootEvent[];
  air: Airborne;
  /** Both feet's spells on the ground, each ending at its lift-off and beginning at its landing where those were found. */
  feet: Record<SideName, FootMotion>;
  /** Start of the still spell that ends at address. */
  stillFromMs: number;
  leadShare: Float64Array;
  /** Lead share at the still address, %. */
  shareStill: number;
}

/** What a stage says of how its reps begin. */
export interface RepRules {
  kind: "swing" | "step-swing";
  /** The club starts ahead of the ball, so the hands' address place says nothing of impact. */
  clubAhead: boolean;
}

/**
 * Reads the rep in a motion (one swing a clip here). Null when there is no swing in it: the hands never start or never
 * come down.
 */
export function readRep(m: Motion, rules: RepRules, smoother: JerkSmoother, stillFromMs: number): Rep | null {
  const speed = handSpeed(m);
  const rough = roughTopSample(m);
  // A swing lifts the hands to the chest at least and swings them faster than any waggle.
  if (m.handsU[rough]! < (m.hipU[rough]! + m.shoulderU[rough]!) / 2 || Math.max(...speed) < 150) return null;
  const topMs = top(m, rough);
  const topSample = toSample(m, topMs);
  const start = handStart(m, swingSpeed(m), nearest(m, stillFromMs), Math.floor(topSample));
  if (Number.isNaN(start) || Number.isNaN(topMs)) return null;
  const stood = address(m, start);
  const addressSample = nearest(m, stood.ms);
  const lowest = rules.clubAhead || stood.moving;
  const impactMs = impact(m, lowest ? "lowest" : "passes address", topSample, m.handsT[addressSample]!);
  const feet = [...footEvents("lead", m.feet.lead), ...footEvents("trail", m.feet.trail)].sort((a, b) => a.ms - b.ms);
  const endMs = toMs(m, m.n - 1);
  const air = airborne(feet, endMs);
  const stillFrom = Math.max(stood.fromMs, stood.ms - 600);
  const standing = { lead: untilContact(m.feet.lead, "lead", feet), trail: untilContact(m.feet.trail, "trail", feet) };
  const share = leadShare({ ...m, feet: standing }, smoother, air, { fromMs: stillFrom, toMs: stood.ms, even: !stood.moving });
  const shareStill = mean(share.subarray(nearest(m, stood.ms - 300), addressSample + 1));
  const finishMs = Number.isNaN(impactMs) ? NaN : finish(m, toSample(m, impactMs));
  return {
    kind: rules.kind,
    fromMs: m.startMs,
    toMs: endMs,
    stillFromMs: stood.fromMs,
    footEvents: feet,
    air,
    feet: standing,
    leadShare: share,
    shareStill,
    events: {
      address: stood.ms,
      groundStart: groundStart(m, share, shareStill, addressSample, feet, stood),
      handStart: start,
      midBack: armLevel(m, "back", toSample(m, start), Math.floor(topSample)),
      top: topMs,
      recentre: recentre(m, share, addressSample, topSample),
      halfwayDown: armLevel(m, "down", topSample, m.n - 1),
      impact: impactMs,
      finish: finishMs,
    },
  };
}

/** The network's points tell a spell's ends roughly; lift-off and landing, followed in the picture, tell them exactly. */
function untilContact(foot: FootMotion, side: SideName, events: FootEvent[]): FootMotion {
  const near = (event: FootEvent["event"], ms: number) => events.find((e) => e.foot === side && e.event === event && Math.abs(e.ms - ms) < 300)?.ms;
  return {
    spells: foot.spells.map((s, i) => ({
      ...s,
      fromMs: i === 0 ? s.fromMs : (near("landing", s.fromMs) ?? s.fromMs),
      toMs: i === foot.spells.length - 1 ? s.toMs : (near("liftOff", s.toMs) ?? s.toMs),
    })),
  };
}

/**
 * Ground start: the share 5 points from its still mean for 100 ms, or a foot event, whichever is first. The smoothing hides
 * a short first push; but hips that get up to 3 cm/s have been pushed by then (5 points between feet 20 cm apart give
 * 10 cm/s²), so where the hips are what ends the stillness, that is the latest it can have been.
 */
function groundStart(m: Motion, share: Float64Array, still: number, from: number, feet: FootEvent[], stood: { ms: number; bodyFirst: boolean }): number {
  const need = Math.max(2, Math.round(0.1 / m.dt));
  const weight = toMs(m, firstRun((i) => Math.abs(share[i]! - still) >= 5, need, from, m.n - 1));
  const foot = feet.find((e) => e.ms > stood.ms)?.ms ?? NaN;
  const found = [weight, foot, stood.bodyFirst ? stood.ms : NaN].filter((t) => !Number.isNaN(t));
  return found.length ? Math.min(...found) : NaN;
}

/** Recentre: the share crosses 50 % upward after its lowest value of the backswing; NaN when it never fell below. */
function recentre(m: Motion, share: Float64Array, from: number, topSample: number): number {
  let low = from;
  for (let i = from; i <= topSample; i++) if (share[i]! < share[low]!) low = i;
  return share[low]! < 50 ? toMs(m, risesThrough(share, 50, low, m.n - 1)) : NaN;
}
