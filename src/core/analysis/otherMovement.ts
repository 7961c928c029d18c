import { isJudged, type Stage } from "../drills";
import { type RawMeasure, type MeasureId, SIDES, stepOf } from "../measures";
import { foundByArms, judgedAnyway, type Correction } from "../reps";
import type { Problem } from "../scene";
import type { SideName } from "../track";
import type { FoundRep } from "./readReps";
import type { Analysis } from "./result";

/** What a rep is asked about before it is judged, once a batch: the golfer knows, the film doesn't. */
const QUESTIONS = ["otherHand", "otherMovement"] as const;
type Doubt = (typeof QUESTIONS)[number];

/** Whether a verdict's reason is such a question. */
export const isDoubt = (code: string | undefined): code is Doubt =>
  QUESTIONS.some((q) => q === code);

/**
 * Whether a kept rep is judged whatever it looks like.
 *
 * @param list its corrections
 * @param first code of the reason that it was not judged for before all of them, where there was one
 */
export const isSure = (list: readonly Correction[], first: string | undefined): boolean =>
  judgedAnyway(list) || !isDoubt(first);

/** What a golfer is asked of a clip before anything of it is kept. */
export interface ClipQuestion {
  code: "slowMotion" | Doubt;
  message: string;
}

/** What must be asked of a clip: how fast it was filmed, else what its first doubtful rep is. */
export function questionOf({
  problems,
  reps,
}: Pick<Analysis, "problems" | "reps">): ClipQuestion | null {
  const slow = problems.find((p) => p.code === "slowMotion");
  if (slow) return { code: "slowMotion", message: slow.message };
  for (const { verdict } of reps) {
    const code = verdict?.reason?.code;
    if (isDoubt(code)) return { code, message: verdict!.reason!.message };
  }
  return null;
}

/**
 * Hands that come through on the side on which they were at the top, or nearer, have swung the other
 * way. Against the shoulders they come through 0.35 to 0.53 statures farther toward the target than
 * they were at the top, in all 154 reps of the study, and as much less where the hand is swapped.
 */
const OTHER_WAY = 0;
/** They come through within this after their lowest, s. */
const THROUGH_S = 0.6;
/** Ankles at least so far apart are a usual stance, at most so far feet together; cm at 178 cm. */
const USUAL_STANCE = 33;
const TOGETHER = 17;
/** A foot that was not asked to step and goes this far before the top belongs to another drill, cm. */
const LONG_STEP = 8;

/**
 * Why a rep may not be what it is read as: it goes the other way (another hand, or a mirrored
 * film), or its stance and steps are those of another movement. One thing that is missing is a
 * fault of this drill; that nothing of its stance and steps is there is another movement.
 */
export function isItThat(
  found: FoundRep,
  stage: Stage,
  measures: Record<MeasureId, RawMeasure>,
): Problem | null {
  const { rep, motion } = found;
  if (motion.view !== "face-on" || !foundByArms(stage.rules) || !isJudged(stage)) return null;
  if (goes(found) < OTHER_WAY) return OTHER_HAND;
  const looks = looksLike(
    rep,
    stage,
    (measures.footGapAddress.value * 178) / motion.statureCm,
    (foot) => measures[`${foot}StepLength`].value,
  );
  return looks === null
    ? null
    : {
        code: "otherMovement",
        message: `This looks like ${looks}.`,
        action: "Say whether it is to be judged as this drill.",
        touches: "rep",
      };
}

/**
 * How far the hands come through toward the target of where they were at the top, both against the
 * shoulders, statures. By the rough top and lowest hands: events are told by the side that is asked
 * about. NaN where the arms were not what it was found by.
 */
function goes({ motion: m, window: { from, about, low } }: FoundRep): number {
  if (low === undefined) return NaN;
  const beside = (i: number) => m.handsT[i]! - m.shoulderT[i]!;
  const [top, lowest] = [about - from, low - from];
  let through = lowest;
  for (let i = lowest; i < Math.min(m.n, lowest + THROUGH_S / m.dt); i++)
    if (Math.abs(beside(i)) > Math.abs(beside(through))) through = i;
  return (beside(through) - beside(top)) / m.statureCm;
}

const OTHER_HAND: Problem = {
  code: "otherHand",
  message: "This swing goes the other way: the other hand's, or a mirrored film.",
  action: "Say which hand it was filmed for.",
  touches: "rep",
};

/** Which movement's stance and steps a rep has, where they are not the stage's; null where they are. */
function looksLike(
  rep: FoundRep["rep"],
  stage: Stage,
  gap: number,
  length: (foot: SideName) => number,
): string | null {
  const asked = stage.actions.flatMap(({ need }) =>
    need.kind === "step" && "before" in need ? [need.foot] : [],
  );
  const stepped = SIDES.filter((foot) => {
    const step = stepOf(rep, foot);
    return step !== null && step.liftOff < rep.events.top && Number.isFinite(step.landing);
  });
  if (stepped.some((foot) => !asked.includes(foot) && Math.abs(length(foot)) > LONG_STEP))
    return "a swing with other steps";
  const missing = asked.filter((foot) => !stepped.includes(foot));
  const together = stage.checks.some(
    (c) => c.measure === "footGapAddress" && c.band[1] !== null && c.band[1] < USUAL_STANCE,
  );
  // Drills with steps are done from a narrow stance.
  const narrow = together || asked.length > 0;
  if (narrow && missing.length === asked.length && gap > USUAL_STANCE) return "a normal swing";
  return !together && gap < TOGETHER && (!asked.length || missing.length > 0)
    ? "a swing with the feet together"
    : null;
}
