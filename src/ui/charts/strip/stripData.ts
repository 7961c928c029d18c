import type { RepSeries } from "@/core/analyse";
import type { CheckVerdict } from "@/core/judge/verdict";
import type { StripScales, StripSize } from "./geometry";

/** What a strip is drawn from. */
export interface StripData {
  series: RepSeries;
  events: Record<string, number>;
  hand: "left" | "right";
  checks: CheckVerdict[];
  /** Where each measure was taken, ms. */
  at: Partial<Record<string, number>>;
}

/** What each part of a strip is given. */
export interface Part {
  data: StripData;
  s: StripScales;
  size: StripSize;
}
