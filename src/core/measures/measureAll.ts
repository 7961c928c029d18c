import type { Motion } from "../motion/motion";
import type { Rep } from "../reps/rep";
import type { MeasureId, RawMeasure } from "./catalogue";
import { feetMeasures } from "./feet";
import { orderMeasures } from "./order";
import { swayMeasures } from "./sway";
import { weightMeasures } from "./weight";

/** All measures of the catalogue for one rep. */
export const measureAll = (m: Motion, rep: Rep): Record<MeasureId, RawMeasure> => ({
  ...swayMeasures(m, rep),
  ...weightMeasures(m, rep),
  ...feetMeasures(m, rep),
  ...orderMeasures(rep),
});
