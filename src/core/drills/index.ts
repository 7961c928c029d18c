/** A drill's definition, the built-in library, and what each stage asks. */
export { BASELINE, bandFor, DRILLS, findStage, stageOf } from "./builtIn";
export { decides, isJudged, type Level, LEVELS, questionsOf } from "./drill";
export type { Check, Drill, FailWords, Fault, RequiredAction, Stage } from "./drill";
export {
  BODY_PARTS,
  type BodyPart,
  type Club,
  CLUBS,
  type Dose,
  type Phase,
  PHASES,
  type School,
  type StyleId,
  type Styles,
  STYLES,
  type SymptomId,
  SYMPTOMS,
} from "./drill";
export { margins } from "./drillTruth";
export { APART, benchUOf, mustMargins } from "./mustRule";
export { CAUTIONS } from "./parts";
export { pathsThrough } from "./paths";
export { adviceFor, SELF_CHECK, type SelfCheckAnswers } from "./selfCheck";
export { untellable } from "./tellable";
export { partOf, type ViewPart } from "./twoViews";
