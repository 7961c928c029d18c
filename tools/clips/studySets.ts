import type { MovementScript } from "../../src/core/figure/script";
import { seeded, type Seeded } from "../../src/core/maths/seeded";
import type { ClipSpec, PhoneCamera, Place } from "./clip";
import * as move from "./movements";
import { FIT_GOLFERS, outfit, REPORT_GOLFERS } from "./people";

/**
 * The study's clips: a set to fit on, a set to report on (other bodies, other clothes), and a set
 * of spoiled clips.
 */

type Fold = "fit" | "report";
export const PLACES: readonly Place[] = ["range", "hall", "carport", "room"];
const between = (r: Seeded, low: number, high: number) => low + (high - low) * r.uniform();

/**
 * A phone within the conditions that the figures are promised for: view within 5°, 3 to 5 m, 720p
 * at 60 pictures a second.
 */
export function ordinaryPhone(r: Seeded, stature: number): PhoneCamera {
  const portrait = r.uniform() < 0.25;
  const fov = between(r, 60, 75);
  // Far enough for the whole body and the club, as the setting-up asks for.
  const least = portrait ? 300 : 310 + (stature - 170) * 1.6;
  return {
    distance: between(r, Math.max(300, least), 480),
    height: between(r, 60, 140),
    fov,
    roll: between(r, -2, 2),
    yaw: between(r, -5, 5),
    pitch: between(r, -1.5, 1.5),
    width: portrait ? 720 : 1280,
    height_px: portrait ? 1280 : 720,
    fps: 60,
    shutter: r.uniform() < 0.5 ? between(r, 1 / 500, 1 / 240) : 0,
    noise: between(r, 0.6, 1.6),
    crf: Math.round(between(r, 24, 29)),
  };
}

interface Wanted {
  name: string;
  /** What they are of, where a name alone is taken. */
  about?: string;
  script: (r: Seeded, k: number) => MovementScript;
  drill?: string;
  view?: ClipSpec["view"];
  /** Pictures a second; long clips whose times are not of a frame's kind need fewer. */
  fps?: number;
  count: Record<Fold, number>;
}

const WANTED: readonly Wanted[] = [
  { name: "swing", script: move.plainSwing, count: { fit: 14, report: 28 } },
  { name: "together", script: move.feetTogether, count: { fit: 1, report: 3 } },
  { name: "rock", script: move.movingStart, count: { fit: 3, report: 6 } },
  { name: "early-step", script: move.earlyLeadStep, count: { fit: 3, report: 7 } },
  { name: "through", script: move.walkThrough, count: { fit: 3, report: 6 } },
  {
    name: "double",
    script: (r) => move.anyDoubleStep(r, null),
    drill: "double-step",
    count: { fit: 5, report: 8 },
  },
  ...(["leadLate", "tooBig", "handsFirst", "sways", "noWeight"] as const).map((fault): Wanted => ({
    name: `double-${fault}`,
    script: (r) => move.anyDoubleStep(r, fault),
    drill: "double-step",
    count: { fit: 1, report: 3 },
  })),
  { name: "gesture", script: move.gesture, count: { fit: 3, report: 7 } },
  { name: "rocking", script: move.rocking, fps: 30, count: { fit: 1, report: 4 } },
  { name: "stepping", script: move.stepping, fps: 30, count: { fit: 1, report: 3 } },
  { name: "pivot", script: move.footPivot, fps: 30, count: { fit: 2, report: 4 } },
  { name: "hold", script: move.oneLeg, fps: 30, count: { fit: 1, report: 3 } },
  { name: "dtl", script: move.plainSwing, view: "down-the-line", count: { fit: 7, report: 15 } },
  {
    name: "many-swing",
    script: (r) => move.manyReps(r, "swing", 4),
    fps: 30,
    count: { fit: 1, report: 3 },
  },
  {
    name: "many-double",
    script: (r) => move.manyReps(r, "double-step", 4),
    drill: "double-step",
    fps: 30,
    count: { fit: 0, report: 2 },
  },
  // Added later, at the end, so that the golfers of those above stay theirs.
  {
    name: "rocking-again",
    about: "rocking",
    script: move.rocking,
    fps: 30,
    count: { fit: 2, report: 0 },
  },
  {
    name: "stepping-again",
    about: "stepping",
    script: move.stepping,
    fps: 30,
    count: { fit: 2, report: 0 },
  },
  {
    name: "pivot-again",
    about: "pivot",
    script: move.footPivot,
    fps: 30,
    count: { fit: 2, report: 0 },
  },
  {
    name: "pivot-wide",
    about: "pivot",
    script: move.widePivot,
    fps: 30,
    count: { fit: 4, report: 4 },
  },
  {
    name: "toss",
    about: "gesture",
    script: (r) => move.gesture(r, 2),
    count: { fit: 4, report: 0 },
  },
  {
    name: "pivot-apart",
    about: "pivot",
    script: move.pivotApart,
    fps: 30,
    count: { fit: 6, report: 0 },
  },
  {
    name: "through-again",
    about: "through",
    script: move.walkThrough,
    count: { fit: 5, report: 3 },
  },
  {
    name: "stepping-slips",
    about: "stepping",
    script: move.slipping,
    fps: 30,
    count: { fit: 4, report: 4 },
  },
  {
    name: "trail-out",
    script: move.trailOut,
    drill: "trail-step-flat",
    count: { fit: 5, report: 4 },
  },
  { name: "hangs-back", script: move.hangingBack, count: { fit: 3, report: 3 } },
  { name: "spins", script: move.spinning, count: { fit: 4, report: 3 } },
];

