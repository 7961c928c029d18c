import { filtfilt, lowPass, resample, runningMedian } from "../maths";
import type { View, GolferFacts, Scene } from "../scene";
import { midHands, ownFoot, sides, type SideName, type SidePoints, at, type Track } from "../track";
import { SEGMENTS } from "./deLeva";
import { footMotion, placeOnClock, type FootMotion } from "./footMotion";
import { footDirection } from "./footDirection";
import { MOTION_FIT } from "./fitted";
import { fromBehind } from "./fromBehind";
import { outlineHead, outlineHip, type Clock } from "./outline";

/** A joint's place over time, cm. */
export interface PointPath {
  t: Float64Array;
  u: Float64Array;
}

/**
 * Channels over time on a uniform clock. T and U in cm (T + toward the target from the picture's
 * middle, U up from the heels at address); nothing is zeroed at an address yet. Seen down the line,
 * the axis across the picture is D (+ toward the ball) and stands in every name that ends in T.
 */
export interface Motion {
  view: View;
  /** ms of the first sample; spacing in s; samples. */
  startMs: number;
  dt: number;
  n: number;
  statureCm: number;
  /** From the body's outline where it can be trusted, 6 Hz. */
  hipT: Float64Array;
  hipU: Float64Array;
  headT: Float64Array;
  headU: Float64Array;
  /**
   * 1 where arms or club hide the head's outline and the network alone places it (7 cm off, at
   * times), else 0.
   */
  headHidden: Float64Array;
  shoulderT: Float64Array;
  shoulderU: Float64Array;
  /** Middle of the hands at 10 Hz. */
  handsT: Float64Array;
  handsU: Float64Array;
  /** Followed in the picture round the top; NaN elsewhere. */
  closeHandsT: Float64Array;
  closeHandsU: Float64Array;
  /** Whole-body centre of mass, unsmoothed in T, and its height over the ground. */
  comT: Float64Array;
  comU: Float64Array;
  feet: Record<SideName, FootMotion>;
  /**
   * Direction of each foot on the ground against its first one, degrees, + toward the target; NaN
   * where unknown.
   */
  direction: Record<SideName, Float64Array>;
  /**
   * Single joints by the network's points, 6 Hz: a hip or knee is worth 2 to 3 cm, an ankle or heel
   * more while it moves.
   */
  joints: Record<SideName, Record<JointName, PointPath>>;
  /**
   * Down the line: rear edge of the body at hip height (cm along D, + toward the ball), and forward
   * bend by the line of the back (degrees).
   */
  rear: Float64Array;
  bend: Float64Array;
  /** Share of frames in which a golfer was surely seen. */
  seen: number;
}

/** Cut-off for positions of the trunk, Hz: lower ones cost a slide or a drift its peak. */
const POSITION_HZ = 6;
const HANDS_HZ = 10;

const JOINTS = [
  "ear",
  "shoulder",
  "elbow",
  "wrist",
  "index",
  "hip",
  "knee",
  "ankle",
  "heel",
  "toe",
] as const;
type JointName = (typeof JOINTS)[number];

