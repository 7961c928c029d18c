import { median } from "../maths";
import type { View } from "../scene/view";
import {
  sides,
  targetSign,
  type Hand,
  stillSpell,
  type FinishedTrack,
  at,
  POINT,
  type Track,
} from "../track";
import { camera, type Camera, type CameraFacts } from "./camera";
import { facing, type Facing } from "./facing";
import { SCENE_FIT } from "./fitted";
import { pictureProblems, type Problem } from "./problems";

/** What the camera saw: one per clip. */
export interface Scene {
  /**
   * Degrees between the golfer's target line and the picture, + when the lead foot is nearer the
   * lens; 0 with the prior's u where nothing tells.
   */
  view: { asked: View; errorDeg: number; u: number; facing: Facing };
  /** Centimetres of one pixel at the golfer, and where that comes from. */
  scale: { cmPerPx: number; u: number; from: "stature" };
  camera: Camera;
  /** +1 when the picture's right is + along the axis across it (T face-on, D down the line). */
  targetSign: 1 | -1;
  /** Height in the picture of the ground under the feet, px. */
  groundY: number;
  /** Frames of the still spell that scale and posture were read from. */
  still: { from: number; to: number; moving: boolean } | null;
  problems: Problem[];
}

export interface GolferFacts {
  statureCm: number;
  hand: Hand;
}

/** Prior on how far from square the phone stands, degrees. */
const VIEW_PRIOR = 5;
/**
 * Shoulders wider than this share of stature across the picture are not seen from the side;
 * narrower ones of a golfer who faces the lens are not seen at all.
 */
const NARROWEST_SHOULDERS = 0.13;
/** The network mistakes a front for a back in some frames; seen so in most, it is a back. */
const MOSTLY = 0.7;
/**
 * Feet and nose that point across the picture by less than this (sine) are not seen from the side.
 */
const FROM_THE_SIDE = 0.55;
/** Feet nearer than this across the picture do not tell the view, cm (docs/movement.md, axes). */
const WIDE_STANCE = 25;
/**
 * View errors from which the words and the measures change, degrees (docs/movement.md, scale and
 * view).
 */
const ASKEW = 10;
const NOT_THE_VIEW = 20;

/**
 * Reads scale from stature (ears over heels at address), the ground plane, and whether the view is
 * what was asked.
 *
 * @param track with its legs mended
 */
export function readScene(
  track: FinishedTrack,
  golfer: GolferFacts,
  asked: View,
  facts: CameraFacts = {},
): Scene {
  const { landmarks, video } = track;
  const still = stillSpell(track);
  const s = sides(golfer.hand);
  const range = still ?? { from: 0, to: Math.min(track.times.length - 1, 15) };
  const over = (get: (i: number) => number) =>
    median(Array.from({ length: range.to - range.from + 1 }, (_, k) => get(range.from + k)));
  const x = (i: number, p: number) => landmarks[at(i, p)]!;
  const y = (i: number, p: number) => landmarks[at(i, p) + 1]!;
  const heels = over((i) => (y(i, s.lead.heel) + y(i, s.trail.heel)) / 2);
  const ears = over((i) => (y(i, s.lead.ear) + y(i, s.trail.ear)) / 2);
  const toes = over((i) => Math.max(y(i, s.lead.toe), y(i, s.trail.toe)));
  const sign = targetSign(golfer.hand);
  const shoulders = over((i) => x(i, s.lead.shoulder) - x(i, s.trail.shoulder));
  const cmPerPx = (SCENE_FIT.earsOverHeels * golfer.statureCm) / (heels - ears);
  const pinhole = camera(facts, video, heels, cmPerPx);
  const place = (foot: "lead" | "trail") =>
    pinhole.toGround(
      over((i) => x(i, s[foot].ankle)),
      over((i) => y(i, s[foot].heel)),
    );
  const [lead, trail] = [place("lead"), place("trail")];
  const across = (lead[0] - trail[0]) * sign;
  const stance = (Math.atan2(trail[1] - lead[1], across) * 180) / Math.PI;
  const share = (cmPerPx / golfer.statureCm) * sign;
  const forward = (foot: "lead" | "trail") =>
    over((i) => x(i, s[foot].toe) - x(i, s[foot].heel)) * share;
  const face = facing(
    (forward("lead") + forward("trail")) / 2,
    over((i) => x(i, POINT.nose) - (x(i, s.lead.ear) + x(i, s.trail.ear)) / 2) * share,
  );
  // Each witness is weighed against what phones are usually off by; the line of the heels tells
  // something in a wide stance only.
  const witnesses = [
    [0, VIEW_PRIOR],
    [face.deg, face.sd],
    ...(across >= WIDE_STANCE && Math.abs(stance) < 60 ? [[stance, SCENE_FIT.viewSd]] : []),
  ] as [number, number][];
  const weight = witnesses.reduce((sum, [, sd]) => sum + 1 / sd ** 2, 0);
  const errorDeg =
    asked === "face-on" ? witnesses.reduce((sum, [deg, sd]) => sum + deg / sd ** 2, 0) / weight : 0;
  const problems = [
    ...viewProblems(asked, shoulders * share, track.fromBehind, face, errorDeg),
    ...sizeProblems(track, heels, ears, toes),
    ...pictureProblems(track),
  ];
  return {
    view: {
      asked,
      errorDeg,
      u: asked === "face-on" ? 1 / Math.sqrt(weight) : VIEW_PRIOR,
      facing: face,
    },
    scale: { cmPerPx, u: cmPerPx * SCENE_FIT.scaleSd, from: "stature" },
    camera: pinhole,
    targetSign: sign,
    groundY: heels,
    still,
    problems,
  };
}

