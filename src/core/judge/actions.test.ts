import { describe, expect, it } from "vitest";
import { handMade, spell, type Drawn } from "../../../tests/core/handMade";
import type { RequiredAction, Stage } from "../drills";
import type { MeasureId } from "../measures";
import { actionsOf } from "./actions";
import type { Measured } from "./verdict";

const measured = (value: number | null, u: number | null, state = "measured") =>
  ({ heelRise: { value, u, state } }) as unknown as Record<MeasureId, Measured>;
const done = (need: object, drawn: Drawn = {}, measures = measured(null, null)) => {
  const { motion, rep } = handMade(drawn);
  const stage = { actions: [{ id: "a", need } as unknown as RequiredAction] } as unknown as Stage;
  return actionsOf(stage, motion, rep, measures)[0]!.result;
};
const feet = (...events: readonly (readonly ["lead" | "trail", string, number])[]): Drawn => ({
  rep: { footEvents: events.map(([foot, event, ms]) => ({ foot, event, ms })) as never },
});
const hidden = { motion: { seen: 0.9 } };

describe("a step before an event", () => {
  const need = { kind: "step", foot: "trail", before: "top" };

  it("is done when the foot leaves in time, whether or not it has landed", () => {
    expect(done(need, feet(["trail", "liftOff", 990]))).toBe("done");
    expect(done(need, feet(["trail", "liftOff", 1000]))).toBe("missing");
    expect(done(need, feet(["trail", "liftOff", 1010]))).toBe("missing");
    expect(done(need, feet(["lead", "liftOff", 500]))).toBe("missing");
    // Without a top there is nothing that it comes too late for.
    expect(done(need, { ...feet(["trail", "liftOff", 1010]), events: { top: NaN } })).toBe("done");
  });

  it("is missing only where the foot was seen to stay", () => {
    expect(done(need)).toBe("missing");
    expect(done(need, hidden)).toBe("not seen");
    expect(done(need, { spells: { trail: [spell(-18, 300)] } })).toBe("not seen");
    expect(done(need, { spells: { lead: [spell(18, 300)] } })).toBe("missing");
    // Followed from the address on, or up to it.
    expect(done(need, { spells: { trail: [spell(-18, 200)] } })).toBe("missing");
    expect(done(need, { spells: { trail: [spell(-18, 0, 200)] } })).toBe("missing");
    expect(done(need, { spells: { trail: [spell(-18, 201)] } })).toBe("not seen");
    expect(done(need, { spells: { trail: [spell(-18, 0, 199)] } })).toBe("not seen");
  });
});

describe("a step after the strike", () => {
  const need = { kind: "step", foot: "trail", after: "impact" };

  it("is done by a landing after it, from a foot that left within its time", () => {
    const step = (off: number, on: number) =>
      feet(["trail", "liftOff", off], ["trail", "landing", on]);
    expect(done(need, step(1350, 1700))).toBe("done");
    expect(done(need, step(400, 700))).toBe("missing");
    expect(done(need, { ...step(1350, 1700), events: { impact: 100, top: 50 } })).toBe("missing");
  });
});

describe("both feet land", () => {
  const need = { kind: "bothLand" };

  it("is done when both have, and missing when one was seen to stay", () => {
    const lead = ["lead", "landing", 900] as const;
    expect(done(need, feet(lead, ["trail", "landing", 1200]))).toBe("done");
    expect(done(need, feet(lead))).toBe("missing");
    expect(done(need, { ...feet(lead), spells: { trail: [] } })).toBe("not seen");
    // One foot hidden, the other seen to stay: that is enough to tell.
    expect(done(need, { spells: { trail: [] } })).toBe("missing");
  });
});

describe("an action that a measure tells", () => {
  const need = { kind: "measure", measure: "heelRise", atLeast: 3 };

  it("is done from its least on, and missing only when surely under it", () => {
    expect(done(need, {}, measured(3, 5))).toBe("done");
    expect(done(need, {}, measured(1, 0.9))).toBe("missing");
    expect(done(need, {}, measured(1, 1))).toBe("not seen");
    expect(done(need, {}, measured(1, 0.1, "not measurable"))).toBe("not seen");
    expect(done(need, {}, measured(null, null))).toBe("not seen");
    expect(done(need, {}, measured(5, null))).toBe("not seen");
    expect(done(need, {}, measured(null, 1))).toBe("not seen");
  });
});
