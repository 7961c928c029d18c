import { expect, it } from "vitest";
import { SCENE_FIT } from "./fitted";
import { facing } from "./facing";

/** What toes and nose show of a golfer seen from an angle off their front. */
const seen = (deg: number) => {
  const sine = Math.sin((deg * Math.PI) / 180);
  return facing(
    (SCENE_FIT.toesAtEase - sine) * SCENE_FIT.footForward,
    -sine * SCENE_FIT.noseForward,
  );
};

it.each([-48, -20, 0, 5, 30, 60])("tells a view %i° off the front", (deg) => {
  expect(seen(deg).deg).toBeCloseTo(deg, 5);
});

it("tells the two sides apart, and never more than a quarter turn", () => {
  expect(seen(90).sine).toBeGreaterThan(0.9);
  expect(seen(-90).sine).toBeLessThan(-0.9);
  expect(facing(0.4, 0.1).deg).toBe(-90);
});

it("is surer by both witnesses than by either", () => {
  expect(facing(0, 0).sd).toBeLessThan(Math.min(SCENE_FIT.toesSd, SCENE_FIT.noseSd));
});
