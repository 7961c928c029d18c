import type { VerdictSummary } from "../judge";
import { LAST, PASSES, type LadderStanding } from "./ladder";

/** When a rep's answer is said: after each, after every third, or at the end of the bout. */
export const FEEDBACK = ["each", "third", "end"] as const;
export type Feedback = (typeof FEEDBACK)[number];

/** So many fails running, and the answer is said whatever was asked for: the golfer has lost it. */
const RUNNING = 3;

/**
 * How often answers are said: they fade as a stage is mastered (docs/movement.md, verdict rule 6).
 * After each rep until a stage's passes are those that go on from it, 8 of the last 10; then after
 * every third; at the end of the bout once the stage is done.
 *
 * @example feedbackFor({ is: "here", judged: 10, passed: 8 }) // "third"
 */
export function feedbackFor({
  is,
  judged,
  passed,
}: Pick<LadderStanding, "is" | "judged" | "passed">): Feedback {
  if (judged < LAST || passed < PASSES) return "each";
  return is === "done" ? "end" : "third";
}

/** Whether the last of a bout's reps is answered at once. @param told all of them, in order */
export function isAnswered(
  feedback: Feedback,
  told: readonly Pick<VerdictSummary, "result">[],
): boolean {
  const running = told.slice(-RUNNING);
  if (running.length === RUNNING && running.every((t) => t.result === "fail")) return true;
  return feedback === "each" || (feedback === "third" && told.length % 3 === 0);
}

/**
 * The cue that was said of the last three judged reps running; null where they differ: then another
 * way may help.
 */
export function sameCue(told: readonly Pick<VerdictSummary, "result" | "cue">[]): string | null {
  const judged = told.filter((t) => t.result !== "not judged").slice(-RUNNING);
  const cue = judged.at(-1)?.cue;
  return cue &&
    judged.length === RUNNING &&
    judged.every((t) => t.result === "fail" && t.cue?.id === cue.id)
    ? cue.words
    : null;
}
