import * as THREE from "three";
import type { Vec3 } from "../../src/core/maths/vec3";

/** One cross-section of a lofted surface: an ellipse round `at`, spanned by half-axes `a` and `b` (cm, world axes). */
export interface Ring {
  at: Vec3;
  a: Vec3;
  b: Vec3;
}

const AROUND = 20;

/** A closed tube through rings, rebuilt in place for each frame: limbs, trunk and shoes are all lofts. */
export class Loft {
  readonly mesh: THREE.Mesh;
  private readonly position: THREE.BufferAttribute;

  constructor(private readonly rings: number, material: THREE.Material) {
    const geometry = new THREE.BufferGeometry();
    const columns = AROUND + 1;
    this.position = new THREE.BufferAttribute(new Float32Array(rings * columns * 3), 3);
    const uv = new Float32Array(rings * columns * 2);
    const index: number[] = [];
    for (let r = 0; r < rings; r++)
      for (let c = 0; c <= AROUND; c++) {
        uv[(r * columns + c) * 2] = c / AROUND;
        uv[(r * columns + c) * 2 + 1] = r / (rings - 1);
        if (r + 1 < rings && c < AROUND) {
          const p = r * columns + c;
          index.push(p, p + 1, p + columns, p + 1, p + columns + 1, p + columns);
        }
      }
    geometry.setAttribute("position", this.position);
    geometry.setAttribute("uv", new THREE.BufferAttribute(uv, 2));
    geometry.setIndex(index);
    this.mesh = new THREE.Mesh(geometry, material);
    this.mesh.castShadow = true;
    this.mesh.frustumCulled = false;
  }

  update(rings: Ring[]): void {
    if (rings.length !== this.rings) throw new RangeError(`this loft has ${this.rings} rings, got ${rings.length}`);
    let i = 0;
    for (const { at, a, b } of rings)
      for (let c = 0; c <= AROUND; c++) {
        const w = (2 * Math.PI * c) / AROUND;
        const x = Math.cos(w);
        const y = Math.sin(w);
        this.position.setXYZ(i++, at[0] + a[0] * x + b[0] * y, at[1] + a[1] * x + b[1] * y, at[2] + a[2] * x + b[2] * y);
      }
    this.position.needsUpdate = true;
    this.mesh.geometry.computeVertexNormals();
  }
}
