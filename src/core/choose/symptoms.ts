import { DRILLS, type Drill, type SymptomId } from "../drills";
import type { MeasureId } from "../measures";

/** Something that golfers notice, what it usually is, and how to know. */
export interface Symptom {
  id: SymptomId;
  /** In the golfer's words, as a title. */
  name: string;
  /** The answer, as a sentence. */
  usually: string;
  more: string;
  /** What shows it. */
  shownBy: readonly MeasureId[];
  /** Other ways to say it: what a search may find it by. */
  alsoSaid: readonly string[];
}

export const SYMPTOM_ROWS: readonly Symptom[] = [
  {
    id: "heavy",
    name: "Heavy strikes",
    usually: "Usually the weight is still on the trail foot",
    more: "It stays there through the strike, or falls back after it: the club meets the ground behind the ball.",
    shownBy: ["leadShareImpact", "pelvisTImpact"],
    alsoSaid: ["fat", "I catch the ground first", "hit behind the ball", "big divots", "chunk"],
  },
  {
    id: "thin",
    name: "Thin or toe strikes",
    usually: "Usually the heel comes up early and the hips go at the ball",
    more: "Then there is no room for the hands, and you stand up to make some.",
    shownBy: ["trailHeelUpAt", "hipsToBall"],
    alsoSaid: ["topped", "I stand up", "I fall toward the ball", "off the toe", "skull", "blade"],
  },
  {
    id: "slice",
    name: "Slices, across the ball",
    usually: "Usually the upper body turns first from the top",
    more: "The shoulders go before the weight has moved, and the club comes from outside.",
    shownBy: ["pelvisBeforeHands", "thoraxBeforeHands"],
    alsoSaid: ["over the top", "ball curves away", "from outside", "pull", "cut"],
  },
  {
    id: "hook",
    name: "Hooks, stuck, flips",
    usually: "Usually the hips slide, or go at the ball, and leave the club behind",
    more: "The hands have to catch up, and turn over.",
    shownBy: ["pelvisSlide", "hipsToBall"],
    alsoSaid: ["too far from inside", "club left behind", "flipping hands", "pull left"],
  },
  {
    id: "noDistance",
    name: "No distance, all arms",
    usually: "Usually the feet are passive and the start is frozen",
    more: "Nothing on the ground has begun before the arms do.",
    shownBy: ["groundFirst", "trailSharePeak"],
    alsoSaid: ["short", "weak", "no power", "arms only", "slow swing"],
  },
  {
    id: "stuckBefore",
    name: "Stuck before the start",
    usually: "Usually you think of the club and not of the feet",
    more: "The longer you stand still, the tighter the start.",
    shownBy: ["stillBefore"],
    alsoSaid: ["tense takeaway", "frozen", "cannot start", "stand over it too long", "nervous"],
  },
  {
    id: "shortBack",
    name: "Short, tight way back",
    usually: "Usually the shoulders force the turn and the weight never moves",
    more: "Hips that carry no weight turn by themselves.",
    shownBy: ["trailSharePeak", "pelvisRange"],
    alsoSaid: ["short backswing", "cannot turn", "stiff", "no shoulder turn"],
  },
  {
    id: "sway",
    name: "Sway, a sore back at the top",
    usually: "Usually the trail knee straightens or kicks out",
    more: "The hips go past the foot and the chest leans back toward the target. Stop if the back hurts, and ask a doctor or physiotherapist.",
    shownBy: ["pelvisSway", "trailKneeOut", "sideTiltChange"],
    alsoSaid: ["I move off the ball", "reverse pivot", "back ache", "sliding back", "sways"],
  },
  {
    id: "endsOnTrail",
    name: "Ends on the trail foot",
    usually: "Usually the weight never goes across",
    more: "You could not walk out of your finish.",
    shownBy: ["leadShareFinish", "leadShareImpact"],
    alsoSaid: ["falling back", "hang back", "no weight shift", "finish on back foot"],
  },
  {
    id: "hipsStall",
    name: "Hips slow or stalled",
    usually: "Usually the hips open late, or never",
    more: "The arms pass a body that has stopped.",
    shownBy: ["peakPelvisTurnAt", "pelvisTHalfwayDown"],
    alsoSaid: ["hips don't clear", "no hip turn", "arms pass the body"],
  },
  {
    id: "feetSlip",
    name: "Feet slip or drag",
    usually: "Usually the push comes at the wrong time",
    more: "A foot without weight on it can't push: it scrapes.",
    shownBy: ["trailFootTravelTopToImpact", "leadFootTravelTopToImpact"],
    alsoSaid: ["foot slides", "spin out", "trail foot drags", "no grip", "shoes slip"],
  },
  {
    id: "offBalance",
    name: "Off balance",
    usually: "Usually one part runs ahead, or the stance does not suit you",
    more: "You end somewhere other than where you meant to.",
    shownBy: ["headDrift", "wobble", "holdTime"],
    alsoSaid: ["wobble", "stumble", "fall over", "step out of the finish", "unsteady"],
  },
];

export const findSymptom = (id: string): Symptom | null =>
  SYMPTOM_ROWS.find((s) => s.id === id) ?? null;

/** Drills that help with a complaint, the first to try first. */
export const drillsFor = (id: SymptomId): Drill[] =>
  DRILLS.filter((d) => d.helps[id] !== undefined).sort((a, b) => a.helps[id]! - b.helps[id]!);
