import type { Dose } from "../drills";
import type { Verdict } from "../judge";

type Result = Verdict["result"] | null;

/** How far a drill's dose of one day has come. */
export interface DoseOfDay {
  /** Sets that are done, and how many the dose has. */
  sets: number;
  of: number;
  /** Reps of the set that is under way. */
  into: number;
  /** Sets with a miss, which don't count where sets are counted. */
  missed: number;
  /** The last whole set was one of them: it is due again. */
  again: boolean;
  done: boolean;
}

/**
 * How much of a dose is done. Reps count as done whether they were judged or not; of counted sets
 * only those without a miss, each set whole within its bout.
 *
 * @param bouts of the drill on that day, each its reps' results in order
 * @example doseOfDay({ school: "counted sets", sets: 9, reps: 8 }, [["pass", "fail", …]])
 */
export function doseOfDay(
  { school, sets: of, reps }: Pick<Dose, "school" | "sets" | "reps">,
  bouts: readonly (readonly Result[])[],
): DoseOfDay {
  if (school !== "counted sets") {
    const n = bouts.reduce((sum, b) => sum + b.length, 0);
    return {
      sets: Math.floor(n / reps),
      of,
      into: n % reps,
      missed: 0,
      again: false,
      done: n >= of * reps,
    };
  }
  const whole = bouts.flatMap((b) =>
    Array.from(
      { length: Math.floor(b.length / reps) },
      (_, k) => !b.slice(k * reps, (k + 1) * reps).includes("fail"),
    ),
  );
  const sets = whole.filter(Boolean).length;
  const into = (bouts.at(-1)?.length ?? 0) % reps;
  return {
    sets,
    of,
    into,
    missed: whole.length - sets,
    again: into === 0 && whole.at(-1) === false,
    done: sets >= of,
  };
}

/**
 * A bout of more reps than this is a heavy one, and so is a day of more: the body is asked after.
 * By hand: over half of the largest dose of the catalogue, and a little over it.
 */
export const HEAVY = { bout: 40, day: 80 } as const;

export const isHeavy = (bouts: readonly { done: number }[]): boolean =>
  bouts.some((b) => b.done > HEAVY.bout) || bouts.reduce((n, b) => n + b.done, 0) > HEAVY.day;
