import type { ScriptedRep } from "../script";
import { TRUTH_HZ, type Simulation } from "../simulate";
import { exactChannels, type Exact } from "./exact";
import { feetAgainst, footEventsIn, leadShareOf, type FootEventTruth } from "./feet";
import { measuresOf } from "./measures";
import { MS } from "./search";
import { startOf, swingEvents, type TruthEvent } from "./swingEvents";
import { exactTurns } from "./turns";

/**
 * Exact events (ms from the script's start), foot events, turn-arounds and measures of one
 * simulated rep, by the definitions of docs/movement.md.
 */
export interface Truth {
  rep: ScriptedRep;
  /** ms. */
  from: number;
  to: number;
  events: Partial<Record<TruthEvent, number>>;
  footEvents: FootEventTruth[];
  turns: { of: "pressure" | "hands" | "foot"; t: number; side: "target" | "away" }[];
  measures: Record<string, number>;
  /** Lead share, %, per 240 Hz sample of the whole script. */
  leadShare: Float64Array;
}

/**
 * The truth of every rep of a simulation. Heights of feet count from the rep's address; a foot is
 * in the air while heel and toe are both more than 1.5 cm up. Shares come from the plain pendulum
 * on the exact centre of mass.
 */
export function truths(sim: Simulation, view: "face-on" | "down-the-line" = "face-on"): Truth[] {
  const x = exactChannels(sim);
  return sim.script.reps.map((rep) => truthOf(x, rep, view));
}

/** The truth of a script's first rep. */
export const truth = (sim: Simulation, view: "face-on" | "down-the-line" = "face-on"): Truth =>
  truths(sim, view)[0]!;

function truthOf(x: Exact, rep: ScriptedRep, view: "face-on" | "down-the-line"): Truth {
  const from = Math.round(rep.from * TRUTH_HZ);
  const to = Math.min(Math.round(rep.to * TRUTH_HZ), x.n - 1);
  const swinging = rep.kind === "swing" || rep.kind === "step-swing" || rep.kind === "gesture";
  const start = swinging
    ? startOf(x, rep, from, to)
    : { address: rep.kind === "cycle" ? 0 : from, handStart: null };
  const feet = feetAgainst(x.sim, start.address);
  const footEvents = footEventsIn(feet, from, to);
  const leadShare = leadShareOf(x, feet);
  const spread =
    Math.max(...x.sim.poses.map((p) => Math.abs(p.lead.ankle[0] - p.trail.ankle[0]))) * 0.15;
  const around = [Math.max(0, from - TRUTH_HZ / 2), Math.min(x.n - 1, to + TRUTH_HZ / 2)] as const;
  const turns = [
    ...exactTurns("pressure", x.cop, ...around, spread),
    ...exactTurns("hands", x.hands.t, ...around, 6),
  ].sort((a, b) => a.at - b.at);
  const e = swinging ? swingEvents(x, rep, view, start, feet, footEvents, leadShare, to) : {};
  const measures = measuresOf({ x, rep, view, feet, e, footEvents, turns, leadShare, from, to });
  const events: Truth["events"] = {};
  for (const [name, i] of Object.entries(e)) events[name as TruthEvent] = i * MS;
  return {
    rep,
    from: from * MS,
    to: to * MS,
    events,
    footEvents,
    turns: turns.map((t) => ({ of: t.of, t: t.at * MS, side: t.side })),
    measures,
    leadShare,
  };
}
