import { asTrack, type Look, type Stance } from "../live";
import {
  type View,
  CAMERA_PRIOR,
  type Problem,
  readScene,
  type GolferFacts,
  type Scene,
} from "../scene";
import {
  statureInPx,
  finishTrack,
  at,
  EDGES,
  OUTLINE,
  POINT,
  PRESENT,
  type Track,
  targetSign,
} from "../track";
import {
  AIM_STEPS,
  type Aim,
  type AimFault,
  type AimState,
  type AimStep,
  type AimWrong,
} from "./aimSteps";
import type { Reach } from "./plan";
import type { Stood } from "./stood";

export interface AimInput {
  /** Looks of the last second or so. */
  looks: readonly Look[];
  stance: Stance;
  /** What looks at whole pictures told lately. */
  about: Pick<Track, "looks" | "others">;
  /** Of the picture, px; and what the camera said it gives, pictures a second. */
  size: { width: number; height: number; fps: number };
  golfer: GolferFacts;
  view: View;
  /** How far the movement's body goes; null where no movement is known. */
  reach: Reach | null;
  /**
   * The phone's roll by its own sensor, degrees, + clockwise as its screen is seen; null without
   * one.
   */
  rollDeg: number | null;
  /** Pictures a second that really come; null before that is known. */
  fps: number | null;
}

/**
 * Twice what phones that nothing tells of are usually off by, which every uncertainty reckons with
 * anyway, degrees.
 */
const ROLLED = 2 * CAMERA_PRIOR.rollDeg[1];
/**
 * Fewer pictures a second than this are those of a camera in the dark, or of a device that can't:
 * 30 is the least that timing is judged by, and a camera keeps it within a fifth.
 */
const SLOW_FPS = 24;

/**
 * Whether the phone stands so that reps can be judged: one thing at a time, in the order of
 * `AIM_STEPS`. What spoils a rep is told by the same rules as in a clip (`readScene`), so that
 * nothing passes here that is said to be wrong after the rep.
 */
export function aimOf(input: AimInput): Aim {
  const { stance, rollDeg, fps } = input;
  if (!stance.present)
    return {
      steps: { you: "wrong", feet: "open", square: "open", level: "open", light: "open" },
      wrong: wrong("you", "nobody", true),
      told: null,
    };
  const track = stance.settled && !stance.moving ? trackOf(input) : null;
  const scene =
    track && readScene(finishTrack(track, input.view === "face-on"), input.golfer, input.view);
  const stood = track && stoodAt(track);
  const problem = (...codes: Problem["code"][]) =>
    scene?.problems.find((p) => codes.includes(p.code));
  const faults: Record<AimStep, AimWrong | null | undefined> = {
    you: problem("secondPerson") ? wrong("you", "several", false) : null,
    feet: scene && stood && framed(scene, stood, input),
    square:
      scene &&
      (problem("wrongView", "lost")
        ? wrong("square", "wrong view", true)
        : problem("askew")
          ? wrong("square", "askew", false, scene.view.errorDeg)
          : null),
    level:
      rollDeg === null
        ? undefined
        : Math.abs(rollDeg) > ROLLED
          ? wrong("level", "rolled", false, rollDeg)
          : null,
    light: problem("dark")
      ? wrong("light", "dark", true)
      : fps !== null && fps < SLOW_FPS
        ? wrong("light", "slow", false, fps)
        : null,
  };
  const state = (step: AimStep): AimState =>
    faults[step]
      ? "wrong"
      : faults[step] === undefined
        ? "unmeasured"
        : scene || step === "you"
          ? "right"
          : "open";
  return {
    steps: Object.fromEntries(AIM_STEPS.map((s) => [s, state(s)])) as Aim["steps"],
    wrong: AIM_STEPS.map((s) => faults[s]).find((f) => f) ?? null,
    told: scene && stood && { scale: scene.scale, stood },
  };
}

const wrong = (
  step: AimStep,
  fault: AimFault,
  blocks: boolean,
  by: number | null = null,
): AimWrong => ({ step, fault, by, blocks });

function trackOf({ looks, about, size: { width, height, fps } }: AimInput): Track {
  const seen = looks.filter((l) => l.presence >= PRESENT);
  const n = seen.length;
  return {
    ...asTrack(seen),
    ...about,
    outline: new Float32Array(n * OUTLINE).fill(NaN),
    footEdges: new Float32Array(n * EDGES).fill(NaN),
    footPaths: [],
    handsPaths: [],
    sounds: [],
    video: { width, height, frames: n, fps, rotation: 0, audio: false, durationMs: 0 },
    crop: { cx: 0, cy: 0, size: 0 },
    model: "",
  };
}

/**
 * Whether all of the golfer is in the picture, near enough, and there is room for what the movement
 * does.
 */
function framed(scene: Scene, { x, y }: Stood, { size, golfer, reach }: AimInput): AimWrong | null {
  const cut = scene.problems.find((p) => p.code === "outOfFrame");
  if (cut) return wrong("feet", cut.part === "feet" ? "feet cut off" : "head cut off", true);
  if (scene.problems.some((p) => p.code === "small")) return wrong("feet", "too far", false);
  if (!reach) return null;
  const px = (cm: number) => cm / scene.scale.cmPerPx;
  const sign = targetSign(golfer.hand);
  const [left, right] =
    sign > 0
      ? [px(reach.across[0]), px(reach.across[1])]
      : [-px(reach.across[1]), -px(reach.across[0])];
  const free = { left: x * size.width + left, right: size.width - x * size.width - right };
  if (y * size.height - px(reach.up) < 0 || free.left + free.right < 0)
    return wrong("feet", "too near", false);
  return free.left < 0
    ? wrong("feet", "beside left", false)
    : free.right < 0
      ? wrong("feet", "beside right", false)
      : null;
}

/** Where the golfer stands, by the middle of the looks. */
function stoodAt(track: Track): Stood {
  const { width, height } = track.video;
  const i = track.times.length >> 1;
  const of = (axis: 0 | 1) =>
    FEET.reduce((sum, p) => sum + track.landmarks[at(i, p) + axis]!, 0) / FEET.length;
  return { x: of(0) / width, y: of(1) / height, tall: statureInPx(track) / height };
}

const FEET = [POINT.leftHeel, POINT.rightHeel];