/**
 * @param shoulders their width across the picture as a share of stature, + with the lead one on the
 * target's side
 */
function viewProblems(
  asked: View,
  shoulders: number,
  fromBehind: number,
  face: Facing,
  errorDeg: number,
): Problem[] {
  const wrong = (message: string, action: string): Problem[] => [
    { code: "wrongView", message, action, touches: "rep" },
  ];
  if (asked === "down-the-line") {
    if (face.sine > 0)
      return wrong(
        "The phone is on the target's side of you.",
        "Stand the phone behind your hands, looking along the line of your feet to the target.",
      );
    if (-face.sine >= FROM_THE_SIDE && Math.abs(shoulders) <= NARROWEST_SHOULDERS) return [];
    return wrong(
      "The phone is not behind you on the target line: you are seen from the front.",
      "Stand the phone behind your hands, looking along the line of your feet to the target.",
    );
  }
  if (fromBehind > MOSTLY && Math.abs(face.deg) < NOT_THE_VIEW)
    return wrong(
      "The phone is behind you.",
      "Stand the phone in front of you, where your chest points.",
    );
  if (Math.abs(face.deg) > NOT_THE_VIEW)
    return wrong(
      `The phone stands about ${Math.abs(face.deg).toFixed(0)}° off your front: the target line can't be measured.`,
      "Stand the phone square in front of you, on a line through the middle of your feet.",
    );
  if (Math.abs(shoulders) < NARROWEST_SHOULDERS)
    return [
      {
        code: "lost",
        message: "Your body can't be made out: it is drawn half as wide as it is.",
        action:
          "Stand where you stand out from what is behind you, or with the feet a little apart at first.",
        touches: "rep",
      },
    ];
  if (Math.abs(errorDeg) > ASKEW)
    return [
      {
        code: "askew",
        message: `You or the phone stand about ${Math.abs(errorDeg).toFixed(0)}° off square.`,
        action: "Line your toes up with the target and the phone square to them.",
        touches: "nothing",
      },
    ];
  return [];
}

function sizeProblems(track: Track, heels: number, ears: number, toes: number): Problem[] {
  const { height } = track.video;
  const out: Problem[] = [];
  if ((heels - ears) / height < 0.28 && heels - ears < 260)
    out.push({
      code: "small",
      message: "You are small in the picture.",
      action: "Step nearer, or stand the phone on end: you should fill two thirds of its height.",
      touches: "nothing",
    });
  if (toes > height - 2)
    out.push({
      code: "outOfFrame",
      message: "Your feet are cut off.",
      action: "Step back one pace, or tilt the phone down.",
      touches: "rep",
      part: "feet",
    });
  else if (ears < 2)
    out.push({
      code: "outOfFrame",
      message: "Your head is cut off.",
      action: "Step back one pace, or tilt the phone up.",
      touches: "rep",
      part: "head",
    });
  return out;
}
