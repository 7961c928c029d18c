import { expect, it } from "vitest";
import { line, measured, values } from "../../../../tests/core/handMade";

it("times the swing from the hands' start, the top and the strike", () => {
  expect(values({}, "backTime", "downTime", "tempoRatio")).toEqual([700, 300, 2.3]);
  expect(measured("tempoRatio", { events: { handStart: NaN } }).why).toBe("eventNotFound");
  expect(measured("downTime", { events: { impact: NaN } }).why).toBe("eventNotFound");
});

it("says how long before the hands hips turn and slide: later is negative", () => {
  const events = { transition: 920, slideStart: 1040 };
  expect(values({ events }, "pelvisBeforeHands", "slideBeforeHands")).toEqual([80, -40]);
});

it("says how long the golfer stood still, in seconds", () => {
  expect(values({ rep: { stillFromMs: -2300 } }, "stillBefore")).toEqual([2.5]);
  // A point that jumps for a moment ends the spell that was found; hands that came from elsewhere end
  // the stillness.
  const jumps = line([400, 9], [600, 0], [1290, 0], [1300, 4], [1310, 0]);
  const { value } = measured("stillBefore", {
    motion: { handsT: jumps },
    events: { address: 1500 },
    rep: { stillFromMs: 1320 },
  });
  expect(Math.abs(value - 0.9)).toBeLessThan(0.2);
});

it("finds the hands' top speed between their start and the finish", () => {
  // 30 cm in 20 ms before the hands start do not count; 20 cm in 100 ms on the way down do.
  const handsT = line([100, 0], [120, 30], [1100, 30], [1200, 50]);
  const { value, atMs } = measured("peakHandSpeed", { motion: { handsT } });
  expect(Math.abs(value - 200)).toBeLessThan(30);
  expect(Math.abs(atMs! - 1150)).toBeLessThanOrEqual(50);
});

it("tells when a prop falls only where one stands, and its fall was heard", () => {
  const prop = { rules: { prop: true } };
  expect(measured("propDropAt").why).toBe("otherKind");
  expect(measured("propDropAt", prop).why).toBe("notHeard");
  expect(values({ ...prop, rep: { knockMs: 1240 } }, "propDropAt")).toEqual([80]);
});
