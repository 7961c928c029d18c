import { median } from "../maths/stats";
import { sides, targetSign, type Hand } from "../track/sides";
import { stillSpell } from "../track/stillSpell";
import { at, type Track } from "../track/track";
import { SCENE_FIT } from "./fitted";

/** Something that limits what the clip can tell, in words and with what to do. */
export interface Problem {
  code: "wrongView" | "secondPerson" | "outOfFrame" | "small" | "noMotion" | "slowMotion";
  message: string;
  action: string;
  from?: number;
  to?: number;
}

/** What the camera saw: one per clip. */
export interface Scene {
  view: { asked: "face-on"; errorDeg: number; u: number };
  /** Centimetres of one pixel at the golfer, and where that comes from. */
  scale: { cmPerPx: number; u: number; from: "stature" };
  /** +1 when the target lies to the right in the picture. */
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

/** Prior on how far from square the phone stands when nothing in the picture tells it, degrees. */
const VIEW_PRIOR = 5;
/** Shoulders narrower than this share of stature across the picture are not seen from the front. */
const NARROWEST_SHOULDERS = 0.13;

/**
 * Reads scale from stature (ears over heels at address) and checks that the view is what was asked.
 *
 * @param track with its legs mended
 */
export function readScene(track: Track, golfer: GolferFacts): Scene {
  const { landmarks } = track;
  const still = stillSpell(track);
  const problems: Problem[] = [];
  const s = sides(golfer.hand);
  const range = still ?? { from: 0, to: Math.min(track.times.length - 1, 15) };
  const over = (get: (i: number) => number) => median(Array.from({ length: range.to - range.from + 1 }, (_, k) => get(range.from + k)));
  const x = (i: number, p: number) => landmarks[at(i, p)]!;
  const y = (i: number, p: number) => landmarks[at(i, p) + 1]!;
  const heels = over((i) => (y(i, s.lead.heel) + y(i, s.trail.heel)) / 2);
  const ears = over((i) => (y(i, s.lead.ear) + y(i, s.trail.ear)) / 2);
  const shoulders = over((i) => x(i, s.lead.shoulder) - x(i, s.trail.shoulder));
  const cmPerPx = (SCENE_FIT.earsOverHeels * golfer.statureCm) / (heels - ears);
  const width = (Math.abs(shoulders) * cmPerPx) / golfer.statureCm;
  if (width < NARROWEST_SHOULDERS)
    problems.push({ code: "wrongView", message: "The phone is not in front of you: your shoulders are seen from the side.", action: "Stand the phone square in front of you, where your chest points." });
  else if (shoulders * targetSign(golfer.hand) < 0)
    problems.push({ code: "wrongView", message: "The phone is behind you.", action: "Stand the phone in front of you, where your chest points." });
  if ((heels - ears) / track.video.height < 0.28 && heels - ears < 260)
    problems.push({ code: "small", message: "You are small in the picture.", action: "Step nearer, or stand the phone on end: you should fill two thirds of its height." });
  const cut = over((i) => Math.max(y(i, s.lead.toe), y(i, s.trail.toe))) > track.video.height - 2 || ears < 2;
  if (cut) problems.push({ code: "outOfFrame", message: "Your feet or head are cut off.", action: "Step back one pace." });
  if (track.others.length > 0)
    problems.push({ code: "secondPerson", message: "A second person is in the picture.", action: "Film alone, or stand nearer than anyone else.", from: track.others[0] });
  return {
    view: { asked: "face-on", errorDeg: 0, u: VIEW_PRIOR },
    scale: { cmPerPx, u: cmPerPx * SCENE_FIT.scaleSd, from: "stature" },
    targetSign: targetSign(golfer.hand),
    groundY: heels,
    still,
    problems,
  };
}
