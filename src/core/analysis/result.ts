import type { Measured, Verdict } from "../judge";
import type { MeasureId } from "../measures";
import type { FootEvent, EventName, Rep, RepSeries, Turn } from "../reps";
import type { Problem, Scene } from "../scene";
import type { Timed } from "../uncertainty";

/** Raised whenever the same track would give other numbers; kept with every rep. */
export const ALGORITHM_VERSION = "d3";

export type { RepSeries } from "../reps";

export interface AnalysedRep {
  index: number;
  kind: Rep["kind"];
  from: number;
  to: number;
  events: Partial<Record<EventName, Timed>>;
  footEvents: (Timed & { foot: FootEvent["foot"]; event: FootEvent["event"] })[];
  turns: (Timed & { of: Turn["of"]; side: Turn["side"] })[];
  measures: Record<MeasureId, Measured>;
  verdict: Verdict | null;
  series: RepSeries;
}

export interface Analysis {
  drill: string;
  stage: string | null;
  view: Scene["view"];
  scale: Scene["scale"];
  problems: Problem[];
  reps: AnalysedRep[];
}

/** Where a rep has its middle, ms: its top, if it has one. */
export const middleMs = (r: Pick<AnalysedRep, "events" | "from" | "to">): number =>
  r.events.top?.t ?? (r.from + r.to) / 2;
