import * as THREE from "three";
import { add, cross, mix, norm, scale, sub, unit, type Vec3 } from "../../src/core/maths/vec3";
import type { Body } from "../../src/core/figure/anthropometry";
import type { Pose, Side } from "../../src/core/figure/pose";
import { Loft, type Ring } from "./loft";
import { cloth, type ClothPattern } from "./textures";

/** What the drawn golfer wears; colours as CSS strings. */
export interface Outfit {
  shirt: ClothPattern;
  trousers: ClothPattern;
  shoes: string;
  cap: string | null;
  hair: string;
  skin: string;
}

/** The drawn golfer: lofted trunk, limbs and shoes, a head with a face, and a club, moved by poses. */
export class GolferMesh {
  readonly group = new THREE.Group();
  private readonly lofts: Record<string, Loft> = {};
  private readonly head = new THREE.Group();
  private readonly hands: THREE.Mesh[] = [];
  private readonly shaft: THREE.Mesh;
  private readonly clubHead: THREE.Mesh;

  constructor(private readonly body: Body, private readonly mirror: 1 | -1, outfit: Outfit) {
    const matte = (map: THREE.Texture | null, color = "#ffffff") =>
      new THREE.MeshLambertMaterial({ map, color, side: THREE.DoubleSide });
    const shirt = matte(cloth(outfit.shirt, 3));
    const trousers = matte(cloth(outfit.trousers, 5));
    const skin = matte(null, outfit.skin);
    const shoes = matte(null, outfit.shoes);
    const loft = (name: string, rings: number, material: THREE.Material) => {
      this.lofts[name] = new Loft(rings, material);
      this.group.add(this.lofts[name].mesh);
    };
    loft("hips", 6, trousers);
    loft("chest", 9, shirt);
    loft("neck", 3, skin);
    for (const side of ["lead", "trail"]) {
      loft(`${side}Leg`, 11, trousers);
      loft(`${side}Sleeve`, 5, shirt);
      loft(`${side}Arm`, 9, skin);
      loft(`${side}Shoe`, 9, shoes);
    }
    this.buildHead(outfit, skin);
    this.group.add(this.head);
    for (const color of [outfit.skin, "#f2f0ea"]) {
      const hand = new THREE.Mesh(new THREE.SphereGeometry(4.3, 14, 12), matte(null, color));
      hand.castShadow = true;
      this.hands.push(hand);
      this.group.add(hand);
    }
    const steel = new THREE.MeshLambertMaterial({ color: "#b9bec2" });
    this.shaft = new THREE.Mesh(new THREE.CylinderGeometry(0.55, 0.8, 1, 8), steel);
    this.clubHead = new THREE.Mesh(new THREE.BoxGeometry(8, 3.6, 2.4), steel);
    this.shaft.castShadow = true;
    this.group.add(this.shaft, this.clubHead);
  }

  private buildHead(outfit: Outfit, skin: THREE.Material): void {
    const part = (geometry: THREE.BufferGeometry, material: THREE.Material, at: Vec3, size: Vec3 = [1, 1, 1]) => {
      const mesh = new THREE.Mesh(geometry, material);
      mesh.position.set(...at);
      mesh.scale.set(...size);
      mesh.castShadow = true;
      this.head.add(mesh);
    };
    const ball = new THREE.SphereGeometry(1, 24, 18);
    const flat = (color: string) => new THREE.MeshLambertMaterial({ color });
    part(ball, skin, [0, 0.5, 1], [7.4, 10.6, 9.2]);
    part(ball, skin, [0, -5, 3.4], [5.4, 5.6, 5.8]);
    part(ball, skin, [0, -1.2, 10.4], [1.4, 2.4, 1.8]);
    for (const x of [-1, 1]) {
      part(ball, skin, [x * 7.5, 0, 0], [1, 2.9, 1.9]);
      part(ball, flat("#fbfaf6"), [x * 2.9, 1.6, 9], [1.5, 0.9, 0.8]);
      part(ball, flat("#2a1c14"), [x * 2.9, 1.6, 9.5], [0.75, 0.8, 0.5]);
      part(ball, flat(outfit.hair), [x * 2.9, 3.6, 9.2], [1.9, 0.45, 0.6]);
    }
    part(ball, flat("#8c3b34"), [0, -5.4, 9], [2.4, 0.7, 0.7]);
    part(ball, flat(outfit.hair), [0, 3, -1.6], [7.9, 9.2, 8.6]);
    if (outfit.cap) {
      part(new THREE.SphereGeometry(1, 24, 12, 0, Math.PI * 2, 0, Math.PI / 2), flat(outfit.cap), [0, 3.6, 0.4], [8.6, 8.8, 9.8]);
      part(new THREE.CylinderGeometry(1, 1, 1, 24), flat(outfit.cap), [0, 4.4, 9.2], [6, 0.7, 6]);
    }
  }

