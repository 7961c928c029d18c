import { type RepSeries, eventTimes } from "@/core/analysis";
import type { CheckVerdict, Measured, Verdict } from "@/core/judge";
import { CATALOGUE } from "@/core/measures";
import type { Movement } from "@/core/play";
import type { EventTimes } from "@/core/practice";
import type { RepDetail } from "@/server/reps/queries";
import { dayOf, hourOf } from "@/ui/kit/dates";

/** What is laid beside others: a rep, or the drill's target movement. */
export interface Compared {
  id: string;
  name: string;
  series: RepSeries;
  hand: "left" | "right";
  events: EventTimes;
  measures: Readonly<Record<string, Measured>>;
  result: Verdict["result"] | null;
  /** Of a rep: its page. */
  href: string | null;
}

/**
 * What the target's movement is compared by (what it has of the measures that its own checks ask
 * for), and its figure.
 */
export type TargetMovement = Pick<
  Movement,
  "series" | "events" | "checks" | "frames" | "fps" | "from"
>;

/**
 * Reps by names that tell them apart: of one bout by number, else with the day, two bouts of one
 * day with the hour too.
 */
export function namesOf(
  reps: readonly Pick<
    RepDetail,
    "id" | "number" | "boutReps" | "boutStartedAt" | "drill" | "drillId"
  >[],
): string[] {
  const [first] = reps;
  const oneBout = reps.every((r) => r.boutReps.includes(first!.id));
  const short = reps.map((r) =>
    oneBout
      ? `rep ${r.number}`
      : `${r.drillId === first!.drillId ? "" : `${r.drill ?? "measured"}, `}rep ${r.number}, ${dayOf(r.boutStartedAt)}`,
  );
  return short.map((name, i) =>
    short.indexOf(name) === i && short.lastIndexOf(name) === i
      ? name
      : `${name}, ${hourOf(reps[i]!.boutStartedAt)}`,
  );
}

/** The reps in their order, the target last. */
export function comparedOf(reps: readonly RepDetail[], target: TargetMovement | null): Compared[] {
  const names = namesOf(reps);
  const all = reps.map((r, k): Compared => ({
    id: r.id,
    name: names[k]!,
    series: r.series,
    hand: r.hand,
    events: eventTimes(r.events),
    measures: r.measures,
    result: r.verdict?.result ?? null,
    href: `/reps/${r.id}`,
  }));
  if (target)
    all.push({
      id: "target",
      name: "the target",
      series: target.series,
      hand: reps[0]!.hand,
      events: target.events,
      measures: exactly(target.checks),
      result: null,
      href: null,
    });
  return all;
}

/** A movement has what its checks ask for without any doubt. */
const exactly = (checks: readonly CheckVerdict[]): Record<string, Measured> =>
  Object.fromEntries(
    checks.flatMap(({ measure, value }) =>
      value === null
        ? []
        : [[measure, { value, u: 0, unit: CATALOGUE[measure].unit, state: "measured" as const }]],
    ),
  );
