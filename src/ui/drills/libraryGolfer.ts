import type { Profile } from "@/core/choose";
import type { Styles } from "@/core/drills";
import type { Units } from "@/ui/kit/units";

/** For whom drills are chosen. */
export interface LibraryGolfer {
  statureCm: number;
  hand: "left" | "right";
  units: Units;
  /** Every question answered. */
  styles: Styles;
  /** What was practised last, if anything. */
  last: string | null;
}

/** What the golfer's own swings have shown. */
export interface OwnSwings {
  count: number;
  measures: Profile["measures"];
  /** What they speak for first. */
  first: { id: string; words: string } | null;
}

/** A drill of the golfer's own, as the list names it. */
export interface OwnDrillLine {
  id: string;
  name: string;
  why: string;
  minutes: number;
  version: number;
  /** Name of the built-in drill that it was made from. */
  from: string;
}