/** Turns a mended track into channels. */
// eslint-disable-next-line max-lines-per-function -- all series of a motion, in the order in which they build on each other
export function readMotion(track: Track, scene: Scene, golfer: GolferFacts): Motion {
  const n = track.times.length;
  const startMs = track.times[0]!;
  const dt = (track.times[n - 1]! - startMs) / 1000 / (n - 1);
  const k = scene.scale.cmPerPx;
  const middle = track.video.width / 2;
  const s = sides(golfer.hand);
  const clock = (values: ArrayLike<number>) => resample(track.times, values, startMs, dt * 1000, n);
  const channel = (p: number, axis: 0 | 1, to: (v: number) => number) => {
    const raw = new Float64Array(n);
    for (let i = 0; i < n; i++) raw[i] = to(track.landmarks[at(i, p) + axis]!);
    return clock(raw);
  };
  const toT = (x: number) => (x - middle) * k * scene.targetSign;
  const toU = (y: number) => (scene.groundY - y) * k;
  const despike = (x: Float64Array) => runningMedian(x, 2);
  const side = (p: SidePoints) =>
    Object.fromEntries(
      JOINTS.map((name) => [
        name,
        { t: despike(channel(p[name], 0, toT)), u: despike(channel(p[name], 1, toU)) },
      ]),
    ) as Record<(typeof JOINTS)[number], { t: Float64Array; u: Float64Array }>;
  const lead = side(s.lead);
  const trail = side(s.trail);
  const mid = (a: Float64Array, b: Float64Array) => a.map((v, i) => (v + b[i]!) / 2);

  const feet = {
    lead: footMotion(track, scene, golfer, "lead"),
    trail: footMotion(track, scene, golfer, "trail"),
  };
  const position = lowPass(POSITION_HZ, dt);
  const hands = lowPass(HANDS_HZ, dt);
  const seenHands = midHands(track);
  const handsT = filtfilt(hands, despike(clock(seenHands.x.map(toT))));
  const handsU = filtfilt(hands, despike(clock(seenHands.y.map(toU))));
  const faceOn = scene.view.asked === "face-on";
  const networkHip = mid(lead.hip.t, trail.hip.t);
  // From the side the outline's middle is that of buttocks and hands together.
  const seenHipT = faceOn ? outlineHip(track, scene, networkHip, toT, clock) : networkHip;
  const stands = mid(
    placeOnClock(feet.lead, startMs, dt, n).ankleT,
    placeOnClock(feet.trail, startMs, dt, n).ankleT,
  );
  // The row that is taken for the hips lies below their joints and moves less than they do.
  const hipT = faceOn
    ? seenHipT.map((v, i) => v + MOTION_FIT.hipsBelow * (v - stands[i]!))
    : seenHipT;
  const hipU = mid(lead.hip.u, trail.hip.u);
  const shoulderU = filtfilt(position, mid(lead.shoulder.u, trail.shoulder.u));
  const shoulderT = chestToJoints(
    mid(lead.shoulder.t, trail.shoulder.t),
    shoulderU,
    handsT,
    handsU,
    golfer.statureCm,
  );
  const { t: headT, hidden: headHidden } = outlineHead(
    track,
    mid(lead.ear.t, trail.ear.t),
    toT,
    clock,
  );
  const headU = mid(lead.ear.u, trail.ear.u);
  const com = centreOfMass(
    { lead, trail, hipT, hipU, shoulderT, shoulderU, headT, headU, handsT, handsU },
    feet,
    startMs,
    dt,
    n,
  );
  const close = closeHands(
    track,
    seenHands,
    LOST_HANDS * (golfer.statureCm / k),
    toT,
    toU,
    clock,
    n,
  );
  const hipUSmooth = filtfilt(position, hipU);
  const direction = (side: SideName) =>
    footDirection(
      feet[side],
      track,
      ownFoot(golfer.hand, side),
      (side === "trail" ? scene.targetSign : -scene.targetSign) as 1 | -1,
      scene,
      golfer.statureCm,
    );
  const behind = faceOn
    ? null
    : fromBehind(
        track,
        scene,
        toT,
        clock,
        hipUSmooth,
        shoulderU,
        filtfilt(position, networkHip),
        position,
      );
  const smooth = (side: typeof lead) =>
    Object.fromEntries(
      JOINTS.map((name) => [
        name,
        { t: filtfilt(position, side[name].t), u: filtfilt(position, side[name].u) },
      ]),
    ) as Record<JointName, PointPath>;
  return {
    view: scene.view.asked,
    startMs,
    dt,
    n,
    statureCm: golfer.statureCm,
    hipT: filtfilt(position, hipT),
    hipU: hipUSmooth,
    headT: filtfilt(position, headT),
    headU: filtfilt(position, headU),
    headHidden,
    shoulderT: filtfilt(position, shoulderT),
    shoulderU,
    handsT,
    handsU,
    closeHandsT: close.t,
    closeHandsU: close.u,
    comT: com.t,
    comU: filtfilt(lowPass(2, dt), com.u),
    feet,
    direction: { lead: direction("lead"), trail: direction("trail") },
    joints: { lead: smooth(lead), trail: smooth(trail) },
    rear: behind?.rear ?? NOTHING,
    bend: behind?.bend ?? NOTHING,
    seen: track.presence.filter((p) => p > 0.5).length / n,
  };
}

const NOTHING = new Float64Array(0);

