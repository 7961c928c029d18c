import { body } from "../figure/anthropometry";
import type { Pose } from "../figure/pose";
import type { MovementScript } from "../figure/script";
import { simulate, TRUTH_HZ } from "../figure/simulate";
import { sized } from "../figure/sized";
import type { Vec3 } from "../maths/vec3";

/** Where a movement goes, cm: T toward the target, U up, D toward the ball, from the middle between the feet. */
export interface Room {
  /** Places that the body goes through, the head's top and the shoes' ends with it. */
  body: Vec3[];
  /** Places that the club's head goes through; none without a club. */
  club: Vec3[];
}

/** So many pictures a second tell where a movement goes: a club's head makes 40 cm from one to the next at most. */
const HZ = 120;
/** Height of the head's top over its middle, share of stature (figure/anthropometry draws it so). */
const CROWN = 0.07;

/** Where a movement goes when a golfer of this stature does it. */
export function roomOf(script: MovementScript, statureCm: number): Room {
  const sim = simulate(body(statureCm, "male", 1), sized(script, statureCm));
  const poses = sim.poses.filter((_, i) => i % (TRUTH_HZ / HZ) === 0);
  return { body: poses.flatMap((p) => places(p, statureCm)), club: script.club === null ? [] : poses.map((p) => p.clubHead) };
}

const places = ({ head, midHands, lead, trail }: Pose, statureCm: number): Vec3[] => [
  [head[0], head[1] + CROWN * statureCm, head[2]], midHands, ...[lead, trail].flatMap((s) => [s.shoulder, s.elbow, s.hip, s.knee, s.heel, s.toe]),
];
