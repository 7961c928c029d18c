import { add, cross, dot, norm, rotate, scale, sub, unit, type Vec3 } from "../maths/vec3";
import { curve, type Curve } from "../maths/curve";
import type { Body } from "./anthropometry";
import type { FootScript, MovementScript } from "./script";

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
  /** The pose at `t` s with the pelvis moved by `pelvisT` cm along T. */
  pose(t: number, pelvisT: number): Pose;
  /** The middle of a foot's sole along T, cm, and whether any of it is within 1.5 cm of the ground. */
  foot(side: "lead" | "trail", t: number): FootPlace;
}

export interface FootPlace {
  ankle: Vec3;
  heel: Vec3;
  toe: Vec3;
  forward: Vec3;
  centreT: number;
  airborne: boolean;
}

const UP: Vec3 = [0, 1, 0];

/** Prepares a body and a script; pure, every call of `pose` stands alone. */
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
  };
  const feet = { lead: footPath(body, script.feet.lead, 1), trail: footPath(body, script.feet.trail, -1) };
  const legs = body.thigh + body.shank;
  const hipHeight = body.ankleHeight + legs * 0.955;
  const hipDepth = -0.06 * body.stature;

  const pose = (t: number, pelvisT: number): Pose => {
    const lead = feet.lead(t);
    const trail = feet.trail(t);
    const pelvisAcross = rotate([1, 0, 0], UP, c.pelvis(t));
    const halfHip = scale(pelvisAcross, body.hipWidth / 2);
    // Hips stand behind the ankles to balance the bent trunk, and come forward as it straightens.
    const bowed = Math.min(c.bend(t) / 32, 1);
    const midHip: Vec3 = [pelvisT, hipHeight + c.rise(t), hipDepth * (0.3 + 0.7 * bowed)];
    midHip[1] = withinReach(midHip, halfHip, lead.ankle, trail.ankle, legs);

    const spine = unit([-Math.tan(rad(c.tilt(t))), 1, Math.tan(rad(c.bend(t)))]);
    const midShoulder = add(midHip, scale(spine, body.trunk));
    const square = unit(sub([1, 0, 0], scale(spine, spine[0])));
    const thoraxAcross = rotate(square, spine, c.thorax(t));
    const halfShoulder = scale(thoraxAcross, body.shoulderWidth / 2);
    const leadShoulder = add(midShoulder, halfShoulder);
    const trailShoulder = sub(midShoulder, halfShoulder);

    const headUp = unit(add(scale(spine, 0.55), scale(UP, 0.45)));
    const head = add(midShoulder, scale(headUp, body.neckToEars));
    const headTurn = c.thorax(t) * (c.thorax(t) > 0 ? 0.6 : 0.18);
    const earAxis = rotate(unit(sub([1, 0, 0], scale(headUp, headUp[0]))), headUp, headTurn);
    const headFacing = rotate(cross(earAxis, headUp), earAxis, 18);

    const waiting = t < (script.armSwing[1]?.[0] ?? Infinity);
    const { hands, club } = grip(c, t, body, midShoulder, leadShoulder, trailShoulder, waiting ? script.clubAhead : 0);
    const arm = (shoulder: Vec3, out: number) => armJoints(shoulder, hands, out, thoraxAcross, body);
    const leadArm = arm(leadShoulder, 1);
    const trailArm = arm(trailShoulder, -1);

    const leg = (hip: Vec3, foot: FootPlace) =>
      twoBone(hip, foot.ankle, body.thigh, body.shank, add(scale(foot.forward, 1), scale(cross(pelvisAcross, UP), 0.6)));
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
      lead: { hip: leadHip, knee: leg(leadHip, lead), ...points(lead), shoulder: leadShoulder, ...leadArm, ear: add(head, ear) },
      trail: { hip: trailHip, knee: leg(trailHip, trail), ...points(trail), shoulder: trailShoulder, ...trailArm, ear: sub(head, ear) },
    };
  };
  return { pose, foot: (side, t) => feet[side](t) };
}

const rad = (deg: number) => (deg * Math.PI) / 180;
const points = (f: FootPlace) => ({ ankle: f.ankle, heel: f.heel, toe: f.toe });

/** Lowers mid-hip, smoothly, until both legs reach their ankles with a little flex left. */
function withinReach(midHip: Vec3, halfHip: Vec3, leadAnkle: Vec3, trailAnkle: Vec3, legs: number): number {
  const top = (hip: Vec3, ankle: Vec3) => {
    const flat = Math.hypot(hip[0] - ankle[0], hip[2] - ankle[2]);
    return ankle[1] + Math.sqrt(Math.max((0.992 * legs) ** 2 - flat * flat, 1));
  };
  const lead = top(add(midHip, halfHip), leadAnkle);
  const trail = top(sub(midHip, halfHip), trailAnkle);
  const sharpness = 0.9;
  return -Math.log(Math.exp(-midHip[1] * sharpness) + Math.exp(-lead * sharpness) + Math.exp(-trail * sharpness)) / sharpness;
}