/**
 * The network puts the shoulders on the front of the chest. When the chest turns, that front moves
 * along T: the part `chestAhead`·sin(turn) is taken out, the turn being about 0.6 of the arms'
 * swing angle (docs/decisions/26), which tells it until shortly after the strike and is faded out
 * there.
 */
function chestToJoints(
  shoulderT: Float64Array,
  shoulderU: Float64Array,
  handsT: Float64Array,
  handsU: Float64Array,
  stature: number,
): Float64Array {
  const ahead = MOTION_FIT.chestAhead * stature;
  return shoulderT.map((t, i) => {
    const angle = Math.atan2(handsT[i]! - t, -(handsU[i]! - shoulderU[i]!));
    const turn = Math.max(-Math.PI / 2, Math.min(Math.PI / 2, 0.6 * angle));
    return t - ahead * Math.sin(turn);
  });
}

function centreOfMass(
  p: {
    lead: Record<
      "elbow" | "knee" | "shoulder" | "hip" | "wrist",
      { t: Float64Array; u: Float64Array }
    >;
    trail: Record<
      "elbow" | "knee" | "shoulder" | "hip" | "wrist",
      { t: Float64Array; u: Float64Array }
    >;
    hipT: Float64Array;
    hipU: Float64Array;
    shoulderT: Float64Array;
    shoulderU: Float64Array;
    headT: Float64Array;
    headU: Float64Array;
    handsT: Float64Array;
    handsU: Float64Array;
  },
  feet: Record<SideName, FootMotion>,
  startMs: number,
  dt: number,
  n: number,
): { t: Float64Array; u: Float64Array } {
  const t = new Float64Array(n);
  const u = new Float64Array(n);
  const put = (
    share: { mass: number; centre: number },
    fromT: Float64Array,
    fromU: Float64Array,
    toT: Float64Array,
    toU: Float64Array,
  ) => {
    const a = share.mass * (1 - share.centre);
    const b = share.mass * share.centre;
    for (let i = 0; i < n; i++) {
      t[i]! += a * fromT[i]! + b * toT[i]!;
      u[i]! += a * fromU[i]! + b * toU[i]!;
    }
  };
  const { head, trunk, upperArm, forearm, hand, thigh, shank, foot } = SEGMENTS;
  put(head, p.headT, p.headU, p.headT, p.headU);
  put(trunk, p.shoulderT, p.shoulderU, p.hipT, p.hipU);
  // Shoulders and hips come in pairs, so their steadier middles stand for both; legs swap less when
  // planted places do.
  for (const name of ["lead", "trail"] as const) {
    const side = p[name];
    const place = placeOnClock(feet[name], startMs, dt, n);
    put(upperArm, p.shoulderT, p.shoulderU, side.elbow.t, side.elbow.u);
    put(forearm, side.elbow.t, side.elbow.u, side.wrist.t, side.wrist.u);
    put(hand, p.handsT, p.handsU, p.handsT, p.handsU);
    put(thigh, p.hipT, p.hipU, side.knee.t, side.knee.u);
    put(shank, side.knee.t, side.knee.u, place.ankleT, place.ankleU);
    put(foot, place.heelT, place.ankleU, place.toeT, place.ankleU);
  }
  return { t, u };
}

/**
 * Hands that were followed to this far from where the network sees them were lost on the way; share
 * of stature.
 */
const LOST_HANDS = 0.14;

function closeHands(
  track: Track,
  seen: { x: Float64Array; y: Float64Array },
  lost: number,
  toT: (x: number) => number,
  toU: (y: number) => number,
  clock: Clock,
  n: number,
) {
  const t = new Float64Array(n).fill(NaN);
  const u = new Float64Array(n).fill(NaN);
  if (!track.handsPaths.length) return { t, u };
  const full = (axis: "x" | "y", to: (v: number) => number) => {
    const all = new Float64Array(n).fill(NaN);
    for (const path of track.handsPaths)
      path[axis].forEach((v, i) => {
        const at = path.from + i;
        if (Math.hypot(path.x[i]! - seen.x[at]!, path.y[i]! - seen.y[at]!) < lost) all[at] = to(v);
      });
    return all;
  };
  const onClock = (values: Float64Array) => {
    const filled = clock(values);
    for (let i = 0; i < n; i++) if (Number.isNaN(values[i]!)) filled[i] = NaN;
    return filled;
  };
  return { t: onClock(full("x", toT)), u: onClock(full("y", toU)) };
}