  update(pose: Pose): void {
    const m = this.mirror;
    const w = (p: Vec3): Vec3 => [p[0] * m, p[1], p[2]];
    const g = this.body.build * (this.body.stature / 178);
    const spine = unit(sub(pose.midShoulder, pose.midHip));
    const ring = (s: number, halfWidth: number, halfDepth: number, blend: number): Ring => {
      const across = unit(mix(pose.pelvisAcross, pose.thoraxAcross, blend));
      return {
        at: w(add(pose.midHip, scale(spine, s * this.body.trunk))),
        a: w(scale(across, halfWidth * g)),
        b: w(scale(unit(cross(across, spine)), halfDepth * g)),
      };
    };
    this.lofts.hips!.update([
      ring(-0.24, 7, 6, 0), ring(-0.2, 14, 10.5, 0), ring(-0.06, 17.4, 12.6, 0), ring(0.06, 16.8, 12.4, 0.05),
      ring(0.16, 15.6, 11.4, 0.1), ring(0.2, 15.2, 11, 0.12),
    ]);
    this.lofts.chest!.update([
      ring(0.12, 16.3, 12, 0.08), ring(0.24, 15.6, 11.4, 0.2), ring(0.4, 15.5, 11, 0.4), ring(0.58, 16.8, 11.8, 0.66),
      ring(0.74, 18, 12, 0.86), ring(0.86, 18.8, 11.4, 1), ring(0.95, 18, 9.6, 1), ring(1.03, 12.5, 7.6, 1), ring(1.08, 6.6, 6.2, 1),
    ]);
    const neckAxis = unit(sub(pose.head, pose.midShoulder));
    const neckSide = unit(cross(neckAxis, [0, 0, 1]));
    this.lofts.neck!.update([0, 0.4, 0.8].map((s) => ({
      at: w(mix(add(pose.midShoulder, scale(spine, 1)), pose.head, s)),
      a: w(scale(neckSide, 5.6 * g)),
      b: w(scale(unit(cross(neckSide, neckAxis)), 5.6 * g)),
    })));
    for (const name of ["lead", "trail"] as const) this.limbs(name, pose[name], w, g);

    const earAxis = unit(sub(pose.lead.ear, pose.trail.ear));
    const z = pose.headFacing;
    const y = unit(cross(z, earAxis));
    const basis = new THREE.Matrix4().makeBasis(
      new THREE.Vector3(...w(earAxis)).multiplyScalar(m), new THREE.Vector3(...w(y)), new THREE.Vector3(...w(z)),
    );
    this.head.setRotationFromMatrix(basis);
    this.head.position.set(...w(pose.head));
    this.head.scale.setScalar(this.body.stature / 178);

    const grip = w(pose.midHands);
    const club = w(pose.clubHead);
    const line = unit(sub(club, grip));
    this.hands[0]!.position.set(...add(grip, scale(line, 3.2)));
    this.hands[1]!.position.set(...sub(grip, scale(line, 3.2)));
    const butt = sub(grip, scale(line, 10));
    const length = norm(sub(club, butt));
    this.shaft.scale.set(1, length, 1);
    this.shaft.position.set(...mix(butt, club, 0.5));
    this.shaft.quaternion.setFromUnitVectors(new THREE.Vector3(0, -1, 0), new THREE.Vector3(...line));
    this.clubHead.position.set(...club);
    this.clubHead.quaternion.copy(this.shaft.quaternion);
  }