/** Where a foot is over time: planted, stepping in an arc, or raised about its toe. */
function footPath(body: Body, script: FootScript, side: 1 | -1): (t: number) => FootPlace {
  const pitch = curve(script.heelPitch.length ? script.heelPitch : [[0, 0]]);
  const forward: Vec3 = [Math.sin(rad(script.turnOut)) * side, 0, Math.cos(rad(script.turnOut))];
  const across = cross(UP, forward);
  const ankleAhead = body.foot * 0.27;
  return (t) => {
    let along = 0;
    let lift = 0;
    for (const step of script.steps) {
      const s = Math.min(Math.max((t - step.from) / (step.to - step.from), 0), 1);
      // The foot rises first and travels while it is up: it neither scrapes on leaving nor slides on landing.
      const travel = Math.min(Math.max((s - 0.15) / 0.7, 0), 1);
      along += step.alongTarget * (travel ** 3 * (10 - 15 * travel + 6 * travel * travel));
      lift += step.apex * 64 * (s * (1 - s)) ** 3;
    }
    const base: Vec3 = [script.ankleT + along, 0, script.ankleD];
    const heelFlat = add(sub(base, scale(forward, ankleAhead)), [0, body.soleHeight + lift, 0]);
    const toe = add(heelFlat, scale(forward, body.foot));
    const ankleFlat: Vec3 = [base[0], body.ankleHeight + lift, base[2]];
    // A raised heel bends the shoe at the ball of the foot, a little behind the toe point; the toe stays flat.
    const ball = add(toe, add(scale(forward, -0.22 * body.foot), [0, -body.soleHeight, 0]));
    const turn = (p: Vec3) => add(ball, rotate(sub(p, ball), across, pitch(t)));
    const heel = turn(heelFlat);
    return {
      ankle: turn(ankleFlat),
      heel,
      toe,
      forward,
      centreT: (heel[0] + toe[0]) / 2,
      airborne: lift > 1.5,
    };
  };
}

/** Mid-hands on an inclined circle about mid-shoulder, as far out as the straighter arm reaches; club beyond them. */
function grip(
  c: Record<"swing" | "reach" | "cock", Curve>,
  t: number,
  body: Body,
  ms: Vec3,
  leadShoulder: Vec3,
  trailShoulder: Vec3,
  clubAhead: number,
): { hands: Vec3; club: Vec3 } {
  const angle = c.swing(t);
  const raised = Math.min(Math.abs(angle) / 120, 1);
  const hang = 15 + 24 * raised * raised * (3 - 2 * raised);
  const down: Vec3 = [0, -Math.cos(rad(hang)), Math.sin(rad(hang))];
  const away: Vec3 = [-1, 0, 0];
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

  const clubLength = 0.53 * body.stature;
  // At address the shaft runs down to the ball, so the club's plane is flatter than the arms'.
  const clubAngle = angle + c.cock(t);
  const flat = 40;
  const clubDown: Vec3 = [0, -Math.cos(rad(flat)), Math.sin(rad(flat))];
  const lean: Vec3 = [(clubAhead * Math.max(0, 1 - Math.abs(angle) / 30)) / clubLength, 0, 0];
  const shaft = unit(add(add(scale(clubDown, Math.cos(rad(clubAngle))), scale(away, Math.sin(rad(clubAngle)))), lean));
  return { hands, club: add(hands, scale(shaft, clubLength)) };
}

function armJoints(shoulder: Vec3, hands: Vec3, out: number, thoraxAcross: Vec3, body: Body): { elbow: Vec3; wrist: Vec3 } {
  const toHands = unit(sub(hands, shoulder));
  const wrist = sub(hands, scale(toHands, body.hand));
  const pole = add(scale(thoraxAcross, out * 0.7), [0, -0.7, -0.2]);
  return { elbow: twoBone(shoulder, wrist, body.upperArm, body.forearm, pole), wrist };
}

/** Middle joint of a two-bone chain that bends toward `pole` (law of cosines); straightens when out of reach. */
function twoBone(root: Vec3, end: Vec3, upper: number, lower: number, pole: Vec3): Vec3 {
  const line = sub(end, root);
  const d = Math.min(norm(line), (upper + lower) * 0.9999);
  const axis = unit(line);
  const along = (upper * upper - lower * lower + d * d) / (2 * d);
  const off = Math.sqrt(Math.max(upper * upper - along * along, 0));
  const bend = unit(sub(pole, scale(axis, dot(pole, axis))));
  return add(add(root, scale(axis, along)), scale(bend, off));
}

