import { expect, it } from "vitest";
import { line, measured, values } from "../../../../tests/core/handMade";

const hold = (taken: number, lost: number) => ({
  rep: { kind: "hold" as const },
  events: { taken, lost },
});

it("holds from taking the position to losing it, or to the end of the film", () => {
  expect(values(hold(400, 1650), "holdTime")).toEqual([1.3]);
  expect(values(hold(400, Infinity), "holdTime")).toEqual([1.6]);
  expect(measured("holdTime", hold(NaN, 1000)).why).toBe("eventNotFound");
});

it("in a swing holds the finish until a foot steps or the hands drop", () => {
  expect(values({ events: { finish: 1300 } }, "holdTime")).toEqual([0.7]);
  const steps = { footEvents: [{ foot: "trail", event: "liftOff", ms: 1700 }] as never };
  expect(values({ events: { finish: 1300 }, rep: steps }, "holdTime")).toEqual([0.4]);
  const drops = { handsU: line([1500, 150], [2000, 60]) };
  const held = measured("holdTime", { events: { finish: 1300 }, motion: drops });
  expect(Math.abs(held.value - 0.2)).toBeLessThan(0.12);
});

it("wobbles by what the mass moves once the position has settled", () => {
  const comT = line([400, 0], [650, 8], [700, 0], [1000, 3], [1600, -1], [1900, 20]);
  expect(values({ ...hold(400, 1600), motion: { comT } }, "wobble")).toEqual([4]);
  // Lost before it had settled: nothing to tell.
  expect(measured("wobble", { ...hold(400, 900), motion: { comT } }).why).toBe("eventNotFound");
});
