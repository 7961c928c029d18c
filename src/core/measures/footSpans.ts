import { resample } from "../maths/filter";
import { largestTurn } from "../motion/footDirection";
import { samePlace } from "../motion/footMotion";
import { partHeight } from "../motion/partHeight";
import type { Motion } from "../motion/motion";
import type { Rep } from "../reps/rep";
import { nearest, toMs, valueAt } from "../reps/clock";
import { got, missing, SIDES, type Measures } from "./catalogue";
import { spansOf } from "./spans";

/** Under this a heel or toe is down, cm; a rise that ends lower is none. */
const DOWN = 1.5;
const RISES = 3;

/** Heels over the ground, feet that slide, turn or stay flat, over the rep's spans. */
export function footSpanMeasures(m: Motion, rep: Rep): Measures {
  const out: Measures = {};
  const { events } = rep;
  const a = nearest(m, events.address);
  const faceOn = m.view === "face-on";
  const heels = {
    lead: partHeight(m, "lead", "heel", a),
    trail: partHeight(m, "trail", "heel", a),
  };
  for (const side of SIDES) {
    const heel = heels[side];
    const toe = partHeight(m, side, "toe", a);
    const toeT = followed(m, side, "toe");
    const heelT = followed(m, side, "heel");
    const direction = m.direction[side];
    for (const [name, event] of [
      ["Address", "address"],
      ["Top", "top"],
      ["Impact", "impact"],
      ["MidThrough", "midThrough"],
      ["Finish", "finish"],
    ] as const)
      out[`${side}HeelHeight${name}`] =
        name === "Address"
          ? got(heelAtAddress(m, side, a), events.address)
          : got(Math.max(0, valueAt(m, heel, events[event])), events[event]);
    for (const { span, from, to } of spansOf(m, rep)) {
      let flat = 0;
      for (let i = from; i <= to; i++) if (heel[i]! < DOWN && toe[i]! < DOWN) flat++;
      const at = toMs(m, to);
      out[`${side}FootFlatFor${span}`] = got((flat / (to - from + 1)) * 100, at);
      out[`${side}FootTravel${span}`] = got(
        travel(toeT, from, to, (i) => toe[i]! < DOWN),
        at,
      );
      if (!faceOn) continue;
      out[`${side}HeelTravel${span}`] = got(
        travel(heelT, from, to, () => true),
        at,
      );
      out[`${side}FootTurn${span}`] = onePlace(m, side, from, to)
        ? got(largestTurn(direction, from, to, m.dt), at, "footNotSeen")
        : missing("footMoved");
    }
  }
  return { ...out, ...heelRise(m, rep, heels.trail) };
}

function heelRise(m: Motion, rep: Rep, trailHeel: Float64Array): Measures {
  const { top, impact, recentre, midThrough, finish } = rep.events;
  const up = rep.footEvents.find((f) => f.foot === "trail" && f.event === "heelUp" && f.ms > top);
  const end = valueAt(m, trailHeel, finish);
  const out: Measures = {
    trailHeelUpAt: up
      ? got(((up.ms - top) / (impact - top)) * 100, up.ms)
      : missing("eventNotFound"),
    heelRiseMatch:
      end >= RISES
        ? got((valueAt(m, trailHeel, midThrough) / end) * 100, midThrough)
        : missing("eventNotFound"),
  };
  if (m.view === "face-on")
    out.crossBeforeTrailHeelUp = up
      ? got(up.ms - recentre, up.ms, "neverLoaded")
      : missing("eventNotFound");
  return out;
}

/**
 * Height of a heel at address over the line through both feet's toes, less what a flat shoe shows
 * (heel and toe points level).
 */
function heelAtAddress(m: Motion, side: "lead" | "trail", a: number): number {
  const { heel, toe } = m.joints[side];
  const other = m.joints[side === "lead" ? "trail" : "lead"];
  // Flat feet look alike: one whose heel stands higher over its toe than the other's is up.
  return Math.max(0, heel.u[a]! - toe.u[a]! - (other.heel.u[a]! - other.toe.u[a]!));
}

/** No foot steps away and back in less, ms. */
const STEP_MS = 150;

/**
 * A foot that stays where it is, also where the network lost it for a moment: directions of two
 * places can't be compared, because its ankle, from which they are measured, differs by more from
 * one place to another.
 */
function onePlace(m: Motion, side: "lead" | "trail", from: number, to: number): boolean {
  const [begin, end] = [toMs(m, from), toMs(m, to)];
  const there = m.feet[side].spells.filter((s) => s.toMs >= begin && s.fromMs <= end);
  const first = there[0];
  return (
    first !== undefined &&
    first.fromMs <= begin &&
    there[there.length - 1]!.toMs >= end &&
    there.every(
      (s, i) => !i || (samePlace(s, there[i - 1]!) && s.fromMs - there[i - 1]!.toMs < STEP_MS),
    )
  );
}

/**
 * A heel or toe along T: as followed in the picture from where its foot stands, between that by the
 * network.
 */
function followed(m: Motion, side: "lead" | "trail", part: "heel" | "toe"): Float64Array {
  const out = m.joints[side][part].t.slice();
  const key = part === "heel" ? "heelT" : "toeT";
  for (const s of m.feet[side].spells) {
    const f = s[part];
    if (!f.times.length) continue;
    const t = resample(f.times, f.t, m.startMs, m.dt * 1000, m.n);
    for (let i = nearest(m, f.times[0]!); i <= nearest(m, f.times[f.times.length - 1]!); i++)
      if (!Number.isNaN(t[i]!)) out[i] = s[key] + t[i]!;
  }
  return out;
}

function travel(x: Float64Array, from: number, to: number, counts: (i: number) => boolean): number {
  let most = 0;
  for (let i = from; i <= to; i++) if (counts(i)) most = Math.max(most, Math.abs(x[i]! - x[from]!));
  return most;
}
