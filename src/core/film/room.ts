import { body, type Pose, type MovementScript, simulate, TRUTH_HZ, sized } from "../figure";
import type { Vec3 } from "../maths";

/**
 * Where a movement goes, cm: T toward the target, U up, D toward the ball, from the middle between
 * the feet.
 */
export interface Room {
  /** Places that the body goes through, the head's top and the shoes' ends with it. */
  body: Vec3[];
  /** Places that the club's head goes through; none without a club. */
  club: Vec3[];
  /**
   * D of the toes as the golfer stands: the line on which a phone stands that looks from behind.
   */
  toes: number;
  /**
   * Height of the hips of one who stands, where the phone stands best.
   */
  hips: number;
}

/**
 * So many pictures a second tell where a movement goes: a club's head makes 40 cm from one to the
 * next at most.
 */
const HZ = 120;

/** Where a movement goes when a golfer of this stature does it. */
export function roomOf(script: MovementScript, statureCm: number): Room {
  const build = body(statureCm, "male", 1);
  const sim = simulate(build, sized(script, statureCm));
  const poses = sim.poses.filter((_, i) => i % (TRUTH_HZ / HZ) === 0);
  const hips = build.ankleHeight + build.shank + build.thigh;
  // Of one who stands, what is left over the ears up to the whole height.
  const crown = statureCm - (hips + build.trunk + build.neckToEars);
  const [first] = poses as [Pose, ...Pose[]];
  return {
    body: poses.flatMap((p) => places(p, crown)),
    club: script.club === null ? [] : poses.map((p) => p.clubHead),
    toes: (first.lead.toe[2] + first.trail.toe[2]) / 2,
    hips,
  };
}

const places = ({ head, midHands, lead, trail }: Pose, crown: number): Vec3[] => [
  [head[0], head[1] + crown, head[2]],
  midHands,
  ...[lead, trail].flatMap((s) => [s.shoulder, s.elbow, s.hip, s.knee, s.heel, s.toe]),
];
