import { doubleStep, type DoubleStepOptions } from "../../src/core/figure/scripts/doubleStep";
import { swing } from "../../src/core/figure/scripts/swing";
import type { MovementScript } from "../../src/core/figure/script";
import { seeded, type Seeded } from "../../src/core/maths/seeded";
import type { ClipSpec } from "./clip";
import type { Outfit } from "./golferMesh";

export const INKA = {
  name: "Inka Sorrel",
  stature: 170,
  sex: "female",
  hand: "right",
  build: 0.95,
} as const;
const TOBIN = {
  name: "Tobin Ashgrove",
  stature: 178,
  sex: "male",
  hand: "right",
  build: 1,
} as const;
const MAREK = {
  name: "Marek Fenwell",
  stature: 184,
  sex: "male",
  hand: "left",
  build: 1.08,
} as const;

export const OUTFITS: Record<string, Outfit> = {
  inka: {
    shirt: { base: "#3c6f9e", second: "#e7dfc8", kind: "stripes" },
    trousers: { base: "#3a3f46", second: "#565d66", kind: "checks" },
    shoes: "#f0eee8",
    cap: "#f3efe4",
    hair: "#4a3220",
    skin: "#d9a383",
  },
  tobin: {
    shirt: { base: "#a8452e", second: "#7e2f20", kind: "leaves" },
    trousers: { base: "#c8b48c", second: "#b09b70", kind: "checks" },
    shoes: "#e9e7e1",
    cap: "#23485e",
    hair: "#6a4a2a",
    skin: "#e0b091",
  },
  marek: {
    shirt: { base: "#e5e2d6", second: "#5f7d55", kind: "checks" },
    trousers: { base: "#2f3a52", second: "#3f4d6b", kind: "checks" },
    shoes: "#4a4f55",
    cap: null,
    hair: "#2c241e",
    skin: "#b98362",
  },
};

export const HOME = {
  distance: 405,
  height: 105,
  fov: 67,
  roll: 0.6,
  yaw: 1.5,
  width: 1280,
  height_px: 720,
  fps: 60,
};

/**
 * The shipped clips: a good double step, each way it goes wrong, a left-hander, an ordinary swing,
 * another body.
 */
export const DEMO: ClipSpec[] = [
  step("double-step-good", "Both feet in time, the weight goes with them.", {}, 21),
  step(
    "double-step-lead-late",
    "The lead foot comes down after the club has turned.",
    { leadBeforeTop: -0.17, leadAir: 0.3 },
    22,
  ),
  step(
    "double-step-too-big",
    "The trail step is longer than a shoe.",
    { trailStep: -25, trailAir: 0.34, loadedShare: 16 },
    23,
  ),
  step(
    "double-step-hands-first",
    "The hands have left before the trail foot does.",
    { trailFirst: -0.2, still: 0.9, back: 1.15, trailAir: 0.26 },
    24,
  ),
  step(
    "double-step-sways",
    "The hips drift out past the planted trail foot.",
    { tiltTop: -19, loadedShare: 2, trailStep: -6 },
    25,
  ),
  step(
    "double-step-no-weight",
    "The feet step, the weight stays where it was.",
    { sentShare: 68, loadedShare: 66, leadAir: 0.18, trailAir: 0.24, leadStep: 8 },
    26,
  ),
  step(
    "double-step-left",
    "A left-hander, seen the other way round.",
    { still: 0.9, back: 1.04 },
    27,
    {
      golfer: MAREK,
      outfit: OUTFITS.marek!,
      place: "hall",
      camera: { ...HOME, distance: 430, roll: -0.8, yaw: -2 },
    },
  ),
  step(
    "double-step-good-tall",
    "Good again, by another golfer at a carport net.",
    { leadStep: 9, trailStep: -8, loadedShare: 16, gap: 23 },
    28,
    {
      golfer: TOBIN,
      outfit: OUTFITS.tobin!,
      place: "carport",
      camera: { ...HOME, distance: 380, height: 120, roll: 0.2, yaw: 3 },
    },
  ),
  clip("normal-swing", "An ordinary swing with quiet feet.", "none", swing(), 29),
  ...Array.from({ length: 5 }, (_, k) =>
    clip(
      `five-swings-${k + 1}`,
      "One of five swings as she always makes them: the hips go with the weight.",
      "none",
      swaying(seeded(500 + k)),
      30 + k,
    ),
  ),
];

/**
 * Inka's own swing, no two alike: the hips leave their place going back, and not all of the weight
 * comes across in time.
 */
function swaying(r: Seeded): MovementScript {
  const about = (middle: number, spread: number) => middle + spread * r.normal();
  return swing({
    still: about(0.6, 0.05),
    back: about(0.88, 0.03),
    down: about(0.27, 0.008),
    gap: about(43, 1),
    share: { loaded: about(12, 2), top: about(44, 2), impact: about(60, 3), finish: about(86, 2) },
    tilt: { address: 3, top: about(-6, 1), impact: about(10, 1) },
  });
}

function step(
  id: string,
  about: string,
  options: Partial<DoubleStepOptions>,
  seed: number,
  other: Partial<ClipSpec> = {},
): ClipSpec {
  return clip(id, about, "double-step", doubleStep(options), seed, other);
}

function clip(
  id: string,
  about: string,
  drill: ClipSpec["drill"],
  script: MovementScript,
  seed: number,
  other: Partial<ClipSpec> = {},
): ClipSpec {
  return {
    id,
    about,
    drill,
    view: "face-on",
    script,
    seed,
    golfer: INKA,
    outfit: OUTFITS.inka!,
    place: "range",
    camera: HOME,
    ...other,
  };
}
