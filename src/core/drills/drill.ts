import type { MovementScript } from "../figure";
import type { MeasureId } from "../measures";
import type { View } from "../scene";
import type { RepRules } from "../reps";

/** Where in the chain of causes a check stands: the earliest failed one gives the cue. */
export const PHASES = [
  "set-up",
  "action",
  "backswing feet",
  "backswing",
  "top",
  "downswing feet",
  "impact",
  "finish",
] as const;
export type Phase = (typeof PHASES)[number];

/**
 * What a golfer hears or reads when something is wrong: at most four words, and one sentence of
 * what to do next.
 */
export interface FailWords {
  cue: string;
  next: string;
}

/** What must happen for an action to count as done. */
export type ActionNeed =
  /**
   * A foot leaves the ground before an event, or after it; where `fromTop` is given no earlier than
   * so long after the top (before it when negative), ms.
   */
  | { kind: "step"; foot: "lead" | "trail"; before: "top" | "impact"; fromTop?: number }
  | { kind: "step"; foot: "lead" | "trail"; after: "impact" }
  /** In a cycle, each foot lands once. */
  | { kind: "bothLand" }
  /** A measure reaches a size. */
  | { kind: "measure"; measure: MeasureId; atLeast: number };

/** Something that must happen for the rep to be this drill at all. */
export interface RequiredAction extends FailWords {
  id: string;
  name: string;
  need: ActionNeed;
}

/**
 * What a check does for the verdict (docs/movement.md, verdict rule 2). *Must*: a pass needs it
 * surely inside its band, and surely outside fails the rep. *Limit*: surely outside fails the rep;
 * in doubt or not measured it holds no pass back. *Advice*: neither.
 */
export const LEVELS = ["must", "limit", "advice"] as const;
export type Level = (typeof LEVELS)[number];

/** Whether a check can fail a rep. */
export const decides = ({ level }: { level: Level }): boolean => level !== "advice";

export interface Check {
  id: string;
  name: string;
  measure: MeasureId;
  /** Inclusive limits for a golfer of 178 cm; null = open. */
  band: readonly [number | null, number | null];
  /**
   * Whether each limit scales with stature (cm of the body do; those of shoes and props, and ms and
   * shares, do not).
   */
  scales: readonly [boolean, boolean];
  target: number;
  fault: number;
  level: Level;
  /** What the drill is for: of a pass one of these is surely inside. */
  point: boolean;
  /**
   * A limit that holds a pass back where it is told outside, though not surely: films showed its
   * fault so, and pass otherwise (docs/decisions/17).
   */
  holds?: true;
  phase: Phase;
  /** Measured below or above the band. */
  below?: FailWords;
  above?: FailWords;
  /**
   * Two faults that one measure does not tell apart: the sign of another one does. What is told by a
   * minus may be two again, where `earlier` is surely on one side of nought.
   */
  told?: {
    by: MeasureId;
    minus: FailWords;
    plus: FailWords;
    earlier?: { by: MeasureId; minus: FailWords; plus: FailWords };
  };
}

/**
 * A named way in which a stage goes wrong: how it looks, the movement itself, and the check or
 * action whose cue it gets.
 */
export interface Fault {
  id: string;
  name: string;
  /** How it looks and how the measures tell it from others. */
  tell: string;
  /** Id of the check or action that fails first. */
  fails: string;
  script: () => MovementScript;
}

export interface Stage {
  id: string;
  name: string;
  view: View;
  /** The stage that is meant when none is named, one for each view. */
  main: boolean;
  rules: RepRules;
  /** The weight stays in the middle: that it never reached the trail foot is as it should be. */
  centred?: boolean;
  /** Stands on something, or on toes: heights count from there. */
  onProp?: "lead" | "trail";
  actions: readonly RequiredAction[];
  checks: readonly Check[];
  /**
   * What the drill warns of and one phone can't see: a pass says so, and the drill asks about it
   * after the bout.
   */
  blind?: readonly { name: string; question: string }[];
  /** The movement that is asked for. */
  target?: () => MovementScript;
  faults?: readonly Fault[];
  /** What changes against the stage before it, and what stays the golfer's to watch. */
  note?: string;
}

/** The six questions on which good teachers disagree, and the two sides of each. */
export const STYLES = {
  loading: ["travel", "centred"],
  weightAtTop: ["still trail", "re-centred"],
  leads: ["arms first", "ground up"],
  drives: ["lead clears", "trail drives"],
  trailFoot: ["rolls", "anchored"],
  pressesBack: ["heel", "big toe"],
} as const;
export type StyleId = keyof typeof STYLES;
export type Styles = { [K in StyleId]?: (typeof STYLES)[K][number] };

/** What golfers say is wrong: ids of the rows of `choose/symptoms`. */
export const SYMPTOMS = [
  "heavy",
  "thin",
  "slice",
  "hook",
  "noDistance",
  "stuckBefore",
  "shortBack",
  "sway",
  "endsOnTrail",
  "hipsStall",
  "feetSlip",
  "offBalance",
] as const;
export type SymptomId = (typeof SYMPTOMS)[number];

export const BODY_PARTS = ["feet", "knees", "hips", "trunk", "arms", "head", "balance"] as const;
export type BodyPart = (typeof BODY_PARTS)[number];

/**
 * How much is done at a time: one drill for the whole session; four to six reps and then the own
 * swing; short bouts on most days; counted sets, repeated when one misses.
 */
export type School = "single focus" | "short sets" | "home habit" | "counted sets";

export interface Dose {
  school: School;
  sets: number;
  reps: number;
  note?: string;
}

/** Something that is needed, and what a household has instead. */
interface Gear {
  name: string;
  instead: readonly string[];
}

export const CLUBS = ["iron", "driver"] as const;
export type Club = (typeof CLUBS)[number];

export interface Drill {
  /** Slug; also the name of its file. */
  id: string;
  name: string;
  /** Of a golfer's own drill: the built-in one whose movement it has. */
  basedOn?: string;
  version: number;
  /** Place in the catalogue. */
  number: number;
  group: "balance" | "ground" | "turning" | "trail foot" | "through" | "baseline";
  /** Why it helps, in two sentences. */
  why: string;
  /** How it feels at first: nobody should give it up at bout one. */
  feel: string;
  level: 1 | 2 | 3;
  places: readonly ("home" | "range")[];
  minutes: number;
  trains: readonly BodyPart[];
  gear: readonly Gear[];
  /** For whom it is not, now. */
  notWhen: readonly string[];
  setUp: readonly string[];
  /** Places of feet, ball, club and phone. */
  at: { feet: string; ball: string; club: string; phone: string };
  /** Its bands are those of one sort of club. */
  club?: Club;
  cautions: readonly string[];
  dose: Dose;
  /** What the golfer is asked after the bout, because no picture tells it. */
  asked: readonly string[];
  /** Drills that a path goes on with. */
  then?: readonly string[];
  styles: Styles;
  /** Rows of symptoms that it helps with, and its place in them. */
  helps: { [K in SymptomId]?: number };
  stages: readonly Stage[];
}

/** What the golfer is asked after a bout, because no picture tells it: of the drill and a stage. */
export const questionsOf = (
  { asked }: Pick<Drill, "asked">,
  stage?: Pick<Stage, "blind">,
): readonly string[] => [...asked, ...(stage?.blind ?? []).map((b) => b.question)];

/** Whether a stage's reps get a verdict; else it is a rehearsal: counted and shown. */
export const isJudged = (stage: Pick<Stage, "checks">): boolean =>
  stage.checks.some((c) => decides(c) && c.point);
