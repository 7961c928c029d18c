import { add, cross, mix, norm, scale, sub, unit, type Vec3 } from "../../src/core/maths/vec3";
import type { Body } from "../../src/core/figure/anthropometry";
import type { Pose, Side } from "../../src/core/figure/pose";
import { girth, PELVIS_RINGS, THIGH_RING } from "../../src/core/figure/surface";
import { cloth, flat, type ClothPattern } from "./cloth";
import { acrossOf, ball, loft, setBall, setRings, type Mesh, type Ring, type Skin } from "./mesh";

/** What the drawn golfer wears; colours as CSS hex. */
export interface Outfit {
  shirt: ClothPattern;
  trousers: ClothPattern;
  shoes: string;
  cap: string | null;
  hair: string;
  skin: string;
  /** Girth of shirt and trousers against close-fitting ones. */
  loose?: number;
}

/**
 * Parts of the head: centre, half-axes along ears, up and face, cm; what they are made of; how much
 * of them from the top.
 */
interface HeadPart {
  mesh: Mesh;
  at: Vec3;
  size: Vec3;
  floor: number;
}

/**
 * The drawn golfer: lofted trunk, limbs and shoes, a head with a face, and a club, moved by poses.
 */
export class GolferMesh {
  readonly meshes: Mesh[] = [];
  private readonly lofts: Record<string, Mesh> = {};
  private readonly head: HeadPart[] = [];
  private readonly hands: Mesh[];
  private readonly shaft: Mesh | null = null;
  private readonly clubHead: Mesh | null = null;

  constructor(
    private readonly body: Body,
    private readonly mirror: 1 | -1,
    private readonly outfit: Outfit,
    club = true,
  ) {
    const shirt = cloth(outfit.shirt, 3);
    const trousers = cloth(outfit.trousers, 5);
    const skin = flat(outfit.skin);
    const make = (name: string, rings: number, of: Skin) =>
      this.meshes.push((this.lofts[name] = loft(rings, of)));
    make("hips", 6, trousers);
    make("chest", 9, shirt);
    make("neck", 3, skin);
    for (const side of ["lead", "trail"]) {
      make(`${side}Leg`, 11, trousers);
      make(`${side}Sleeve`, 5, shirt);
      make(`${side}Arm`, 9, skin);
      make(`${side}Shoe`, 11, flat(outfit.shoes));
    }
    this.buildHead(skin);
    this.hands = [outfit.skin, "#f2f0ea"].map((colour) => ball(flat(colour)));
    this.meshes.push(...this.hands);
    if (club) {
      this.meshes.push((this.shaft = loft(2, flat("#b9bec2"))));
      this.meshes.push((this.clubHead = ball(flat("#a9aeb2"))));
    }
  }

  private buildHead(skin: Skin): void {
    const { cap, hair } = this.outfit;
    const part = (of: Skin, at: Vec3, size: Vec3, floor = -1) => {
      const mesh = ball(of);
      this.meshes.push(mesh);
      this.head.push({ mesh, at, size, floor });
    };
    part(skin, [0, 0.5, 1], [7.4, 10.6, 9.2]);
    part(skin, [0, -5, 3.4], [5.4, 5.6, 5.8]);
    part(skin, [0, -1.2, 10.4], [1.4, 2.4, 1.8]);
    for (const x of [-1, 1]) {
      part(skin, [x * 7.5, 0, 0], [1, 2.9, 1.9]);
      part(flat("#fbfaf6"), [x * 2.9, 1.6, 9], [1.5, 0.9, 0.8]);
      part(flat("#2a1c14"), [x * 2.9, 1.6, 9.5], [0.75, 0.8, 0.5]);
      part(flat(hair), [x * 2.9, 3.6, 9.2], [1.9, 0.45, 0.6]);
    }
    part(flat("#8c3b34"), [0, -5.4, 9], [2.4, 0.7, 0.7]);
    part(flat(hair), [0, 3, -1.6], [7.9, 9.2, 8.6]);
    if (cap) {
      part(flat(cap), [0, 3.6, 0.4], [8.6, 8.8, 9.8], 0);
      part(flat(cap), [0, 4.4, 9.2], [6, 0.5, 6]);
    }
  }

