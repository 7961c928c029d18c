// Written by `npm run lists`: one line a file of this folder.
import { balance } from "./balance";
import { cycle } from "./cycle";
import { heels } from "./heels";
import { leadToeOut } from "./leadToeOut";
import { legs } from "./legs";
import { order } from "./order";
import { pivot } from "./pivot";
import { posture } from "./posture";
import { steps } from "./steps";
import { sway } from "./sway";
import { turns } from "./turns";
import { weight } from "./weight";

export const all = {
  ...balance,
  ...cycle,
  ...heels,
  ...leadToeOut,
  ...legs,
  ...order,
  ...pivot,
  ...posture,
  ...steps,
  ...sway,
  ...turns,
  ...weight,
};
