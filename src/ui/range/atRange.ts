import type { RangeSnapshot } from "@/server/range/snapshot";
import type { Home, HomeState } from "./home";
import type { BoutHere } from "./keptReps";

/** What every page of the range is given. */
export interface AtRange {
  home: Home;
  state: HomeState;
  snapshot: RangeSnapshot;
  bouts: readonly BoutHere[];
}

/** And what is asked for in the address. */
export interface AskedAtRange extends AtRange {
  asked: Pick<URLSearchParams, "get">;
}
