/** From measures to a verdict: checks, required actions, the cue. */
export { actionsOf, looksForSteps, reached } from "./actions";
export { decidesByTop, decidingInstant, holdOf, SETTLES_MS } from "./deciding";
export { checkBand, failWords, judge } from "./judge";
export {
  type ActionVerdict,
  type CheckResult,
  type CheckVerdict,
  isRehearsal,
  type Measured,
  summaryOf,
  type Verdict,
  type VerdictSummary,
} from "./verdict";
