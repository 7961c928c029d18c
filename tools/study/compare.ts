import {
  analyse,
  middleMs,
  type Analysis,
  type AnalysedRep,
  type AnalyseOptions,
} from "../../src/core/analysis";
import { findStage } from "../../src/core/drills";
import type { Sort } from "../../src/core/uncertainty/errors";
import type { RepRules } from "../../src/core/reps/rep";
import { during } from "../../src/core/scene/problems";
import type { Truth, TruthClip, TruthRep } from "./truthClip";

/** One figure of one rep: what was said, how sure, and what is true. */
export interface Pair {
  clip: string;
  about: string;
  golfer: string;
  sort: Sort;
  value: number;
  u: number | null;
  truth: number;
}

export interface ComparedClip {
  clip: TruthClip;
  analysis: Analysis;
  ms: number;
  /**
   * Reps found with the truth they belong to; truths that nothing found; reps that no truth has.
   */
  found: { rep: AnalysedRep; truth: TruthRep }[];
  missed: TruthRep[];
  extra: AnalysedRep[];
}

/**
 * Which sort of rep a clip holds, by its truth: what errors and uncertainties are told apart by.
 */
export function sortOf(truth: Truth): Sort {
  if (truth.view === "down-the-line") return "behind";
  const stepped = truth.reps.some((r) =>
    r.footEvents.some(
      (e) => e.event === "liftOff" && e.t < (r.events.impact ?? r.events.release ?? r.to),
    ),
  );
  return stepped ? "step" : "planted";
}

/** A pair of a clip: who and what it is of. */
export const pairOf = (
  { id, truth }: TruthClip,
  value: number,
  u: number | null,
  exact: number,
): Pair => ({
  clip: id,
  about: truth.about,
  golfer: truth.golfer.name,
  sort: sortOf(truth),
  value,
  u,
  truth: exact,
});

/** How the clip's reps go: its drill's stage says, else the script's own traits. */
export function rulesOf(truth: Truth): RepRules {
  if (truth.drill !== "none") return findStage(truth.drill, truth.stage).stage.rules;
  const [rep] = truth.reps;
  return {
    kind: rep!.kind,
    clubAhead: rep!.clubAhead ?? false,
    movingStart: rep!.movingStart ?? false,
    hipsOnly: rep!.hipsOnly ?? false,
    slow: rep!.slow ?? false,
    ...(rep!.foot ? { foot: rep!.foot } : {}),
  };
}

export function compare(clip: TruthClip, change: Partial<AnalyseOptions> = {}): ComparedClip {
  const { truth } = clip;
  const track = clip.track();
  const began = performance.now();
  const analysis = analyse(track, {
    golfer: { statureCm: truth.golfer.stature, hand: truth.golfer.hand },
    drill: truth.drill,
    ...(truth.stage ? { stage: truth.stage } : {}),
    view: truth.view,
    rules: rulesOf(truth),
    ...change,
  });
  const ms = performance.now() - began;
  const left = new Set(analysis.reps);
  const found: ComparedClip["found"] = [];
  const missed: TruthRep[] = [];
  for (const t of truth.reps) {
    const about = t.events.top ?? (t.from + t.to) / 2;
    const rep = [...left]
      .filter((r) => middleMs(r) > t.from - 100 && middleMs(r) < t.to + 100)
      .sort((a, b) => Math.abs(middleMs(a) - about) - Math.abs(middleMs(b) - about))[0];
    if (!rep) missed.push(t);
    else {
      left.delete(rep);
      found.push({ rep, truth: t });
    }
  }
  return { clip, analysis, ms, found, missed, extra: [...left] };
}

const add = (map: Map<string, Pair[]>, key: string, pair: Pair) => {
  const list = map.get(key);
  if (list) list.push(pair);
  else map.set(key, [pair]);
};

/**
 * Every measure, event and foot event of the compared clips against its truth. Where the program
 * itself says that a problem spoils the rep it gives no figures, and none are counted.
 */
export function pairs(compared: readonly ComparedClip[]): {
  measures: Map<string, Pair[]>;
  events: Map<string, Pair[]>;
  footEvents: Map<string, Pair[]>;
} {
  const out = {
    measures: new Map<string, Pair[]>(),
    events: new Map<string, Pair[]>(),
    footEvents: new Map<string, Pair[]>(),
  };
  for (const { clip, found, analysis } of compared) {
    const of = (value: number, u: number | null, truth: number): Pair =>
      pairOf(clip, value, u, truth);
    for (const { rep, truth } of found) {
      if (during(analysis.problems, rep.from, rep.to).some((p) => p.touches === "rep")) continue;
      for (const [id, m] of Object.entries(rep.measures))
        if (m.value !== null && m.u !== null && truth.measures[id] !== undefined)
          add(out.measures, id, of(m.value, m.u, truth.measures[id]));
      for (const [name, e] of Object.entries(rep.events))
        if (truth.events[name] !== undefined)
          add(out.events, name, of(e.t, e.u, truth.events[name]));
      for (const e of truth.footEvents) {
        const near = rep.footEvents
          .filter((x) => x.foot === e.foot && x.event === e.event)
          .sort((a, b) => Math.abs(a.t - e.t) - Math.abs(b.t - e.t))[0];
        if (near && Math.abs(near.t - e.t) < 400)
          add(out.footEvents, `${e.foot} ${e.event}`, of(near.t, near.u, e.t));
      }
    }
  }
  return out;
}
