import { isHeavy } from "./dose";

/** The days on which a golfer was asked last whether anything is sore. */
export interface BodyAsked {
  before?: string;
  after?: string;
}

/**
 * Whether the body is to be asked after now: once a day before its first bout, and once after a
 * heavy one. A streak is not worth a sore back.
 */
export function bodyDue(
  asked: BodyAsked,
  day: string,
  done: readonly { done: number }[],
): keyof BodyAsked | null {
  if (done.length === 0) return asked.before === day ? null : "before";
  return isHeavy(done) && asked.after !== day ? "after" : null;
}
