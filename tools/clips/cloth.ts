import type { Vec3 } from "../../src/core/maths/vec3";
import { seeded } from "../../src/core/maths/seeded";
import type { Skin } from "./mesh";

export interface ClothPattern {
  base: string;
  second: string;
  kind: "plain" | "stripes" | "checks" | "leaves";
}

/** sRGB 0–255 to linear light 0–1. */
export const toLinear = (v: number): number => {
  const s = v / 255;
  return s <= 0.04045 ? s / 12.92 : ((s + 0.055) / 1.055) ** 2.4;
};

export function hex(colour: string): Vec3 {
  const full = colour.length === 4 ? `#${[...colour.slice(1)].map((c) => c + c).join("")}` : colour;
  return [1, 3, 5].map((i) => toLinear(parseInt(full.slice(i, i + 2), 16))) as unknown as Vec3;
}

export const flat = (colour: string): Skin => ({ colour: hex(colour), texture: null });

const SIZE = 256;

/**
 * A woven-looking cloth: the pattern, then folds and grain, so that limbs of one colour can still
 * be told apart.
 */
export function cloth(pattern: ClothPattern, seed: number): Skin {
  const random = seeded(seed);
  const [base, second] = [hex(pattern.base), hex(pattern.second)];
  const mix = new Float32Array(SIZE * SIZE);
  const each = (paint: (x: number, y: number) => number) => {
    for (let y = 0; y < SIZE; y++)
      for (let x = 0; x < SIZE; x++) mix[y * SIZE + x] = Math.max(mix[y * SIZE + x]!, paint(x, y));
  };
  if (pattern.kind === "stripes") each((_, y) => (y % 22 < 7 ? 1 : 0));
  if (pattern.kind === "checks") each((x, y) => (x % 32 < 4 || y % 32 < 4 ? 0.5 : 0));
  if (pattern.kind === "leaves")
    for (let k = 0; k < 90; k++) {
      const [cx, cy, turn] = [
        random.uniform() * SIZE,
        random.uniform() * SIZE,
        random.uniform() * 6.3,
      ];
      spot(cx, cy, 9, (dx, dy, i) => {
        const [u, v] = [
          dx * Math.cos(turn) + dy * Math.sin(turn),
          dy * Math.cos(turn) - dx * Math.sin(turn),
        ];
        if ((u / 9) ** 2 + (v / 4) ** 2 < 1) mix[i] = 1;
      });
    }
  const light = new Float32Array(SIZE * SIZE).fill(1);
  for (let k = 0; k < 46; k++) {
    const [cx, cy, r] = [
      random.uniform() * SIZE,
      random.uniform() * SIZE,
      12 + random.uniform() * 34,
    ];
    const deep = random.uniform() < 0.5 ? -0.26 : 0.2;
    spot(cx, cy, r, (dx, dy, i) => {
      light[i]! *= 1 + deep * Math.max(0, 1 - Math.hypot(dx, dy) / r);
    });
  }
  const rgb = new Float32Array(SIZE * SIZE * 3);
  for (let i = 0; i < SIZE * SIZE; i++) {
    const grain = 1 + random.normal() * 0.1;
    for (let c = 0; c < 3; c++)
      rgb[i * 3 + c] = Math.max(
        0,
        (base[c]! + (second[c]! - base[c]!) * mix[i]!) * light[i]! * grain,
      );
  }
  return { colour: [1, 1, 1], texture: { size: SIZE, rgb } };
}

/** Visits the texels within `r` of a place, round the texture's edges. */
function spot(
  cx: number,
  cy: number,
  r: number,
  visit: (dx: number, dy: number, index: number) => void,
): void {
  for (let y = Math.floor(cy - r); y <= cy + r; y++)
    for (let x = Math.floor(cx - r); x <= cx + r; x++)
      visit(x - cx, y - cy, ((y + SIZE) % SIZE) * SIZE + ((x + SIZE) % SIZE));
}
