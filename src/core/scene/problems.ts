import { median } from "../maths";
import { statureInPx, at, POINT, type Track } from "../track";

/**
 * What a problem spoils: the whole rep, what the feet tell, what the head tells, or nothing (it is
 * only said).
 */
type Touches = "rep" | "feet" | "head" | "nothing";

/** Something that limits what the clip can tell, in words and with what to do. */
export interface Problem {
  code:
    | "wrongView"
    | "secondPerson"
    | "outOfFrame"
    | "small"
    | "noMotion"
    | "slowMotion"
    | "movedCamera"
    | "dark"
    | "blurred"
    | "askew"
    | "lost"
    | "otherHand"
    | "otherMovement";
  message: string;
  action: string;
  touches: Touches;
  /** Which end of the golfer is out of the picture. */
  part?: "feet" | "head";
  /** ms between which it holds; the whole clip when left out. */
  from?: number;
  to?: number;
}

/** The problems that hold at some time between two, ms. */
export const during = (problems: readonly Problem[], from: number, to: number): Problem[] =>
  problems.filter((p) => (p.from ?? -Infinity) <= to && (p.to ?? Infinity) >= from);

/**
 * A background that has moved this far, in shares of the picture's long side, is a phone that
 * moved: 3 px at 1280.
 */
const MOVED = 3 / 1280;
/**
 * A golfer darker than this on average (0–255) can't be followed: rendered rooms without light are
 * at 28 to 33, dusk and a window behind at 46 to 59.
 */
const DARK = 40;

/**
 * Somebody seen in one look alone may be a coat on a hook: the next look but one at the latest sees
 * them again, ms.
 */
const SEEN_AGAIN_MS = 1200;
/**
 * The detector's square round a standing body, in body heights: it is 2.5 times the radius of a
 * circle round the whole body.
 */
const SQUARE = 1.42;
/** A square this many times the golfer's is that of somebody nearer to the lens. */
const NEARER = 1.15;
/** Squares of people, in the golfer's: from three times as far off to half as far. */
const PERSON = [0.33, 2.2] as const;
/** Smaller ones must stand this far beside the golfer, body heights. */
const BESIDE = 0.35;
/**
 * Somebody nearer hides the golfer when they are this near across the picture (body heights), or
 * were on one side and then on the other within `CROSSED_MS`.
 */
const BEFORE = 0.5;
const CROSSED_MS = 2600;
/**
 * People are looked for twice a second: what one look tells holds from the one before it to the
 * next, ms.
 */
const BETWEEN_LOOKS_MS = 500;

/** What those are told from. */
type Looked = Pick<Track, "times" | "landmarks" | "looks" | "others"> & {
  video: Pick<Track["video"], "width" | "height">;
};

/**
 * Problems that looks at the whole picture told while it was read: a phone that moved, darkness,
 * other people.
 */
export function pictureProblems(track: Looked): Problem[] {
  const luma = track.looks
    .map((l) => l.luma)
    .filter((v) => !Number.isNaN(v))
    .sort((a, b) => a - b);
  // In the dark nothing else that the picture seems to tell is worth saying.
  if (luma.length && luma[luma.length >> 1]! < DARK)
    return [
      {
        code: "dark",
        message: "It is too dark to follow you.",
        action: "Turn on a light, or wait for daylight.",
        touches: "rep",
      },
    ];
  const out = otherPeople(track);
  // Somebody before the lens hides the background as well.
  if (out.some((p) => p.touches === "rep")) return out;
  const far = MOVED * Math.max(track.video.width, track.video.height);
  const moved = track.looks.filter((l) => l.moved !== null && l.moved > far);
  // One look alone may be a passer-by in most of the background.
  const last = track.looks.filter((l) => l.moved !== null).slice(-1)[0];
  if (moved.length >= 2 || (moved.length === 1 && last === moved[0]))
    out.push({
      code: "movedCamera",
      message: "The phone moved while it filmed.",
      action: "Fix the phone so that it can't sag or be knocked, and film again.",
      touches: "rep",
      from: moved[0]!.t,
    });
  return out;
}

/**
 * Other people: in front of the golfer they spoil what happens meanwhile, elsewhere they are only
 * said.
 */
function otherPeople(track: Looked): Problem[] {
  const tall = statureInPx(track);
  const golfer = median(
    Array.from(
      track.times,
      (_, i) =>
        (track.landmarks[at(i, POINT.leftHip)]! + track.landmarks[at(i, POINT.rightHip)]!) / 2,
    ),
  );
  const ratio = (o: Track["others"][number]) => o.size / (SQUARE * tall);
  // What is far too small or large is no person, and what stands where the golfer does and is no
  // larger is the golfer.
  const others = track.others.filter(
    (o) =>
      ratio(o) > PERSON[0] &&
      ratio(o) < PERSON[1] &&
      (ratio(o) > NEARER || Math.abs(o.x - golfer) > BESIDE * tall),
  );
  const nearer = others.filter((o) => ratio(o) > NEARER);
  const hidden = nearer.flatMap((o, i) => {
    const last = nearer[i - 1];
    const crossed =
      last && o.t - last.t < CROSSED_MS && Math.sign(o.x - golfer) !== Math.sign(last.x - golfer);
    return crossed
      ? [last.t, o.t]
      : Math.abs(o.x - golfer) < BEFORE * tall
        ? [o.t - BETWEEN_LOOKS_MS, o.t + BETWEEN_LOOKS_MS]
        : [];
  });
  if (hidden.length)
    return [
      {
        code: "secondPerson",
        message: "Somebody was between you and the phone.",
        action: "Film again when nobody is on the way.",
        touches: "rep",
        from: Math.min(...hidden),
        to: Math.max(...hidden),
      },
    ];
  if (
    !others.some(
      ({ t }, i) => i > 0 && t > others[i - 1]!.t && t - others[i - 1]!.t < SEEN_AGAIN_MS,
    )
  )
    return [];
  return [
    {
      code: "secondPerson",
      message: "A second person is in the picture.",
      action: "Film alone, or stand nearer than anyone else.",
      touches: "nothing",
      from: others[0]!.t,
      to: others[others.length - 1]!.t,
    },
  ];
}
