import type { RepSeries } from "@/core/analysis";
import { decides } from "@/core/drills";
import type { CheckVerdict, Verdict } from "@/core/judge";
import { CATALOGUE } from "@/core/measures";
import {
  FAN_DEGREES,
  fanX,
  sampleAt,
  shareToT,
  type StripScales,
  type StripSize,
} from "./geometry";

/** The far post of a gate that is open on that side stands so far off, cm. */
const OPEN_CM = 9;

/** A gate as drawn: two posts, and what happened there. Pixel places in the strip. */
export interface Gate {
  check: CheckVerdict;
  /** Posts stand along x (upright posts) or along y (level posts). */
  posts: "upright" | "level";
  a: number;
  b: number;
  /** Place across the gate's way: y of upright posts, x of level ones. */
  across: number;
  length: number;
  /**
   * Where the thing itself happened: x for upright posts, y for level ones; null when it was not
   * measured.
   */
  happened: number | null;
  /** Height at which the check's row is anchored. */
  anchor: number;
}

/**
 * The check whose gate stands for a verdict: the cue's, else the first must that is open, else the
 * first (of limits, where a stage has no must); none where an action is missing.
 */
export function decidingCheck({
  cue,
  actions,
  checks,
}: Pick<Verdict, "cue" | "actions" | "checks">): CheckVerdict | undefined {
  if (actions.some((a) => a.id === cue?.id)) return undefined;
  const musts = checks.filter((c) => c.must);
  const held = musts.length ? musts : checks.filter(decides);
  return checks.find((c) => c.id === cue?.id) ?? held.find((c) => c.result !== "pass") ?? held[0];
}

/**
 * Where each check's gate stands: weight at an event between two upright posts; a crossing or a
 * foot in time between two level ones; hips and step lengths between short upright posts. Checks
 * without a place in the strip have none.
 */
export function gatesOf(
  checks: CheckVerdict[],
  at: Partial<Record<string, number>>,
  series: RepSeries,
  events: Record<string, number>,
  s: StripScales,
  size: StripSize,
): Gate[] {
  return checks.flatMap((check) => gateOf(check, at[check.measure], series, events, s, size) ?? []);
}

