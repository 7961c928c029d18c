import { describe, expect, it } from "vitest";
import { seeded } from "../../core/maths/seeded";
import type { Frame } from "../decode";
import { Background, brightness } from "./background";

const [W, H] = [640, 360];
const NOBODY = { left: 280, top: 60, right: 360, bottom: 340 };

/** A wall with marks, moved by some pixels, with the sensor's noise; without marks a plain one. */
function wall(dx = 0, { marks = true, noise = 1, light = 120 } = {}, seed = 1): Frame {
  const random = seeded(seed);
  const data = new Uint8Array((W * H * 3) / 2).fill(128);
  for (let y = 0; y < H; y++)
    for (let x = 0; x < W; x++) {
      const mark =
        Math.floor((x - dx) / 23) % 3 === 0 && Math.floor(y / 31) % 2 === 0 && marks ? 60 : 0;
      data[y * W + x] = light + mark + noise * random.normal();
    }
  return {
    timeMs: 0,
    data,
    width: W,
    height: H,
    y: { offset: 0, stride: W, step: 1 },
    u: { offset: W * H, stride: W / 2, step: 1 },
    v: { offset: (W * H * 5) / 4, stride: W / 2, step: 1 },
    rotation: 0,
    matrix: "bt709",
    fullRange: false,
  };
}

describe("the background", () => {
  it("stands still where nothing but noise changes", () => {
    const still = new Background(wall(), NOBODY);
    for (let k = 2; k < 5; k++) expect(still.moved(wall(0, {}, k))).toBeLessThan(0.3);
  });

  it("moves by what a phone that sags moves it, step by step", () => {
    const sags = new Background(wall(), NOBODY);
    expect(sags.moved(wall(0, {}, 2))).toBeLessThan(0.3);
    for (const dx of [1, 2, 4]) expect(sags.moved(wall(dx, {}, 3))).toBeCloseTo(dx, 0);
  });

  it("is far away when most of it can't be found again", () => {
    const knocked = new Background(wall(), NOBODY);
    knocked.moved(wall(0, {}, 2));
    expect(knocked.moved(wall(0, { marks: false, light: 30 }, 3))).toBe(99);
  });

  it("tells nothing of a plain wall", () => {
    expect(new Background(wall(0, { marks: false }), NOBODY).moved(wall(9))).toBeNull();
  });

  it("does not look where the golfer is", () => {
    const everywhere = { left: 0, top: 0, right: W, bottom: H };
    expect(new Background(wall(), everywhere).moved(wall())).toBeNull();
  });
});

describe("brightness", () => {
  it("is the mean of a box", () => {
    const dim = brightness(wall(0, { marks: false, light: 40 }), NOBODY);
    expect(Math.abs(dim - 40)).toBeLessThan(1.5);
  });
});
