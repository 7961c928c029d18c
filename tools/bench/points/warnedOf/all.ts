import { BALANCE } from "./balance";
import { GROUND } from "./ground";
import { THROUGH } from "./through";
import { TRAIL_FOOT } from "./trailFoot";
import { TURNING } from "./turning";
import type { WarnedOf } from "./warned";

export const WARNED_OF: WarnedOf = {
  ...BALANCE,
  ...GROUND,
  ...TURNING,
  ...TRAIL_FOOT,
  ...THROUGH,
};
