import { expect, it } from "vitest";
import { PictureRate } from "./pictureRate";

it("a camera's rate is known from its second picture, and follows it when it slows down", () => {
  const rate = new PictureRate();
  rate.came(0);
  expect(rate.fps).toBeNull();
  for (let k = 1; k < 40; k++) rate.came(k * 20);
  expect(rate.fps).toBeCloseTo(50, 6);
  for (let k = 0; k < 60; k++) rate.came(800 + k * 40);
  expect(rate.fps).toBeGreaterThan(25);
  expect(rate.fps).toBeLessThan(26);
});

it("a pause is no slow picture", () => {
  const rate = new PictureRate();
  for (let k = 0; k < 10; k++) rate.came(k * 20);
  rate.paused();
  rate.came(60_000);
  rate.came(60_020);
  expect(rate.fps).toBeCloseTo(50, 6);
});
