import { type MovementScript, merged } from "../figure";
import { CATALOGUE, type MeasureId } from "../measures";
import type { RepRules } from "../reps";
import type { ActionNeed, Check, Fault, FailWords, RequiredAction } from "./drill";

/** Shorthands in which the drills are written. */

type Words = readonly [cue: string, next: string];
const said = ([cue, next]: Words): FailWords => ({ cue, next });

/** One of two, told by the sign of a measure. */
interface Either {
  by: MeasureId;
  minus: Words;
  plus: Words;
}
const either = ({ by, minus, plus }: Either) => ({ by, minus: said(minus), plus: said(plus) });

interface CheckParts {
  measure: MeasureId;
  name: string;
  /** Left out: the measure's id in kebab-case. */
  id?: string;
  band: Check["band"];
  target: number;
  fault: number;
  phase: Check["phase"];
  below?: Words;
  above?: Words;
  told?: Either & { earlier?: Either };
  /** Decides the drill. */
  point?: true;
  /** Told outside, though not surely, it holds a pass back. */
  holds?: true;
  /** Limits that are a shoe's or a prop's: they do not grow with the golfer. */
  fixed?: true;
  scales?: Check["scales"];
}

export const kebab = (id: string): string => id.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`);

function check(
  level: Check["level"],
  { below, above, told, point, fixed, scales, ...c }: CheckParts,
): Check {
  const body = CATALOGUE[c.measure].unit === "cm" && !fixed;
  return {
    ...c,
    id: c.id ?? kebab(c.measure),
    level,
    point: point ?? false,
    scales: scales ?? [body, body],
    ...(below && { below: said(below) }),
    ...(above && { above: said(above) }),
    ...(told && {
      told: { ...either(told), ...(told.earlier && { earlier: either(told.earlier) }) },
    }),
  };
}

export const must = (parts: CheckParts): Check => check("must", parts);
export const limit = (parts: CheckParts): Check => check("limit", parts);
export const advice = (parts: CheckParts): Check => check("advice", parts);

export const action = (
  id: string,
  name: string,
  need: ActionNeed,
  [cue, next]: Words,
): RequiredAction => ({ id, name, need, cue, next });

export const fault = (
  id: string,
  name: string,
  fails: string,
  tell: string,
  script: Fault["script"],
): Fault => ({ id, name, fails, tell, script });

/**
 * Share of the asked turn that must be told before the body counts as turned: more than is told of a
 * third of it, under arms that swing as asked (tools/fit/turned.ts). The network narrows the
 * shoulders of a still chest when the arms reach across, and hips still more, so that of hips only a
 * turn under resting arms counts.
 */
const TOLD = { thoraxTurnBack: 0.8, thoraxRange: 0.6, pelvisTurnBack: 0.53 } as const;

/**
 * The body must turn. Only a turn that is surely smaller fails. One that may be either leaves the rep
 * open, which is common: a turn is told within 13 to 19° (docs/decisions/17).
 *
 * @param measure what the turn is told by
 * @param asked its size in the movement asked for, degrees
 */
export const turns = (measure: keyof typeof TOLD, asked: number, words: Words): RequiredAction =>
  action(
    "turns",
    "The body turns",
    { kind: "measure", measure, atLeast: Math.round(asked * TOLD[measure]) },
    words,
  );

/** Where a swing ends: the share of the weight, and the hips that have gone there. */
export const endsOnLead = (words: Words): Check[] => [
  must({
    measure: "leadShareFinish",
    name: "Ends on the lead foot",
    band: [72, null],
    target: 90,
    fault: 54,
    phase: "finish",
    point: true,
    below: words,
  }),
  limit({
    measure: "pelvisTFinish",
    name: "Hips go through",
    band: [5, null],
    target: 15,
    fault: -3,
    phase: "finish",
    below: words,
  }),
];

/**
 * Hips that turn in place go this far, cm: under what a named fault (7) shows by three uncertainties
 * of a swing with a step, and as far over the target (1.5) as that leaves (docs/decisions/17).
 */
export const IN_PLACE = 4.6;

/** What goes for every drill; a drill adds its own. */
export const CAUTIONS: readonly string[] = [
  "Warm up first.",
  "Clear space for the whole path of the club, up to the ceiling and behind you; nobody in it.",
  "Stop at pain. For trouble with back, hip, knee, ankle or balance see a physiotherapist, a doctor or a qualified teacher.",
  "No real balls indoors without a net.",
  "Dry shoes on a slippery floor.",
  "At the range its own rules come first.",
];

/** For whom a drill is not that asks for a steady stand; `selfCheck` knows these two. */
export const ONE_LEG = "You can't stand on one leg for ten seconds.";
export const UNSTEADY = "Balance trouble.";

/** Where the phone stands for a view. */
export const PHONE = {
  faceOn:
    "In front of you at hip height, four paces off, level; both feet and the whole club in the picture.",
  behind:
    "Behind you on the line of your toes, at hip height, four paces off, looking along the target line.",
  both: "First in front of you, then behind you on the line of your toes; at hip height, four paces off.",
} as const;

/**
 * A movement that can be varied: the target with its own values, a fault with a few of them
 * changed.
 */
export const vary =
  <T extends object>(make: (changes: T) => MovementScript, base: NoInfer<T>) =>
  (more: T = {} as T) =>
  (): MovementScript =>
    make(merged(base, more as never));

export const RULES = {
  swing: { kind: "swing", clubAhead: false },
  step: { kind: "step-swing", clubAhead: false },
  gesture: { kind: "gesture", clubAhead: false },
  cycle: { kind: "cycle", clubAhead: false },
} as const satisfies Record<string, RepRules>;

/** Of the hips' two drills that are seen from behind. */
export const BEND_KEPT: Check = limit({
  measure: "bendChange",
  name: "Bend kept",
  band: [-9, 12],
  target: -1,
  fault: -16,
  phase: "impact",
  below: ["Stay bent over", "Keep the chest over the ball."],
  above: ["Chest stays up", "Do not dive at the ball."],
});
