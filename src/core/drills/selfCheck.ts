import { withId } from "../maths";
import type { Drill } from "./drill";
import { ONE_LEG, UNSTEADY } from "./parts";

/**
 * What a golfer asks of themselves before the first rep of a drill. `fine` is the answer with which
 * they go on.
 */
export const SELF_CHECK = [
  { id: "pain", question: "Does anything hurt now?", fine: "no" },
  { id: "injury", question: "A recent injury or operation, or dizziness?", fine: "no" },
  { id: "balance", question: "Can you stand on each leg for ten seconds?", fine: "yes" },
  { id: "floor", question: "Are floor and shoes dry, and do they grip?", fine: "yes" },
  {
    id: "space",
    question: "Is there room for the whole club, above and behind, and nobody in it?",
    fine: "yes",
  },
] as const;
type SelfCheckId = (typeof SELF_CHECK)[number]["id"];
export type SelfCheckAnswers = Partial<Record<SelfCheckId, "yes" | "no">>;

export interface Advice {
  /** Whether to begin; never through pain. */
  go: boolean;
  title: string;
  words: string;
}

/** What the answers come to for a drill; null until all are given that matter. */
export function adviceFor(answers: SelfCheckAnswers, drill: Pick<Drill, "notWhen">): Advice | null {
  const bad = (id: SelfCheckId) =>
    answers[id] !== undefined && answers[id] !== withId(SELF_CHECK, id).fine;
  if (bad("pain") || bad("injury"))
    return {
      go: false,
      title: "Not today",
      words:
        "See a physiotherapist, a doctor or a qualified teacher first. Nothing here advises through pain.",
    };
  if (bad("balance") && drill.notWhen.some((w) => w === ONE_LEG || w === UNSTEADY))
    return {
      go: false,
      title: "Not this drill",
      words:
        "It asks for a steadier stand. Choose one with both feet on the ground, or ask a physiotherapist what would help.",
    };
  if (bad("floor"))
    return {
      go: false,
      title: "Another floor first",
      words: "Dry it, or take shoes that grip. A foot that slips hurts a knee.",
    };
  if (bad("space"))
    return {
      go: false,
      title: "Make room first",
      words: "Swing once, slowly, without a ball: the club must clear everything.",
    };
  if (SELF_CHECK.some((c) => answers[c.id] === undefined)) return null;
  return bad("balance")
    ? { go: true, title: "Go gently", words: "Have something to hold within reach." }
    : { go: true, title: "Begin", words: "Stop at pain, and at dizziness." };
}
