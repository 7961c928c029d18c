import type { Track } from "../track/track";

/** What a problem spoils: the whole rep, what the feet tell, what the head tells, or nothing (it is only said). */
export type Touches = "rep" | "feet" | "head" | "nothing";

/** Something that limits what the clip can tell, in words and with what to do. */
export interface Problem {
  code: "wrongView" | "secondPerson" | "outOfFrame" | "small" | "noMotion" | "slowMotion" | "movedCamera" | "dark" | "blurred" | "askew" | "lost";
  message: string;
  action: string;
  touches: Touches;
  /** ms between which it holds; the whole clip when left out. */
  from?: number;
  to?: number;
}

/** The problems that hold at some time between two, ms. */
export const during = (problems: readonly Problem[], from: number, to: number): Problem[] =>
  problems.filter((p) => (p.from ?? -Infinity) <= to && (p.to ?? Infinity) >= from);

/** A background that has moved this far, in shares of the picture's long side, is a phone that moved: 3 px at 1280. */
const MOVED = 3 / 1280;
/** A golfer darker than this on average (0–255) can't be followed. */
const DARK = 26;

/** Somebody seen in one look alone may be a coat on a hook: the next look but one at the latest sees them again, ms. */
const SEEN_AGAIN_MS = 1200;

/** Problems that looks at the whole picture told while it was read: a phone that moved, darkness, other people. */
export function pictureProblems(track: Track): Problem[] {
  const out: Problem[] = [];
  const far = MOVED * Math.max(track.video.width, track.video.height);
  const moved = track.looks.filter((l) => l.moved !== null && l.moved > far);
  // One look alone may be a passer-by in most of the background.
  const last = track.looks.filter((l) => l.moved !== null).slice(-1)[0];
  if (moved.length >= 2 || (moved.length === 1 && last === moved[0]))
    out.push({ code: "movedCamera", message: "The phone moved while it filmed.", action: "Fix the phone so that it can't sag or be knocked, and film again.", touches: "rep", from: moved[0]!.t });
  const luma = track.looks.map((l) => l.luma).filter((v) => !Number.isNaN(v)).sort((a, b) => a - b);
  if (luma.length && luma[luma.length >> 1]! < DARK)
    out.push({ code: "dark", message: "It is too dark to follow you.", action: "Turn on a light, or wait for daylight.", touches: "rep" });
  if (track.others.some((t, i) => i > 0 && t - track.others[i - 1]! < SEEN_AGAIN_MS))
    out.push({ code: "secondPerson", message: "A second person is in the picture.", action: "Film alone, or stand nearer than anyone else.", touches: "nothing", from: track.others[0], to: track.others[track.others.length - 1] });
  return out;
}
