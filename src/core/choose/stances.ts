import { deviation, mean } from "../maths";
import type { Measured } from "../judge";
import type { MeasureId } from "../measures";
import type { FootStance } from "./reach";

/**
 * What the three stances are compared by: how far you wander while you turn and while you stand,
 * cm.
 */
const COMPARED = ["headDrift", "counterMove", "wobble"] as const satisfies readonly MeasureId[];

/** The drill that compares them, and its stages. */
export const STANCE_DRILL = "three-stances";
export const STANCE_STAGES: Record<string, FootStance> = {
  "level-fo": "level",
  "trail-ahead-fo": "trail ahead",
  "trail-behind-fo": "trail behind",
};

/** How much a golfer wanders in one stance: the sum of what is compared, cm. */
interface Wander {
  stance: FootStance;
  reps: number;
  each: Partial<Record<(typeof COMPARED)[number], number>>;
  total: number;
  /** Standard uncertainty of the total. */
  u: number;
}

export interface StanceComparison {
  /** The steadiest first. */
  wander: Wander[];
  /** Your stance; null where two can't be told apart or one is missing. */
  steadiest: FootStance | null;
  why: string;
}

/** Turns in each stance that a comparison needs. */
const TURNS = 2;

/**
 * Compares the three stances: the one in which hips, head and the held finish wander
 * least, if it is less than the next one by more than twice the uncertainty of their difference.
 */
export function compareStances(
  reps: readonly { stance: FootStance; measures: Partial<Record<string, Measured>> }[],
): StanceComparison {
  const wander = (["level", "trail ahead", "trail behind"] as const)
    .flatMap((stance): Wander[] => {
      const own = reps.filter(
        (r) =>
          r.stance === stance && COMPARED.every((id) => typeof r.measures[id]?.value === "number"),
      );
      if (own.length < TURNS) return [];
      const of = (id: (typeof COMPARED)[number]) => own.map((r) => r.measures[id]!.value!);
      const totals = own.map((r) => COMPARED.reduce((s, id) => s + r.measures[id]!.value!, 0));
      const doubt = Math.hypot(
        ...COMPARED.map((id) => mean(own.map((r) => r.measures[id]!.u ?? 0))),
      );
      return [
        {
          stance,
          reps: own.length,
          each: Object.fromEntries(COMPARED.map((id) => [id, mean(of(id))])),
          total: mean(totals),
          u: Math.hypot(doubt, deviation(totals) / Math.sqrt(own.length)),
        },
      ];
    })
    .sort((a, b) => a.total - b.total);
  if (wander.length < 3)
    return {
      wander,
      steadiest: null,
      why: `Turn ${TURNS === 2 ? "twice" : `${TURNS} times`} at least in each of the three.`,
    };
  const [best, next] = wander as [Wander, Wander, Wander];
  const apart = next.total - best.total;
  const told = apart > 2 * Math.hypot(best.u, next.u);
  return {
    wander,
    steadiest: told ? best.stance : null,
    why: told
      ? `You wander ${apart.toFixed(1)} cm less than in the next one.`
      : `The steadiest two are ${apart.toFixed(1)} cm apart: too close to call. Take the one that felt safer.`,
  };
}
