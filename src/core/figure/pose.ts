import {
  add,
  cross,
  dot,
  norm,
  rotate,
  scale,
  sub,
  unit,
  type Vec3,
  curve,
  type Curve,
  type Knot,
} from "../maths";
import type { Body } from "./anthropometry";
import { footPath, type FootPlace } from "./footPath";
import type { MovementScript } from "./script";

/** Exact 3-D joints at one instant, cm, [T, U, D]. */
export interface Pose {
  midHip: Vec3;
  midShoulder: Vec3;
  /** Middle between the ears. */
  head: Vec3;
  headFacing: Vec3;
  headUp: Vec3;
  pelvisAcross: Vec3;
  thoraxAcross: Vec3;
  midHands: Vec3;
  clubHead: Vec3;
  lead: Side;
  trail: Side;
}

export interface Side {
  hip: Vec3;
  knee: Vec3;
  ankle: Vec3;
  heel: Vec3;
  toe: Vec3;
  shoulder: Vec3;
  elbow: Vec3;
  wrist: Vec3;
  ear: Vec3;
}

/** A script made ready to be asked for poses. */
export interface Poser {
  /** The pose at `t` s with mid-hip at `pelvisT`, `pelvisD` cm along T and D. */
  pose(t: number, pelvisT: number, pelvisD: number): Pose;
  foot(side: "lead" | "trail", t: number): FootPlace;
}

const UP: Vec3 = [0, 1, 0];
const optional = (knots: Knot[] | undefined) => curve(knots?.length ? knots : [[0, 0]]);

/** Prepares a body and a script; pure, every call of `pose` stands alone. */
// eslint-disable-next-line max-lines-per-function -- one skeleton, joint after joint from the ground up
export function poser(body: Body, script: MovementScript): Poser {
  const c = {
    swing: curve(script.armSwing),
    reach: curve(script.reach),
    cock: curve(script.wristCock),
    pelvis: curve(script.pelvisTurn),
    thorax: curve(script.thoraxTurn),
    tilt: curve(script.sideTilt),
    bend: curve(script.forwardBend),
    rise: curve(script.pelvisRise),
    neck: optional(script.neckLean),
    heading: optional(script.heading),
    apart: optional(script.handsApart),
    leadKnee: optional(script.leadKneeAside),
    trailKnee: optional(script.trailKneeAside),
    clubAhead: optional(script.clubAhead),
  };
  const feet = {
    lead: footPath(body, script.feet.lead, 1),
    trail: footPath(body, script.feet.trail, -1),
  };
  const legs = body.thigh + body.shank;
  const hipHeight = body.ankleHeight + legs * 0.955;
  const clubLength = (script.club ?? 0) * body.stature;

  // eslint-disable-next-line max-lines-per-function -- one skeleton, joint after joint from the ground up
  const pose = (t: number, pelvisT: number, pelvisD: number): Pose => {
    const lead = feet.lead(t);
    const trail = feet.trail(t);
    const heading = c.heading(t);
    const right = rotate([1, 0, 0], UP, heading);
    const ahead = rotate([0, 0, 1], UP, heading);
    const pelvisAcross = rotate(right, UP, c.pelvis(t));
    const halfHip = scale(pelvisAcross, body.hipWidth / 2);
    const midHip: Vec3 = [pelvisT, hipHeight + c.rise(t), pelvisD];
    midHip[1] = withinReach(midHip, halfHip, lead.ankle, trail.ankle, legs);

    const spine = unit(
      add(add(UP, scale(right, -Math.tan(rad(c.tilt(t))))), scale(ahead, Math.tan(rad(c.bend(t))))),
    );
    const midShoulder = add(midHip, scale(spine, body.trunk));
    const square = unit(sub(right, scale(spine, dot(spine, right))));
    const thoraxAcross = rotate(square, spine, c.thorax(t));
    const halfShoulder = scale(thoraxAcross, body.shoulderWidth / 2);
    const leadShoulder = add(midShoulder, halfShoulder);
    const trailShoulder = sub(midShoulder, halfShoulder);

    const headUp = rotate(unit(add(scale(spine, 0.55), scale(UP, 0.45))), ahead, c.neck(t));
    const head = add(midShoulder, scale(headUp, body.neckToEars));
    const headTurn = c.thorax(t) * (c.thorax(t) > 0 ? 0.6 : 0.18);
    const earAxis = rotate(unit(sub(right, scale(headUp, dot(headUp, right)))), headUp, headTurn);
    const headFacing = rotate(cross(earAxis, headUp), earAxis, 18);

    const { hands, club } = grip(
      c,
      t,
      body,
      midShoulder,
      leadShoulder,
      trailShoulder,
      c.clubAhead(t),
      clubLength,
      right,
      ahead,
    );
    const apart = scale(thoraxAcross, c.apart(t) / 2);
    const leadArm = armJoints(leadShoulder, add(hands, apart), 1, thoraxAcross, body);
    const trailArm = armJoints(trailShoulder, sub(hands, apart), -1, thoraxAcross, body);

    const leg = (hip: Vec3, foot: FootPlace, aside: number) => {
      const pole = add(foot.forward, scale(cross(pelvisAcross, UP), 0.6));
      return twoBone(
        hip,
        foot.ankle,
        body.thigh,
        body.shank,
        aside === 0 ? pole : rotate(pole, unit(sub(hip, foot.ankle)), aside),
      );
    };
    const leadHip = add(midHip, halfHip);
    const trailHip = sub(midHip, halfHip);
    const ear = scale(earAxis, body.headWidth / 2);
    return {
      midHip,
      midShoulder,
      head,
      headFacing,
      headUp,
      pelvisAcross,
      thoraxAcross,
      midHands: hands,
      clubHead: club,
      lead: {
        hip: leadHip,
        knee: leg(leadHip, lead, c.leadKnee(t)),
        ...points(lead),
        shoulder: leadShoulder,
        ...leadArm,
        ear: add(head, ear),
      },
      trail: {
        hip: trailHip,
        knee: leg(trailHip, trail, c.trailKnee(t)),
        ...points(trail),
        shoulder: trailShoulder,
        ...trailArm,
        ear: sub(head, ear),
      },
    };
  };
  return { pose, foot: (side, t) => feet[side](t) };
}

