import { withId } from "@/core/maths";
import { DRILLS, type Drill } from "@/core/drills";
import { fileOf, ownDrillSchema } from "@/core/formats";

/**
 * A drill with its movements, which are functions and did not travel: a built-in one by its id, or
 * one of the golfer's own.
 *
 * @throws RangeError for an id that is no built-in drill's
 */
export const drillHere = (drill: string | Drill): Drill =>
  typeof drill === "string"
    ? withId(DRILLS, drill)
    : ownDrillSchema(fileOf(drill), drill.id, drill.version);
