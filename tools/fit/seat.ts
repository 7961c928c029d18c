/**
 * What a phone behind the golfer sees of the seat's rear edge, by exact bodies: from the line of the
 * toes, and from behind the seat itself. `npx tsx tools/fit/seat.ts` prints for the top and the
 * strike by how much what is seen differs from the truth of hipsToBall (docs/decisions/29).
 */
import { findStage } from "../../src/core/drills";
import { body } from "../../src/core/figure/anthropometry";
import type { Pose } from "../../src/core/figure/pose";
import { simulate } from "../../src/core/figure/simulate";
import { sized } from "../../src/core/figure/sized";
import { girth, PELVIS_RINGS, rearEdge, THIGH_RING } from "../../src/core/figure/surface";
import { truths } from "../../src/core/figure/truth/truth";
import { seeded } from "../../src/core/maths/seeded";
import { deviation, mean } from "../../src/core/maths/stats";
import { add, cross, mix, scale, sub, unit, type Vec3 } from "../../src/core/maths/vec3";
import { plainSwing } from "../clips/movements";

type Body = ReturnType<typeof body>;
/** Points of a ring of the body's surface. */
const POINTS = 48;
/** Rows of the seat, shares of stature over the heels. */
const ROWS = [0.4, 0.6] as const;

function surface(pose: Pose, b: Body): Vec3[] {
  const g = girth(b);
  const spine = unit(sub(pose.midShoulder, pose.midHip));
  const deep = unit(cross(pose.pelvisAcross, spine));
  const rings = [
    ...PELVIS_RINGS.map(([along, width, depth]) => ({
      at: add(pose.midHip, scale(spine, along * b.trunk)),
      a: scale(pose.pelvisAcross, width * g),
      b: scale(deep, depth * g),
    })),
    ...[pose.lead, pose.trail].flatMap((side) =>
      [0.02, 0.15, 0.3].map((down) => {
        const axis = unit(sub(side.knee, side.hip));
        const a = unit(cross(axis, [0, 0.1, 1]));
        const thin = g * (1 - 0.3 * down);
        return {
          at: mix(side.hip, side.knee, down),
          a: scale(a, THIGH_RING[0] * thin),
          b: scale(unit(cross(axis, a)), THIGH_RING[1] * thin),
        };
      }),
    ),
  ];
  return rings.flatMap((r) =>
    Array.from({ length: POINTS }, (_, k) => {
      const turn = (2 * Math.PI * k) / POINTS;
      return add(r.at, add(scale(r.a, Math.cos(turn)), scale(r.b, Math.sin(turn))));
    }),
  );
}

interface Lens {
  depth: number;
  distance: number;
  height: number;
}

/** The rearmost of what a lens sees of the seat, cm at the golfer's distance. */
function seen(pose: Pose, b: Body, { depth, distance, height }: Lens): number {
  let rear = Infinity;
  for (const p of surface(pose, b)) {
    const near = distance / (p[0] + distance);
    const up = (height + (p[1] - height) * near) / b.stature;
    if (up >= ROWS[0] && up <= ROWS[1]) rear = Math.min(rear, (p[2] - depth) * near);
  }
  return rear;
}

const { stage } = findStage("hips-on-wall", "whole-dtl");
const errors = new Map<string, number[]>();
for (let k = 0; k < 16; k++) {
  const r = seeded(500 + k);
  const b = body(155 + 40 * r.uniform(), k % 2 ? "female" : "male", 0.88 + 0.3 * r.uniform());
  const script = k < 8 ? plainSwing(r) : k < 12 ? stage.target!() : stage.faults![0]!.script();
  const sim = simulate(b, sized(script, b.stature));
  const [truth] = truths(sim, "down-the-line");
  const { events, measures } = truth!;
  const lens = { distance: 330 + 120 * r.uniform(), height: 85 + 40 * r.uniform() };
  const at = (ms: number) => sim.at(ms / 1000);
  const still = at(events.address!);
  for (const [name, depth] of [
    ["on the line of the toes", 25],
    ["behind the seat", rearEdge(still, b) + 3],
  ] as const)
    for (const [event, exact] of [
      ["top", measures.hipsToBallTop!],
      ["impact", measures.hipsToBall!],
    ] as const) {
      const moved =
        seen(at(events[event]!), b, { ...lens, depth }) - seen(still, b, { ...lens, depth });
      const key = `${name}, ${event}`;
      errors.set(key, [...(errors.get(key) ?? []), moved - exact]);
    }
}
for (const [key, e] of errors)
  console.log(
    `${key}: off by ${mean(e).toFixed(2)} ± ${deviation(e).toFixed(2)} cm, n ${e.length}`,
  );
