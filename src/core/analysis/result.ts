import type { Measured, Verdict } from "../judge/verdict";
import type { MeasureId } from "../measures";
import type { FootEvent } from "../reps/events/footEvents";
import { type EventName, type Rep } from "../reps/rep";
import type { RepSeries } from "../reps/series";
import type { Turn } from "../reps/turns";
import { type Problem, type Scene } from "../scene/scene";
import type { Timed } from "../uncertainty/report";

/** Raised whenever the same track would give other numbers; kept with every rep. */
export const ALGORITHM_VERSION = "d3";

export type { RepSeries } from "../reps/series";

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
