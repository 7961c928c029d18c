import { add, cross, rotate, scale, sub, type Vec3, curve, type Knot } from "../maths";
import type { Body } from "./anthropometry";
import type { FootScript } from "./script";

/** A foot at one instant, cm, [T, U, D]. */
export interface FootPlace {
  ankle: Vec3;
  heel: Vec3;
  toe: Vec3;
  /** Heel to toe along the ground. */
  forward: Vec3;
  /** The middle of the sole along T, cm. */
  centreT: number;
  /** Heel and toe are both more than 1.5 cm off the ground. */
  airborne: boolean;
}

const UP: Vec3 = [0, 1, 0];
const rad = (deg: number) => (deg * Math.PI) / 180;
const optional = (knots: Knot[] | undefined) => curve(knots?.length ? knots : [[0, 0]]);

/**
 * Where a foot is over time: planted, stepping in an arc, raised about its ball or heel, turning
 * about either.
 */
export function footPath(body: Body, script: FootScript, side: 1 | -1): (t: number) => FootPlace {
  const heelPitch = optional(script.heelPitch);
  const toePitch = optional(script.toePitch);
  const pivot = optional(script.pivot);
  const spin = optional(script.spin);
  const slide = optional(script.slide);
  const ankleAhead = body.foot * 0.27;
  return (t) => {
    let alongT = slide(t);
    let alongD = 0;
    let turned = script.turnOut * side;
    let lift = 0;
    for (const step of script.steps) {
      if (t <= step.from) break;
      const s = progress(step, t);
      // The foot rises first and travels while it is up: it neither scrapes on leaving nor slides
      // on landing.
      const travel = Math.min(Math.max((s - 0.15) / 0.7, 0), 1);
      const gone = travel ** 3 * (10 - 15 * travel + 6 * travel * travel);
      alongT += step.alongTarget * gone;
      alongD += (step.towardBall ?? 0) * gone;
      turned += (step.turn ?? 0) * gone;
      lift += step.apex * 64 * (s * (1 - s)) ** 3;
    }
    const direction = (deg: number): Vec3 => [Math.sin(rad(deg)), 0, Math.cos(rad(deg))];
    const start = direction(turned);
    const base: Vec3 = [script.ankleT + alongT, 0, script.ankleD + alongD];
    const heelFlat = add(sub(base, scale(start, ankleAhead)), [0, body.soleHeight + lift, 0]);
    // A pivot turns the foot about its heel; a spin about its ball.
    let forward = direction(turned + pivot(t) * side);
    let across = cross(UP, forward);
    let toe = add(heelFlat, scale(forward, body.foot));
    let ankle = add(
      heelFlat,
      add(scale(forward, ankleAhead), [0, body.ankleHeight - body.soleHeight, 0]),
    );
    let heel = heelFlat;
    const raisedToe = toePitch(t);
    if (raisedToe !== 0) {
      const about = sub(heel, [0, body.soleHeight, 0]);
      const turn = (p: Vec3) => add(about, rotate(sub(p, about), across, -raisedToe));
      [heel, toe, ankle] = [turn(heel), turn(toe), turn(ankle)];
    }
    // A raised heel bends the shoe at the ball of the foot, a little behind the toe point; the toe
    // stays flat.
    const ball = add(toe, add(scale(forward, -0.22 * body.foot), [0, -body.soleHeight, 0]));
    const spun = spin(t) * side;
    if (spun !== 0) {
      const turn = (p: Vec3) => add(ball, rotate(sub(p, ball), UP, spun));
      [heel, toe, ankle] = [turn(heel), turn(toe), turn(ankle)];
      forward = rotate(forward, UP, spun);
      across = cross(UP, forward);
    }
    const raisedHeel = heelPitch(t);
    const about = (p: Vec3) => add(ball, rotate(sub(p, ball), across, raisedHeel));
    [heel, ankle] = [about(heel), about(ankle)];
    return { ankle, heel, toe, forward, centreT: (heel[0] + toe[0]) / 2, airborne: lift > 1.5 };
  };
}

/** How far through a step a time is, 0–1; held at the middle for as long as the step hangs. */
function progress(step: FootScript["steps"][number], t: number): number {
  const hang = step.hang ?? 0;
  const half = (step.to - step.from - hang) / 2;
  const gone = t - step.from;
  if (gone < half) return (0.5 * gone) / half;
  return gone < half + hang ? 0.5 : Math.min(0.5 + (0.5 * (gone - half - hang)) / half, 1);
}