// eslint-disable-next-line max-lines-per-function -- one case for each kind of gate
function gateOf(
  check: CheckVerdict,
  atMs: number | undefined,
  series: RepSeries,
  events: Record<string, number>,
  s: StripScales,
  size: StripSize,
): Gate | null {
  const [lo, hi] = check.band;
  const value = check.value;
  const upright = (
    ms: number,
    fromT: number,
    toT: number,
    happenedT: number | null,
    length: number,
  ): Gate => ({
    check,
    posts: "upright",
    a: s.x(fromT),
    b: s.x(toT),
    across: s.y(ms),
    length,
    happened: happenedT === null ? null : s.x(happenedT),
    anchor: s.y(ms),
  });
  const level = (
    x: number,
    fromMs: number,
    toMs: number,
    happenedMs: number | null,
    anchorMs: number,
  ): Gate => ({
    check,
    posts: "level",
    a: s.y(Math.max(fromMs, s.from)),
    b: s.y(toMs),
    across: x,
    length: size.postLength,
    happened: happenedMs === null ? null : s.y(happenedMs),
    anchor: s.y(anchorMs),
  });
  const lane = (foot: "lead" | "trail", ms: number) => {
    const i = sampleAt(series, ms);
    const out = (foot === "lead" ? 1 : -1) * s.toTarget;
    return (
      s.x(foot === "lead" ? series.leadFootT[i]! : series.trailFootT[i]!) +
      out * (size.toeBar + size.heelBar / 2 + 2 * size.gap)
    );
  };
  const { address, handStart, midBack, top } = events;
  const { gate } = CATALOGUE[check.measure];
  if (!gate) return null;
  switch (gate.kind) {
    case "trailShare": {
      if (atMs === undefined || lo === null) return null;
      const i = sampleAt(series, atMs);
      return upright(
        atMs,
        shareToT(series, i, 0),
        shareToT(series, i, 100 - lo),
        value === null ? null : shareToT(series, i, 100 - value),
        size.postLength,
      );
    }
    case "crossing": {
      if (top === undefined || lo === null) return null;
      const happened = value === null ? null : top - value;
      const i = sampleAt(series, top - lo);
      return level(
        s.x(shareToT(series, i, 50)),
        midBack ?? top - 300,
        top - lo,
        happened,
        top - lo,
      );
    }
    case "liftOff": {
      if (handStart === undefined || lo === null) return null;
      const deadline = handStart - lo;
      return level(
        lane("trail", address ?? handStart),
        address ?? deadline - 300,
        deadline,
        value === null ? null : handStart - value,
        deadline,
      );
    }
    case "landing": {
      if (top === undefined || lo === null) return null;
      const happened = value === null ? null : top - value;
      return level(
        lane("lead", happened ?? top),
        midBack ?? top - 400,
        top - lo,
        happened,
        top - lo,
      );
    }
    case "lateLiftOff": {
      if (midBack === undefined || lo === null || hi === null) return null;
      return level(
        lane("lead", midBack),
        midBack + lo,
        midBack + hi,
        value === null ? null : midBack + value,
        midBack,
      );
    }
    case "step": {
      if (atMs === undefined) return null;
      const foot = gate.foot === "trail" ? series.trailFootT : series.leadFootT;
      const before = foot[sampleAt(series, address ?? s.from)]!;
      const far = lo !== null && hi !== null ? [lo, hi] : [lo ?? hi! - 16, hi ?? lo! + 16];
      return upright(
        atMs,
        before + far[0]!,
        before + far[1]!,
        value === null ? null : before + value,
        size.postLength * 0.6,
      );
    }
    case "hips": {
      if (atMs === undefined || hi === null) return null;
      const i = sampleAt(series, atMs);
      const hips = series.pelvisT[i]!;
      const limit = hips + (value ?? 0) - hi;
      return upright(atMs, limit, hips + (value ?? 0), hips, size.postLength * 0.55);
    }
    case "groundTurn": {
      if (!series.turn || lo === null) return null;
      const { hands } = series.turn;
      const i = sampleAt(series, hands - lo);
      return level(
        s.x(shareToT(series, i, series.leadShare[i]!)),
        hands - (hi ?? lo + 220),
        hands - lo,
        value === null ? null : hands - value,
        hands - lo,
      );
    }
    case "footTurn": {
      if (!series.footTurn || lo === null || events.pivotPeak === undefined) return null;
      const side = series.footTurn.foot;
      const at = (degrees: number) => fanX(series, side, degrees, s, size);
      return {
        check,
        posts: "upright",
        a: at(lo),
        b: at(FAN_DEGREES),
        across: s.y(events.pivotPeak),
        length: size.postLength,
        happened: value === null ? null : at(value),
        anchor: s.y(events.pivotPeak),
      };
    }
    case "rearEdge": {
      const ms = events[gate.at];
      if (!series.behind || ms === undefined || hi === null || address === undefined) return null;
      const wall = series.behind.rear[sampleAt(series, address)];
      if (wall === null || wall === undefined) return null;
      return upright(
        ms,
        lo === null ? wall + hi - OPEN_CM : wall + lo,
        wall + hi,
        value === null ? null : wall + value,
        size.postLength,
      );
    }
    case "leadShare": {
      const ms = events[gate.at];
      if (ms === undefined) return null;
      const i = sampleAt(series, ms);
      return upright(
        ms,
        shareToT(series, i, lo ?? 0),
        shareToT(series, i, hi ?? 100),
        value === null ? null : shareToT(series, i, value),
        size.postLength,
      );
    }
  }
}
