import { valueAt } from "../../reps";
import { EVERY_PART, FACE_ON, got, unmeasured, type Measure } from "../measure";
import { overSpan } from "../moments";
import { onePlace } from "../onePlace";

/** The lead foot's direction at the end of the swing, as the fan of the rep strip draws it. */
export const leadToeOut = {
  leadToeOutFinish: {
    name: "Lead toe turned out, finish",
    unit: "°",
    family: "feet",
    views: FACE_ON,
    definition:
      "How far the lead toe points away, at the finish, from where it pointed at rest; plus = toward the target. Not told of a foot that stepped.",
    waitsFor: ["finish"],
    reads: EVERY_PART,
    spoiledBy: ["feet"],
    ofAnySwing: true,
    plain: { above: "Your lead foot ends turned far out" },
    gate: null,
    joints: overSpan("AddressToFinish", ({ m, rep }, from, to) => {
      const { finish } = rep.events;
      return onePlace(m, "lead", from, to)
        ? got(valueAt(m, m.direction.lead, finish), finish, "footNotSeen")
        : unmeasured("footMoved");
    }),
  },
} as const satisfies Record<string, Measure>;
