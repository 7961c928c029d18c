import { deviation } from "../maths";
import { placeOnClock, type Motion } from "../motion";
import type { SideName } from "../track";
import { nearest } from "./clock";
import type { Rep } from "./rep";
import { middleTurn, type MiddleTurn } from "./turns";

/**
 * What the pictures of a rep are drawn from, of its own part of the film; cm along T against
 * address, shares in %, all on `t` (ms).
 */
export interface RepSeries {
  t: number[];
  leadShare: number[];
  leadShareU: number[];
  pelvisT: number[];
  headT: number[];
  handsT: number[];
  comT: number[];
  /** Foot centres along T and whether the foot is off the ground. */
  leadFootT: number[];
  trailFootT: number[];
  leadAir: number[];
  trailAir: number[];
  /** Heel off while the toe stands. */
  leadHeelUp: number[];
  trailHeelUp: number[];
  /**
   * Of a pivot: how far its foot points from where it stood before all turns, degrees, + toward the
   * target; null where that was not seen.
   */
  footTurn?: { foot: SideName; degrees: (number | null)[] };
  /**
   * Of one period of a to-and-fro: when the hands turn round within it, and the pressure before
   * them, ms.
   */
  turn?: MiddleTurn;
  /**
   * Seen from the front: where the centre of mass was at address, cm along T from the middle of the
   * feet, and its height over the ground, cm.
   */
  com?: { fromFeet: number; height: number[] };
  /**
   * Seen from behind: places along the line to the ball, cm from the heels at address, + toward the
   * ball.
   */
  behind?: Behind;
}

/**
 * The middle of both feet's heels and toes, and the body's rear edge at hip height (null where it
 * was not seen).
 */
interface Behind {
  heels: number[];
  toes: number[];
  rear: (number | null)[];
}

/** @param shares the lead share of perturbed copies, for its u at each instant */
export function series(m: Motion, rep: Rep, shares: readonly Float64Array[]): RepSeries {
  const a = Number.isNaN(rep.events.address) ? 0 : nearest(m, rep.events.address);
  const against = (x: Float64Array) => Array.from(x, (v) => round(v - x[a]!));
  const times = Array.from({ length: m.n }, (_, i) => m.startMs + i * m.dt * 1000);
  const place = (foot: "lead" | "trail") => {
    const { heelT, toeT } = placeOnClock(rep.feet[foot], m.startMs, m.dt, m.n);
    return heelT.map((h, i) => (h + toeT[i]!) / 2);
  };
  const lead = place("lead");
  const trail = place("trail");
  const middle = (lead[a]! + trail[a]!) / 2;
  const inAir = (foot: "lead" | "trail") =>
    times.map((t) => (rep.air[foot].some(([from, to]) => t > from && t < to) ? 1 : 0));
  const footTimes = (foot: "lead" | "trail", ...events: string[]) =>
    rep.footEvents.filter((e) => e.foot === foot && events.includes(e.event)).map((e) => e.ms);
  const heelUp = (foot: "lead" | "trail") =>
    begun(times, footTimes(foot, "heelUp"), footTimes(foot, "landing", "heelDown"));
  // Reps that hang together are read in the whole film: each keeps its own part of it.
  const own =
    rep.kind === "cycle" || rep.kind === "pivot"
      ? (i: number) => times[i]! >= rep.fromMs && times[i]! <= rep.toMs
      : () => true;
  const turn = rep.kind === "cycle" ? middleTurn(rep.turns, rep.fromMs, rep.toMs) : null;
  return samplesOf(
    {
      t: times.map(round),
      leadShare: Array.from(rep.leadShare, round),
      leadShareU: times.map((_, i) => round(deviation(shares.map((s) => s[i]!)) || 0)),
      pelvisT: against(m.hipT),
      headT: against(m.headT),
      handsT: against(m.handsT),
      comT: against(m.comT),
      leadFootT: Array.from(lead, (v) => round(v - middle)),
      trailFootT: Array.from(trail, (v) => round(v - middle)),
      leadAir: inAir("lead"),
      trailAir: inAir("trail"),
      leadHeelUp: heelUp("lead"),
      trailHeelUp: heelUp("trail"),
      ...(rep.foot ? { footTurn: { foot: rep.foot, degrees: seen(m.direction[rep.foot]) } } : {}),
      ...(turn ? { turn } : {}),
      ...(m.view === "down-the-line"
        ? { behind: behind(m, rep, a) }
        : { com: { fromFeet: round(m.comT[a]! - middle), height: Array.from(m.comU, round) } }),
    },
    own,
  );
}

/** Every list in it with those samples alone that are to stay; what is no list stays as it is. */
export function samplesOf<T extends object>(of: T, stays: (i: number) => boolean): T {
  return Object.fromEntries(
    Object.entries(of).map(([name, v]) => [
      name,
      Array.isArray(v)
        ? v.filter((_, i) => stays(i))
        : typeof v === "object" && v !== null
          ? samplesOf(v as object, stays)
          : v,
    ]),
  ) as T;
}

/** Numbers as they are kept: nothing where nothing was seen. */
const seen = (x: ArrayLike<number>): (number | null)[] =>
  Array.from(x, (v) => (Number.isNaN(v) ? null : round(v)));

function behind(m: Motion, rep: Rep, a: number): Behind {
  const feet = (["lead", "trail"] as const).map((foot) =>
    placeOnClock(rep.feet[foot], m.startMs, m.dt, m.n),
  );
  const middle = (key: "heelT" | "toeT") =>
    feet[0]![key].map((v, i) => (v + feet[1]![key][i]!) / 2);
  const heels = middle("heelT");
  const from = (x: Float64Array) => x.map((v) => v - heels[a]!);
  return {
    heels: Array.from(from(heels), round),
    toes: Array.from(from(middle("toeT")), round),
    rear: seen(from(m.rear)),
  };
}

/** 1 at each of `times` that comes after a beginning and before the end that follows it, else 0. */
export const begun = (
  times: readonly number[],
  begins: readonly number[],
  ends: readonly number[],
): number[] =>
  times.map((t) => {
    const since = Math.max(-Infinity, ...begins.filter((b) => b <= t));
    return Number.isFinite(since) && !ends.some((e) => e > since && e <= t) ? 1 : 0;
  });

/** To a hundredth, as series are kept. */
export const round = (v: number): number => Math.round(v * 100) / 100;