const rad = (deg: number) => (deg * Math.PI) / 180;
const points = (f: FootPlace) => ({ ankle: f.ankle, heel: f.heel, toe: f.toe });

/** Lowers mid-hip, smoothly, until both legs reach their ankles with a little flex left. */
function withinReach(
  midHip: Vec3,
  halfHip: Vec3,
  leadAnkle: Vec3,
  trailAnkle: Vec3,
  legs: number,
): number {
  const top = (hip: Vec3, ankle: Vec3) => {
    const flat = Math.hypot(hip[0] - ankle[0], hip[2] - ankle[2]);
    return ankle[1] + Math.sqrt(Math.max((0.992 * legs) ** 2 - flat * flat, 1));
  };
  const lead = top(add(midHip, halfHip), leadAnkle);
  const trail = top(sub(midHip, halfHip), trailAnkle);
  const sharpness = 0.9;
  return (
    -Math.log(
      Math.exp(-midHip[1] * sharpness) + Math.exp(-lead * sharpness) + Math.exp(-trail * sharpness),
    ) / sharpness
  );
}

/**
 * Mid-hands on an inclined circle about mid-shoulder, as far out as the straighter arm reaches;
 * club beyond them.
 */
function grip(
  c: Record<"swing" | "reach" | "cock", Curve>,
  t: number,
  body: Body,
  ms: Vec3,
  leadShoulder: Vec3,
  trailShoulder: Vec3,
  clubAhead: number,
  clubLength: number,
  right: Vec3,
  ahead: Vec3,
): { hands: Vec3; club: Vec3 } {
  const angle = c.swing(t);
  const raised = Math.min(Math.abs(angle) / 120, 1);
  const hang = 15 + 24 * raised * raised * (3 - 2 * raised);
  const down = add(scale(UP, -Math.cos(rad(hang))), scale(ahead, Math.sin(rad(hang))));
  const away = scale(right, -1);
  const direction = add(scale(down, Math.cos(rad(angle))), scale(away, Math.sin(rad(angle))));
  const armLength = (body.upperArm + body.forearm + body.hand) * 0.965;
  const reachOf = (shoulder: Vec3) => {
    const o = sub(ms, shoulder);
    const b = dot(o, direction);
    return -b + Math.sqrt(Math.max(b * b - (dot(o, o) - armLength * armLength), 1));
  };
  const lead = reachOf(leadShoulder);
  const trail = reachOf(trailShoulder);
  const radius = (-Math.log(Math.exp(-lead * 0.8) + Math.exp(-trail * 0.8)) / 0.8) * c.reach(t);
  const hands = add(ms, scale(direction, radius));

  // At address the shaft runs down to the ball, so the club's plane is flatter than the arms'.
  const clubAngle = angle + c.cock(t);
  const flat = 40;
  const clubDown = add(scale(UP, -Math.cos(rad(flat))), scale(ahead, Math.sin(rad(flat))));
  const lean = clubLength
    ? scale(right, (clubAhead * Math.max(0, 1 - Math.abs(angle) / 30)) / clubLength)
    : scale(right, 0);
  const shaft = unit(
    add(
      add(scale(clubDown, Math.cos(rad(clubAngle))), scale(away, Math.sin(rad(clubAngle)))),
      lean,
    ),
  );
  return { hands, club: add(hands, scale(shaft, clubLength)) };
}

function armJoints(
  shoulder: Vec3,
  hands: Vec3,
  out: number,
  thoraxAcross: Vec3,
  body: Body,
): { elbow: Vec3; wrist: Vec3 } {
  const toHands = unit(sub(hands, shoulder));
  const wrist = sub(hands, scale(toHands, body.hand));
  const pole = add(scale(thoraxAcross, out * 0.7), [0, -0.7, -0.2]);
  return { elbow: twoBone(shoulder, wrist, body.upperArm, body.forearm, pole), wrist };
}

/**
 * Middle joint of a two-bone chain that bends toward `pole` (law of cosines); straightens when out
 * of reach.
 */
function twoBone(root: Vec3, end: Vec3, upper: number, lower: number, pole: Vec3): Vec3 {
  const line = sub(end, root);
  const d = Math.min(norm(line), (upper + lower) * 0.9999);
  const axis = unit(line);
  const along = (upper * upper - lower * lower + d * d) / (2 * d);
  const off = Math.sqrt(Math.max(upper * upper - along * along, 0));
  const bend = unit(sub(pole, scale(axis, dot(pole, axis))));
  return add(add(root, scale(axis, along)), scale(bend, off));
}
