import { type LadderStanding, DAYS, LAST, PASSES } from "@/core/practice";
import { dayWords } from "@/ui/kit/dates";
import { inWords } from "@/ui/kit/inWords";

/** Where a golfer is on a stage, as it is sent to the page. */
export interface StandingShown extends Omit<LadderStanding, "stage"> {
  /** Reps of a rehearsal's dose; null for a judged stage. */
  dose: number | null;
  /** Name of the stage before it. */
  before: string | null;
}

const onDays = (n: number) => (n === 1 ? "on one day" : `on ${inWords(n)} days`);

/** What a stage's standing is taken from, and what it takes. */
export function standingWords(s: StandingShown): string {
  if (s.wentOn)
    return (
      `You went on from it on ${dayWords(s.wentOn)}, ` +
      `${s.dose === null ? `with ${s.passed} of the last ${s.judged} passed` : `after ${s.judged} reps`}.`
    );
  if (s.dose !== null) {
    if (s.is === "done") return `Done: its ${s.dose} reps ${onDays(s.days)}.`;
    return (
      `Done after ${s.dose} reps on each of two ` +
      `days${s.judged === 0 ? "" : s.days === 1 ? "; one day so far" : `; ${s.judged} reps so far`}.`
    );
  }
  const passed = `${s.passed} of the last ${s.judged} passed, ${onDays(s.days)}`;
  if (s.is === "done") return `Done: ${passed}.`;
  if (s.back && s.before) return `${passed}: do ${s.before.toLowerCase()} again first.`;
  return s.judged
    ? `${passed}. Done at ${PASSES} of ${LAST} on ${inWords(DAYS)} days.`
    : `Done when ${PASSES} of the last ${LAST} judged reps pass, on ${inWords(DAYS)} days.`;
}
