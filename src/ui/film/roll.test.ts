import { describe, expect, it } from "vitest";
import { rollOf } from "./roll";

/** What a device that is turned clockwise by so much feels, standing on one of its four sides. */
const turned = (deg: number, sign = 1): [number, number] => [
  -sign * 9.81 * Math.sin((deg * Math.PI) / 180),
  sign * 9.81 * Math.cos((deg * Math.PI) / 180),
];

describe("a device's roll", () => {
  it("is told from the nearest way of standing or lying, whichever sign a browser gives gravity", () => {
    for (const side of [0, 90, 180, 270])
      for (const deg of [-7, -1, 0, 3, 20])
        for (const sign of [1, -1]) expect(rollOf(...turned(side + deg, sign))).toBeCloseTo(deg, 6);
  });
});
