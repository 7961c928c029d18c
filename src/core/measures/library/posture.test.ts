import { expect, it } from "vitest";
import { level, line, measured, values } from "../../../../tests/core/handMade";
import { MEASURE_FIT } from "../fitted";

const leans = {
  // Shoulders 50 cm over the hips: 5 cm behind them at the top, level with them at address.
  motion: { shoulderT: line([200, 0], [1000, -5]), hipT: line([200, 0], [1000, 0]) },
};

it("tilts away from the target by the line from hips to shoulders", () => {
  expect(values(leans, "sideTiltAddress", "sideTiltTop", "sideTiltChange")).toEqual([0, 5.7, 5.7]);
});

it("takes the camera's roll off a tilt, but not off its change", () => {
  const rolled = { ...leans, rep: { roll: 2 } };
  expect(values(rolled, "sideTiltAddress", "sideTiltTop", "sideTiltChange")).toEqual([
    -2, 3.7, 5.7,
  ]);
});

it("tells the hands' height at the top over the shoulders", () => {
  const motion = { handsU: line([300, 75], [1000, 160], [1300, 70]), shoulderU: level(142) };
  expect(values({ motion }, "handHeightTop")).toEqual([18]);
});

it("takes the sharper of both elbows on the way back, not on the way down", () => {
  const arm = (bent: Float64Array) => ({
    shoulder: { t: level(0), u: level(140) },
    elbow: { t: level(0), u: level(110) },
    wrist: { t: bent, u: level(110) },
  });
  const joints = {
    lead: arm(line([0, 30])),
    trail: { ...arm(level(0)), wrist: { t: line([1000, 0], [1100, 60]), u: level(80) } },
  };
  expect(values({ joints }, "elbowAngleMinAddressToTop")).toEqual([90]);
});

it("from behind moves the body's rear edge toward the ball, and lets the back rise", () => {
  const motion = {
    view: "down-the-line" as const,
    rear: line([200, -3], [1000, -5], [1300, 4]),
    bend: line([200, 35], [1300, 24]),
  };
  const [top, strike, bend] = values({ motion }, "hipsToBallTop", "hipsToBall", "bendChange");
  expect([top, bend]).toEqual([-2, -11]);
  // The far buttock's edge stands nearer to the middle of the picture.
  expect(strike).toBeCloseTo(7 - MEASURE_FIT.farButtock, 1);
  expect(measured("hipsToBall", { motion, events: { impact: NaN } }).why).toBe("eventNotFound");
  expect(measured("hipsToBall").why).toBe("otherView");
});

it("turns the chest by how narrow its shoulders are at the top, against the stillness", () => {
  const half = line([200, 20], [700, 10], [1000, 10], [1300, 26]);
  const joints = {
    lead: { shoulder: { t: half, u: level(140) } },
    trail: { shoulder: { t: half.map((v) => -v), u: level(140) } },
  };
  const [turned] = values({ joints }, "thoraxTurnBack");
  expect(Math.abs(turned! - 60)).toBeLessThan(3);
});
