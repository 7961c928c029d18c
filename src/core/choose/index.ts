/** Which drill serves whom: symptoms, search, a golfer's profile, conflicts between drills. */
export { carriedChecks, isCarried } from "./carried";
export { type Conflict, conflicts, conflictWords } from "./conflicts";
export { findingWords } from "./plain";
export {
  FEWEST_SWINGS,
  type Finding,
  type Profile,
  profileOf,
  type Suggestion,
  TAKEN_CLUB,
} from "./profile";
export { firstStance, type FootStance, REACH_CM, STANCE_WORDS, STANCES } from "./reach";
export { search, SHORTEST } from "./search";
export { compareStances, STANCE_DRILL, STANCE_STAGES, type StanceComparison } from "./stances";
export { findStyle, opposed, STYLE_CHOICES, type StyleChoice, stylesOf } from "./styles";
export { drillsFor, findSymptom, SYMPTOM_ROWS } from "./symptoms";
export { answer, type Answer, type Cause, causesOf, examples } from "./which";
