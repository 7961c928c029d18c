/** From measures to a verdict: checks, required actions, the cue. */
export { actionsOf, looksForSteps, LOOKS_FOR_STEPS, reached } from "./actions";
export { decidesByTop, decidingInstant, holdOf, SETTLES_MS } from "./deciding";
export { checkBand, failWords, judge } from "./judge";
export {
  type ActionVerdict,
  type CheckResult,
  type CheckVerdict,
  isRehearsal,
  leftOpen,
  type Measured,
  summaryOf,
  type Verdict,
  type VerdictSummary,
} from "./verdict";