function foldClips(fold: Fold): ClipSpec[] {
  const golfers = fold === "fit" ? FIT_GOLFERS : REPORT_GOLFERS;
  let n = 0;
  return WANTED.flatMap((w, kind) =>
    Array.from({ length: w.count[fold] }, (_, k) => {
      const seed = (fold === "fit" ? 1000 : 5000) + kind * 100 + k;
      const r = seeded(seed);
      const golfer = golfers[n++ % golfers.length]!;
      const script = w.script(r, k);
      return {
        id: `${w.name}-${k + 1}`,
        about: w.about ?? w.name,
        golfer,
        drill: w.drill ?? "none",
        view: w.view ?? "face-on",
        script,
        outfit: outfit(fold, r),
        place: PLACES[Math.floor(r.uniform() * PLACES.length)]!,
        camera: { ...ordinaryPhone(r, golfer.stature), fps: w.fps ?? 60 },
        wind: r.uniform() * 0.6,
        seed,
      } satisfies ClipSpec;
    }),
  );
}

export const FIT: ClipSpec[] = foldClips("fit");
export const REPORT: ClipSpec[] = foldClips("report");

/** Conditions outside the promise, a few clips each: how the figures change with them. */
export const CONDITIONS: ClipSpec[] = [
  ...vary("fps30", 5, () => ({ fps: 30 })),
  ...vary("fps120", 2, () => ({ fps: 120 })),
  ...vary("fps240", 1, () => ({ fps: 240 })),
  ...vary("p1080", 2, () => ({ width: 1920, height_px: 1080 })),
  ...vary("far", 2, (r) => ({ distance: between(r, 560, 600) })),
  ...vary("askew", 3, (r) => ({ yaw: between(r, 8, 14) * (r.uniform() < 0.5 ? -1 : 1) })),
  ...vary("backlight", 3, () => ({}), { light: "backlight", place: "range" }),
  ...vary("dusk", 3, () => ({ shutter: 1 / 70, noise: 2.6 }), { light: "dusk" }),
];

function vary(
  name: string,
  count: number,
  change: (r: Seeded) => Partial<PhoneCamera>,
  other: Partial<ClipSpec> = {},
): ClipSpec[] {
  return Array.from({ length: count }, (_, k) => {
    const r = seeded(8000 + [...name].reduce((s, c) => s + c.charCodeAt(0), 0) * 10 + k);
    const golfer = REPORT_GOLFERS[(k * 3 + name.length) % REPORT_GOLFERS.length]!;
    const step = k % 2 === 1;
    return {
      id: `${name}-${k + 1}`,
      about: name,
      golfer,
      drill: step ? "double-step" : "none",
      view: "face-on" as const,
      script: step ? move.anyDoubleStep(r, null) : move.plainSwing(r),
      outfit: outfit("report", r),
      place: PLACES[k % 4]!,
      camera: { ...ordinaryPhone(r, golfer.stature), ...change(r) },
      seed: 8000 + k,
      ...other,
    };
  });
}

/**
 * Clips that must never be a pass, and why: good double steps filmed so that they cannot be judged.
 */
export const SPOILED: ClipSpec[] = [
  ...spoiled(
    "wrong-view",
    2,
    (k) => ({ view: k ? ("down-the-line" as const) : ("face-on" as const) }),
    (k) => (k ? {} : { yaw: 48 }),
  ),
  ...spoiled(
    "feet-cut",
    3,
    () => ({}),
    (k) => ({ pitch: 13 + k * 2, distance: 300 }),
  ),
  ...spoiled(
    "knocked",
    3,
    () => ({}),
    (k) => ({ knock: { at: 1.5 + k * 0.3, pitch: 3 - k, roll: 2 + k, yaw: k - 1 } }),
  ),
  ...spoiled(
    "sag",
    2,
    () => ({}),
    (k) => ({ sag: { at: 0.6, perSecond: 1.2 + k } }),
  ),
  ...spoiled(
    "dark",
    3,
    () => ({ light: "dark" as const, place: "room" as const }),
    () => ({ noise: 4, shutter: 1 / 60 }),
  ),
  // They are before the golfer about five seconds after they begin: during the rep.
  ...spoiled(
    "crossing",
    4,
    (k) => ({
      passer: {
        from: -2.8 - 0.15 * k,
        behind: -130,
        direction: k % 2 ? (1 as const) : (-1 as const),
      },
    }),
    () => ({}),
  ),
];

function spoiled(
  name: string,
  count: number,
  other: (k: number) => Partial<ClipSpec>,
  camera: (k: number) => Partial<PhoneCamera>,
): ClipSpec[] {
  return Array.from({ length: count }, (_, k) => {
    const r = seeded(9000 + [...name].reduce((s, c) => s + c.charCodeAt(0), 0) * 10 + k);
    const golfer = REPORT_GOLFERS[(k * 5 + name.length) % REPORT_GOLFERS.length]!;
    return {
      id: `${name}-${k + 1}`,
      about: name,
      golfer,
      drill: "double-step",
      view: "face-on" as const,
      script: move.anyDoubleStep(r, null),
      outfit: outfit("report", r),
      place: PLACES[k % 4]!,
      camera: { ...ordinaryPhone(r, golfer.stature), width: 1280, height_px: 720, ...camera(k) },
      seed: 9000 + k,
      ...other(k),
    };
  });
}
