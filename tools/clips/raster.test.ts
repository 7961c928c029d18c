import { expect, it } from "vitest";
import type { Vec3 } from "../../src/core/maths/vec3";
import { pinhole } from "./camera";
import type { Mesh } from "./mesh";
import { Raster } from "./raster";

const [WIDTH, HEIGHT] = [320, 180];
const cam = pinhole({
  view: "face-on",
  golfer: { hand: "right" },
  camera: {
    distance: 400,
    height: 100,
    fov: 60,
    roll: 0,
    yaw: 0,
    width: WIDTH,
    height_px: HEIGHT,
    fps: 60,
  },
});
const light = {
  sky: [1, 1, 1] as Vec3,
  ground: [1, 1, 1] as Vec3,
  sun: [0, 0, 0] as Vec3,
  toSun: [0.5, 0.8, 0.33] as Vec3,
};

/** An upright square that faces the camera. */
function card(at: Vec3, half: number, colour: Vec3): Mesh {
  const corners: Vec3[] = [
    [-1, -1, 0],
    [1, -1, 0],
    [1, 1, 0],
    [-1, 1, 0],
  ];
  return {
    positions: Float32Array.from(
      corners.flatMap(([x, y]) => [at[0] + x * half, at[1] + y * half, at[2]]),
    ),
    normals: Float32Array.from(corners.flatMap(() => [0, 0, 1])),
    uv: new Float32Array(8),
    index: Uint16Array.of(0, 1, 2, 0, 2, 3),
    skin: { colour, texture: null },
  };
}
function drawn(meshes: Mesh[], ground = 200) {
  const rgb = new Uint8ClampedArray(WIDTH * HEIGHT * 3).fill(ground);
  new Raster(WIDTH, HEIGHT).draw(rgb, meshes, [() => {}], cam, light);
  return rgb;
}
const red = (rgb: Uint8ClampedArray) =>
  Array.from({ length: WIDTH * HEIGHT }, (_, i) => i).filter(
    (i) => rgb[i * 3]! > rgb[i * 3 + 1]! + 40,
  );

it("draws a thing where the camera's own geometry puts it, as large as it must be", () => {
  const at: Vec3 = [20, 110, 5];
  const pixels = red(drawn([card(at, 20, [1, 0, 0])]));
  const side = (40 / (cam.position[2] - at[2])) * cam.focalPx;
  expect(Math.abs(pixels.length - side * side) / (side * side)).toBeLessThan(0.08);
  const corners = [
    [-20, -20],
    [20, -20],
    [20, 20],
    [-20, 20],
  ].map(([dx, dy]) => cam.project([at[0] + dx!, at[1] + dy!, at[2]]));
  const [x, y] = [0, 1].map((axis) => corners.reduce((s, c) => s + c[axis as 0 | 1] / 4, 0)) as [
    number,
    number,
  ];
  const mean = (of: (i: number) => number) => pixels.reduce((s, i) => s + of(i), 0) / pixels.length;
  expect(Math.abs(mean((i) => i % WIDTH) + 0.5 - x)).toBeLessThan(0.5);
  expect(Math.abs(mean((i) => Math.floor(i / WIDTH)) + 0.5 - y)).toBeLessThan(0.5);
});

it("hides what is behind, whichever is drawn first", () => {
  const near = card([0, 110, 60], 25, [0, 1, 0]);
  const far = card([0, 110, -60], 25, [1, 0, 0]);
  expect(red(drawn([far, near]))).toEqual([]);
  expect(red(drawn([near, far]))).toEqual([]);
});

it("leaves every pixel alone that nothing covers or shades", () => {
  const rgb = drawn([card([0, 110, 5], 10, [1, 0, 0])]);
  expect(rgb.subarray(0, WIDTH * 20 * 3).every((v) => v === 200)).toBe(true);
});
