import { cross, sub, type Vec3 } from "../../src/core/maths/vec3";

/**
 * A surface of triangles in world axes, cm, with a colour or a texture; rebuilt in place for each
 * frame.
 */
export interface Mesh {
  /** Vertices × (x, y, z). */
  positions: Float32Array;
  /** Vertices × unit normal. */
  normals: Float32Array;
  /** Vertices × (u, v), texture repeats. */
  uv: Float32Array;
  index: Uint16Array;
  skin: Skin;
}

/** Linear-light colour, flat or as a square texture of `size` (power of two) texels. */
export interface Skin {
  colour: Vec3;
  texture: { size: number; rgb: Float32Array } | null;
}

/**
 * One cross-section of a lofted surface: an ellipse round `at`, spanned by half-axes `a` and `b`
 * (cm, world axes).
 */
export interface Ring {
  at: Vec3;
  a: Vec3;
  b: Vec3;
}

const AROUND = 20;
const COS = Float64Array.from({ length: AROUND + 1 }, (_, c) =>
  Math.cos((2 * Math.PI * c) / AROUND),
);
const SIN = Float64Array.from({ length: AROUND + 1 }, (_, c) =>
  Math.sin((2 * Math.PI * c) / AROUND),
);

function grid(rows: number, columns: number, skin: Skin): Mesh {
  const n = rows * columns;
  const uv = new Float32Array(n * 2);
  const index: number[] = [];
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++) {
      uv[(r * columns + c) * 2] = c / (columns - 1);
      uv[(r * columns + c) * 2 + 1] = r / (rows - 1);
      if (r + 1 < rows && c + 1 < columns) {
        const p = r * columns + c;
        index.push(p, p + 1, p + columns, p + 1, p + columns + 1, p + columns);
      }
    }
  return {
    positions: new Float32Array(n * 3),
    normals: new Float32Array(n * 3),
    uv,
    index: Uint16Array.from(index),
    skin,
  };
}

/** A closed tube through rings: limbs, trunk and shoes are all lofts. */
export const loft = (rings: number, skin: Skin): Mesh => grid(rings, AROUND + 1, skin);

export function setRings(mesh: Mesh, rings: readonly Ring[]): void {
  const { positions, normals } = mesh;
  if (positions.length !== rings.length * (AROUND + 1) * 3)
    throw new RangeError(
      `this loft has ${positions.length / (AROUND + 1) / 3} rings, got ${rings.length}`,
    );
  let i = 0;
  for (const { at, a, b } of rings) {
    const [aa, bb] = [a[0] ** 2 + a[1] ** 2 + a[2] ** 2, b[0] ** 2 + b[1] ** 2 + b[2] ** 2];
    for (let c = 0; c <= AROUND; c++, i += 3) {
      const [x, y] = [COS[c]!, SIN[c]!];
      const n: Vec3 = [
        (a[0] * x) / aa + (b[0] * y) / bb,
        (a[1] * x) / aa + (b[1] * y) / bb,
        (a[2] * x) / aa + (b[2] * y) / bb,
      ];
      const long = Math.hypot(...n) || 1;
      for (let k = 0; k < 3; k++) {
        positions[i + k] = at[k]! + a[k]! * x + b[k]! * y;
        normals[i + k] = n[k]! / long;
      }
    }
  }
}

const LAT = 12;
const LON = 18;

/** An ellipsoid of unit size; `from` and `to` cut it by height, −1 … 1. */
export const ball = (skin: Skin): Mesh => grid(LAT + 1, LON + 1, skin);

/**
 * Places an ellipsoid: centre and three half-axes in world axes; only the part above `floor` (−1 …
 * 1 along the second axis).
 */
export function setBall(mesh: Mesh, at: Vec3, a: Vec3, b: Vec3, c: Vec3, floor = -1): void {
  const { positions, normals } = mesh;
  let i = 0;
  const size = [a, b, c].map((v) => v[0] ** 2 + v[1] ** 2 + v[2] ** 2 || 1);
  for (let r = 0; r <= LAT; r++) {
    const y = floor + ((1 - floor) * (1 - Math.cos((Math.PI * r) / LAT))) / 2;
    const radius = Math.sqrt(Math.max(0, 1 - y * y));
    for (let q = 0; q <= LON; q++, i += 3) {
      const w = (2 * Math.PI * q) / LON;
      const [x, z] = [radius * Math.cos(w), radius * Math.sin(w)];
      const n: Vec3 = [0, 0, 0];
      for (let k = 0; k < 3; k++) {
        positions[i + k] = at[k]! + a[k]! * x + b[k]! * y + c[k]! * z;
        n[k] = (a[k]! * x) / size[0]! + (b[k]! * y) / size[1]! + (c[k]! * z) / size[2]!;
      }
      const long = Math.hypot(...n) || 1;
      for (let k = 0; k < 3; k++) normals[i + k] = n[k]! / long;
    }
  }
}

/** Two unit axes across a direction. */
export function acrossOf(direction: Vec3): [Vec3, Vec3] {
  const side = cross(direction, Math.abs(direction[1]) > 0.9 ? [1, 0, 0] : [0, 1, 0]);
  const long = Math.hypot(...side);
  const a: Vec3 = [side[0] / long, side[1] / long, side[2] / long];
  return [a, sub(cross(direction, a), [0, 0, 0])];
}
