import type { RepSeries } from "@/core/analysis";
import type { CheckVerdict } from "@/core/judge";
import type { StripScales, StripSize } from "./geometry";

/** What a strip is drawn from. */
export interface StripData {
  series: RepSeries;
  events: Record<string, number>;
  hand: "left" | "right";
  checks: CheckVerdict[];
  /** Where each measure was taken, ms. */
  at: Partial<Record<string, number>>;
  /**
   * Share on the lead foot that insoles measured at the times of the series, %, null where they
   * tell nothing.
   */
  insoleShare?: readonly (number | null)[] | undefined;
}

/** What each part of a strip is given. */
export interface StripPart {
  data: StripData;
  s: StripScales;
  size: StripSize;
}