  update(pose: Pose): void {
    const m = this.mirror;
    const w = (p: Vec3): Vec3 => [p[0] * m, p[1], p[2]];
    const g = girth(this.body);
    const loose = this.outfit.loose ?? 1;
    const spine = unit(sub(pose.midShoulder, pose.midHip));
    const ring = (s: number, halfWidth: number, halfDepth: number, blend: number): Ring => {
      const across = unit(mix(pose.pelvisAcross, pose.thoraxAcross, blend));
      return {
        at: w(add(pose.midHip, scale(spine, s * this.body.trunk))),
        a: w(scale(across, halfWidth * g * loose)),
        b: w(scale(unit(cross(across, spine)), halfDepth * g * loose)),
      };
    };
    setRings(
      this.lofts.hips!,
      PELVIS_RINGS.map(([along, halfWidth, halfDepth]) =>
        ring(along, halfWidth, halfDepth, Math.max(0, along) * 0.6),
      ),
    );
    setRings(this.lofts.chest!, [
      ring(0.12, 16.3, 12, 0.08),
      ring(0.24, 15.6, 11.4, 0.2),
      ring(0.4, 15.5, 11, 0.4),
      ring(0.58, 16.8, 11.8, 0.66),
      ring(0.74, 18, 12, 0.86),
      ring(0.86, 18.8, 11.4, 1),
      ring(0.95, 18, 9.6, 1),
      ring(1.03, 12.5, 7.6, 1),
      ring(1.08, 6.6, 6.2, 1),
    ]);
    const neckAxis = unit(sub(pose.head, pose.midShoulder));
    const neckSide = unit(cross(neckAxis, [0, 0, 1]));
    setRings(
      this.lofts.neck!,
      [0, 0.4, 0.8].map((s) => ({
        at: w(mix(add(pose.midShoulder, scale(spine, 1)), pose.head, s)),
        a: w(scale(neckSide, 5.6 * g)),
        b: w(scale(unit(cross(neckSide, neckAxis)), 5.6 * g)),
      })),
    );
    for (const name of ["lead", "trail"] as const) this.limbs(name, pose[name], w, g, loose);

    const k = this.body.stature / 178;
    const x = unit(sub(pose.lead.ear, pose.trail.ear));
    const z = pose.headFacing;
    const y = unit(cross(z, x));
    for (const { mesh, at, size, floor } of this.head) {
      const centre = add(
        pose.head,
        add(add(scale(x, at[0] * k), scale(y, at[1] * k)), scale(z, at[2] * k)),
      );
      setBall(
        mesh,
        w(centre),
        w(scale(x, size[0] * k)),
        w(scale(y, size[1] * k)),
        w(scale(z, size[2] * k)),
        floor,
      );
    }
    this.handsAndClub(pose, w);
  }

  private handsAndClub(pose: Pose, w: (p: Vec3) => Vec3): void {
    const line = unit(sub(pose.clubHead, pose.midHands));
    // Each hand at the end of its own arm, one below the other on the grip.
    const handOf = (side: Side) =>
      add(side.wrist, scale(unit(sub(side.wrist, side.elbow)), this.body.hand));
    const [trail, lead] = [handOf(pose.trail), handOf(pose.lead)];
    const stacked = Math.max(0, 1 - norm(sub(lead, trail)) / 8) * 3.2;
    const round = (mesh: Mesh, at: Vec3) =>
      setBall(mesh, w(at), [4.3, 0, 0], [0, 4.3, 0], [0, 0, 4.3]);
    round(this.hands[0]!, add(trail, scale(line, stacked)));
    round(this.hands[1]!, sub(lead, scale(line, stacked)));
    if (!this.shaft || !this.clubHead) return;
    const [a, b] = acrossOf(line);
    const butt = sub(pose.midHands, scale(line, 10));
    setRings(
      this.shaft,
      [butt, pose.clubHead].map((at, i) => ({
        at: w(at),
        a: w(scale(a, i ? 0.55 : 0.9)),
        b: w(scale(b, i ? 0.55 : 0.9)),
      })),
    );
    setBall(
      this.clubHead,
      w(pose.clubHead),
      w(scale(a, 4.5)),
      w(scale(line, 2.2)),
      w(scale(b, 1.6)),
    );
  }

