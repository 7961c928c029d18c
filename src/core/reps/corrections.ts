import { z } from "zod";
import { EVENT_NAMES } from "./rep";
import type { FootEvent } from "./events/footEvents";
import type { Overrides } from "./overrides";

const ms = z
  .number()
  .finite()
  .min(-60_000)
  .max(24 * 3600_000);
const result = z.enum(["pass", "fail", "not judged"]);
const golfer = z.object({
  hand: z.enum(["left", "right"]),
  statureCm: z.number().min(120).max(220),
});

/**
 * One thing that the golfer says is otherwise than computed, with what was computed (null: nothing)
 * and its standard uncertainty; ms on the film's clock.
 */
export const correctionSchema = z.discriminatedUnion("kind", [
  z.object({
    id: z.uuid(),
    kind: z.literal("event"),
    event: z.enum(EVENT_NAMES),
    was: ms.nullable(),
    u: z.number().nullable(),
    now: ms,
  }),
  z.object({
    id: z.uuid(),
    kind: z.literal("foot"),
    foot: z.enum(["lead", "trail"]),
    event: z.enum(["heelUp", "heelDown", "liftOff", "landing"]),
    was: ms.nullable(),
    u: z.number().nullable(),
    now: ms.nullable(),
  }),
  z.object({
    id: z.uuid(),
    kind: z.literal("split"),
    was: z.object({ from: ms, to: ms }),
    now: z.object({ from: ms, to: ms }),
  }),
  z.object({ id: z.uuid(), kind: z.literal("golfer"), was: golfer, now: golfer }),
  // It looks like something else, and is to be judged as what it was read as.
  z.object({
    id: z.uuid(),
    kind: z.literal("asDrill"),
    was: z.literal(false),
    now: z.literal(true),
  }),
  z.object({
    id: z.uuid(),
    kind: z.literal("verdict"),
    was: result,
    now: result,
    reason: z.string().trim().min(1).max(300),
  }),
]);
export type Correction = z.infer<typeof correctionSchema>;

/** A rep's corrections in force, in the order that they were made. */
export const corrections = z.array(correctionSchema).max(60);

type Of<K extends Correction["kind"]> = Extract<Correction, { kind: K }>;

const last = <K extends Correction["kind"]>(
  list: readonly Correction[],
  kind: K,
): Of<K> | undefined => list.filter((c): c is Of<K> => c.kind === kind).at(-1);

/** Whether a correction is about what another one put there already. */
const sameThing = (before: Correction, c: Correction): boolean =>
  before.kind === c.kind &&
  (c.kind !== "event" || (before as Of<"event">).event === c.event) &&
  (c.kind !== "foot" ||
    ((before as Of<"foot">).foot === c.foot &&
      (before as Of<"foot">).event === c.event &&
      c.was !== null &&
      (before as Of<"foot">).now === c.was));

/**
 * A list with one more: of a thing that was corrected before, what was computed stays beside what
 * is said now; what is said as it was computed is no correction.
 */
export function withCorrection(list: readonly Correction[], c: Correction): Correction[] {
  const before = list.find((b) => sameThing(b, c));
  const one = before
    ? ({ ...c, was: before.was, ...("u" in before ? { u: before.u } : {}) } as Correction)
    : c;
  const others = list.filter((b) => b !== before);
  return JSON.stringify(one.was) === JSON.stringify(one.now) ? others : [...others, one];
}

/** What all of them say of a rep; of one thing the last one counts. */
export function overridesOf(list: readonly Correction[]): Overrides {
  const events = Object.fromEntries(
    list.flatMap((c) => (c.kind === "event" ? [[c.event, c.now] as const] : [])),
  );
  const feet = list.flatMap((c) =>
    c.kind === "foot" ? [{ foot: c.foot, event: c.event, from: c.was, to: c.now }] : [],
  );
  const split = last(list, "split")?.now;
  return {
    ...(Object.keys(events).length ? { events } : {}),
    ...(feet.length ? { feet } : {}),
    ...(split ? { split } : {}),
  };
}

/** Hand and stature as corrected, else as they were. */
export const golferBy = <T extends z.infer<typeof golfer>>(
  list: readonly Correction[],
  was: T,
): z.infer<typeof golfer> =>
  last(list, "golfer")?.now ?? { hand: was.hand, statureCm: was.statureCm };

/** Whether the golfer wants a rep judged that looks like something else. */
export const judgedAnyway = (list: readonly Correction[]): boolean =>
  last(list, "asDrill") !== undefined;

/** The golfer's own verdict, where they overrule the program's. */
export const overruledBy = (list: readonly Correction[]): Of<"verdict"> | null =>
  last(list, "verdict") ?? null;

/** A rep's own order: each of these comes after those before it. */
const ORDER = ["address", "handStart", "top", "impact", "finish"] as const;
const ORDER_WORDS: Record<(typeof ORDER)[number], string> = {
  address: "standing still",
  handStart: "the hands’ start",
  top: "the top",
  impact: "the strike",
  finish: "the finish",
};

interface Ordered {
  events: Partial<Record<string, { t: number }>>;
  footEvents: readonly { foot: FootEvent["foot"]; event: FootEvent["event"]; t: number }[];
}

/**
 * What can't be as it is said, in words with what to do; null when all comes in its order. Only
 * what the golfer says is asked: the program may have lost a step's end.
 */
export function outOfOrder(
  { events, footEvents }: Ordered,
  list: readonly Correction[],
): string | null {
  const { events: own = {}, feet = [] } = overridesOf(list);
  const times = ORDER.flatMap((name) => (events[name] ? [{ name, t: events[name].t }] : []));
  const wrong = times.findIndex(
    (e, i) => i > 0 && e.t < times[i - 1]!.t && (e.name in own || times[i - 1]!.name in own),
  );
  if (wrong > 0)
    return (
      `In a rep ${ORDER_WORDS[times[wrong]!.name]} comes after ` +
      `${ORDER_WORDS[times[wrong - 1]!.name]}: move that one first.`
    );
  for (const foot of ["lead", "trail"] as const) {
    if (!feet.some((f) => f.foot === foot)) continue;
    const steps = footEvents
      .filter((e) => e.foot === foot && (e.event === "liftOff" || e.event === "landing"))
      .sort((a, b) => a.t - b.t);
    // Both feet stand at address.
    if (steps.some((e, i) => e.event !== (i % 2 === 0 ? "liftOff" : "landing")))
      return `The ${foot} foot leaves before it lands: put in or move its other event first, or take it away.`;
  }
  return null;
}
