import { z } from "zod";
import { EVENT_NAMES } from "./rep";
import type { Said } from "./said";

const ms = z.number().finite().min(-60_000).max(24 * 3600_000);
const result = z.enum(["pass", "fail", "not judged"]);
const golfer = z.object({ hand: z.enum(["left", "right"]), statureCm: z.number().min(120).max(220) });

/** One thing that the golfer says is otherwise than computed, with what was computed (null: nothing) and its standard uncertainty; ms on the film's clock. */
export const correction = z.discriminatedUnion("kind", [
  z.object({ id: z.uuid(), kind: z.literal("event"), event: z.enum(EVENT_NAMES), was: ms.nullable(), u: z.number().nullable(), now: ms }),
  z.object({ id: z.uuid(), kind: z.literal("foot"), foot: z.enum(["lead", "trail"]), event: z.enum(["heelUp", "heelDown", "liftOff", "landing"]), was: ms.nullable(), u: z.number().nullable(), now: ms.nullable() }),
  z.object({ id: z.uuid(), kind: z.literal("split"), was: z.object({ from: ms, to: ms }), now: z.object({ from: ms, to: ms }) }),
  z.object({ id: z.uuid(), kind: z.literal("golfer"), was: golfer, now: golfer }),
  z.object({ id: z.uuid(), kind: z.literal("verdict"), was: result, now: result, reason: z.string().trim().min(1).max(300) }),
]);
export type Correction = z.infer<typeof correction>;

/** A rep's corrections in force, in the order that they were made. */
export const corrections = z.array(correction).max(60);

type Of<K extends Correction["kind"]> = Extract<Correction, { kind: K }>;

const last = <K extends Correction["kind"]>(list: readonly Correction[], kind: K): Of<K> | undefined => list.filter((c): c is Of<K> => c.kind === kind).at(-1);

/** Whether a correction is about what another one put there already. */
const sameThing = (before: Correction, c: Correction): boolean =>
  before.kind === c.kind && (c.kind !== "event" || (before as Of<"event">).event === c.event) &&
  (c.kind !== "foot" || ((before as Of<"foot">).foot === c.foot && (before as Of<"foot">).event === c.event && c.was !== null && (before as Of<"foot">).now === c.was));

/** A list with one more: of a thing that was corrected before, what was computed stays beside what is said now; what is said as it was computed is no correction. */
export function withCorrection(list: readonly Correction[], c: Correction): Correction[] {
  const before = list.find((b) => sameThing(b, c));
  const one = before ? ({ ...c, was: before.was, ...("u" in before ? { u: before.u } : {}) } as Correction) : c;
  const others = list.filter((b) => b !== before);
  return JSON.stringify(one.was) === JSON.stringify(one.now) ? others : [...others, one];
}

/** What all of them say of a rep; of one thing the last one counts. */
export function saidBy(list: readonly Correction[]): Said {
  const events = Object.fromEntries(list.flatMap((c) => (c.kind === "event" ? [[c.event, c.now] as const] : [])));
  const feet = list.flatMap((c) => (c.kind === "foot" ? [{ foot: c.foot, event: c.event, from: c.was, to: c.now }] : []));
  const split = last(list, "split")?.now;
  return { ...(Object.keys(events).length ? { events } : {}), ...(feet.length ? { feet } : {}), ...(split ? { split } : {}) };
}

/** Hand and stature as corrected, else as they were. */
export const golferBy = <T extends z.infer<typeof golfer>>(list: readonly Correction[], was: T): z.infer<typeof golfer> => last(list, "golfer")?.now ?? { hand: was.hand, statureCm: was.statureCm };

/** The golfer's own verdict, where they overrule the program's. */
export const overruledBy = (list: readonly Correction[]): Of<"verdict"> | null => last(list, "verdict") ?? null;