  private limbs(
    name: "lead" | "trail",
    side: Side,
    w: (p: Vec3) => Vec3,
    g: number,
    loose: number,
  ): void {
    const tube = (
      points: Vec3[],
      radii: readonly (readonly [number, number])[],
      k: number,
    ): Ring[] =>
      points.map((p, i) => {
        const axis = unit(
          sub(points[Math.min(i + 1, points.length - 1)]!, points[Math.max(i - 1, 0)]!),
        );
        const a = unit(cross(axis, [0, 0.1, 1]));
        return {
          at: w(p),
          a: w(scale(a, radii[i]![0] * k)),
          b: w(scale(unit(cross(axis, a)), radii[i]![1] * k)),
        };
      });
    const bendy = (a: Vec3, b: Vec3, c: Vec3, upper: number[], lower: number[]) => {
      const rounded = mix(b, mix(mix(a, b, 0.88), mix(b, c, 0.12), 0.5), 0.5);
      return [...upper.map((s) => mix(a, b, s)), rounded, ...lower.map((s) => mix(b, c, s))];
    };
    setRings(
      this.lofts[`${name}Leg`]!,
      tube(
        bendy(
          side.hip,
          side.knee,
          side.ankle,
          [-0.04, 0.15, 0.35, 0.6, 0.86],
          [0.14, 0.35, 0.6, 0.85, 1.02],
        ),
        [
          THIGH_RING,
          [9.9, 10.6],
          [9.3, 10],
          [8.3, 8.9],
          [7.4, 7.9],
          [7, 7.3],
          [6.9, 7.4],
          [7, 7.8],
          [6.5, 7],
          [6.2, 6.7],
          [6.2, 6.7],
        ],
        g * loose,
      ),
    );
    const arm = bendy(
      side.shoulder,
      side.elbow,
      side.wrist,
      [0, 0.25, 0.5, 0.85],
      [0.15, 0.4, 0.7, 1],
    );
    setRings(
      this.lofts[`${name}Arm`]!,
      tube(
        arm,
        [
          [5.2, 5.2],
          [5.2, 5.2],
          [4.8, 4.8],
          [4.2, 4.2],
          [4.1, 4.1],
          [4.3, 4.3],
          [4.2, 4.2],
          [3.5, 3.5],
          [2.9, 2.9],
        ],
        g,
      ),
    );
    setRings(
      this.lofts[`${name}Sleeve`]!,
      tube(
        [-0.16, -0.06, 0.12, 0.42, 0.7].map((s) => mix(side.shoulder, side.elbow, s)),
        [
          [1.2, 1.2],
          [4.8, 4.8],
          [6, 6.2],
          [6, 6.2],
          [6.3, 6.3],
        ],
        g * loose,
      ),
    );
    setRings(this.lofts[`${name}Shoe`]!, this.shoe(side, w));
  }

  private shoe(side: Side, w: (p: Vec3) => Vec3): Ring[] {
    const k = this.body.stature / 178;
    const along = sub(side.toe, side.heel);
    const flatWay = unit([along[0], 0, along[2]]);
    // A toe that is up tilts the whole shoe about its heel; a heel that is up bends it at the ball.
    const toeUp = side.toe[1] > side.heel[1] + 0.05;
    const ahead = toeUp ? unit(along) : flatWay;
    const ballAt = sub(side.toe, scale(ahead, 0.22 * this.body.foot));
    const back = unit(sub(ballAt, side.heel));
    const across = unit(cross([0, 1, 0], flatWay));
    const sole = 2 * k;
    // Along the shoe: distance from the ball (cm, before stature), half-width, height of the upper.
    const outline: [number, number, number][] = [
      [-22.6, 0.3, 4],
      [-22.4, 2.2, 5.5],
      [-21, 3.5, 8.6],
      [-17, 3.9, 9.4],
      [-12, 3.9, 8.4],
      [-6, 4.5, 6.6],
      [0, 5, 5.2],
      [4, 4.8, 4.5],
      [7, 3.6, 3.8],
      [8.4, 1.6, 2.4],
      [8.6, 0.3, 1.6],
    ];
    return outline.map(([x, half, high]) => {
      const axis = x < 0 ? back : ahead;
      const up = unit(cross(axis, across));
      const at = add(add(ballAt, scale(axis, x * k)), scale(up, (high / 2) * k - sole));
      return { at: w(at), a: w(scale(across, half * k)), b: w(scale(up, (high / 2) * k)) };
    });
  }
}