  private limbs(name: "lead" | "trail", side: Side, w: (p: Vec3) => Vec3, g: number): void {
    const tube = (points: Vec3[], radii: [number, number][]): Ring[] =>
      points.map((p, i) => {
        const axis = unit(sub(points[Math.min(i + 1, points.length - 1)]!, points[Math.max(i - 1, 0)]!));
        const a = unit(cross(axis, [0, 0.1, 1]));
        return { at: w(p), a: w(scale(a, radii[i]![0] * g)), b: w(scale(unit(cross(axis, a)), radii[i]![1] * g)) };
      });
    const bendy = (a: Vec3, b: Vec3, c: Vec3, upper: number[], lower: number[]) => {
      const rounded = mix(b, mix(mix(a, b, 0.88), mix(b, c, 0.12), 0.5), 0.5);
      return [...upper.map((s) => mix(a, b, s)), rounded, ...lower.map((s) => mix(b, c, s))];
    };
    this.lofts[`${name}Leg`]!.update(tube(
      bendy(side.hip, side.knee, side.ankle, [-0.04, 0.15, 0.35, 0.6, 0.86], [0.14, 0.35, 0.6, 0.85, 1.02]),
      [[9.8, 10.4], [9.9, 10.6], [9.3, 10], [8.3, 8.9], [7.4, 7.9], [7, 7.3], [6.9, 7.4], [7, 7.8], [6.5, 7], [6.2, 6.7], [6.2, 6.7]],
    ));
    const arm = bendy(side.shoulder, side.elbow, side.wrist, [0, 0.25, 0.5, 0.85], [0.15, 0.4, 0.7, 1]);
    this.lofts[`${name}Arm`]!.update(tube(arm, [[5.2, 5.2], [5.2, 5.2], [4.8, 4.8], [4.2, 4.2], [4.1, 4.1], [4.3, 4.3], [4.2, 4.2], [3.5, 3.5], [2.9, 2.9]]));
    this.lofts[`${name}Sleeve`]!.update(tube(
      [-0.16, -0.06, 0.12, 0.42, 0.7].map((s) => mix(side.shoulder, side.elbow, s)),
      [[1.2, 1.2], [4.8, 4.8], [6, 6.2], [6, 6.2], [6.3, 6.3]],
    ));
    this.lofts[`${name}Shoe`]!.update(this.shoe(side, w));
  }

  private shoe(side: Side, w: (p: Vec3) => Vec3): Ring[] {
    const k = this.body.stature / 178;
    const flat = unit([side.toe[0] - side.heel[0], 0, side.toe[2] - side.heel[2]]);
    const ball = sub(side.toe, scale(flat, 0.22 * this.body.foot));
    const back = unit(sub(ball, side.heel));
    const across = unit(cross([0, 1, 0], flat));
    const sole = 2 * k;
    // Along the shoe: distance from the ball (cm, before stature), half-width, height of the upper.
    const outline: [number, number, number][] = [
      [-22.4, 2.2, 5.5], [-21, 3.5, 8.6], [-17, 3.9, 9.4], [-12, 3.9, 8.4], [-6, 4.5, 6.6], [0, 5, 5.2], [4, 4.8, 4.5], [7, 3.6, 3.8], [8.4, 1.6, 2.4],
    ];
    return outline.map(([x, half, high]) => {
      const axis = x < 0 ? back : flat;
      const up = unit(cross(axis, across));
      const at = add(add(ball, scale(axis, x * k)), scale(up, (high / 2) * k - sole));
      return { at: w(at), a: w(scale(across, half * k)), b: w(scale(up, (high / 2) * k)) };
    });
  }
}
