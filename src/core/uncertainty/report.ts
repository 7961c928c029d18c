import type { Measured } from "../judge";
import { CATALOGUE, type MeasureId, type RawMeasure } from "../measures";
import { strikeWeight, type EventName, type Rep, type RepContext } from "../reps";
import type { Problem } from "../scene";
import { eventError, measureError, type ErrorTable, type Sort } from "./errors";
import { spread, type Sampled } from "./sample";
import type { Unread } from "./unreadYet";

/** A time and its standard uncertainty, ms. */
export interface Timed {
  t: number;
  u: number;
}

/** What a value's uncertainty is made of, beside its own copies. */
export interface ErrorSources {
  sampled: Sampled;
  frameMs: number;
  errors: ErrorTable;
  sort: Sort;
  unread: Unread;
  /** What the camera's roll may do to a share, points, where no even stance tells it. */
  rolledShare: number;
}

/** When an event was, and how surely: by the picture, by a strike's sound, or by both. */
export function reportEvent(
  name: EventName,
  rep: Rep,
  { sampled, frameMs, errors, sort, unread }: ErrorSources,
  { strikes, rules }: RepContext,
): Timed {
  const { offset, sd } = eventError(errors, name, sort);
  const seen = Math.hypot(
    spread(sampled.events.get(name)!),
    frameMs,
    sd,
    unread.event(name, rep.events[name]),
  );
  if (name !== "impact" || rep.struckMs === undefined)
    return { t: rep.events[name] - offset, u: seen };
  const w = strikeWeight(rules.clubAhead || rep.moving, strikes.u);
  return {
    t: rep.events.impact,
    u: Math.hypot((1 - w) * Math.hypot(frameMs, sd), w * Math.hypot(strikes.u, HEARD_SD)),
  };
}

/**
 * How well a strike's own sound is placed: its onset within a millisecond, its way within a third
 * of a metre.
 */
const HEARD_SD = 1.5;

/** Fewer copies than this share having a value means that it can't be relied on. */
const ENOUGH = 0.8;
/** Why a measure is not there, in words. */
export const WHY: Record<NonNullable<RawMeasure["why"]>, string> = {
  eventNotFound: "an event it needs was not found",
  footNotSeen: "the foot was not seen",
  noStep: "the foot did not step",
  neverLoaded: "the weight never went to the trail foot",
  otherView: "this view does not show it",
  otherKind: "it does not belong to this kind of rep",
  footMoved: "the foot moved",
  feetClose: "feet too close together",
  headHidden: "the arms hid the head",
  notHeard: "no knock was heard",
};

/**
 * A measure as it is told: less what its method is known to get wrong, with its uncertainty; or why
 * there is none.
 */
export function reportMeasure(
  id: MeasureId,
  raw: RawMeasure,
  { sampled, frameMs, errors, sort, unread, rolledShare }: ErrorSources,
  problems: Problem[],
): Measured {
  const { unit, family, spoiledBy } = CATALOGUE[id];
  const unknown = (value: number | null, reason: string, because?: Problem["code"]): Measured => ({
    value,
    u: null,
    unit,
    state: "not measurable",
    reason,
    ...(because ? { because } : {}),
  });
  if (Number.isNaN(raw.value)) return unknown(null, WHY[raw.why ?? "eventNotFound"]);
  const spoiled = problems.find(
    (p) =>
      p.touches === "rep" ||
      ((p.touches === "feet" || p.touches === "head") && spoiledBy.includes(p.touches)),
  );
  if (spoiled) return unknown(raw.value, spoiled.message, spoiled.code);
  const seen = sampled.measures.get(id);
  const { offset, sd } = measureError(errors, id, sort);
  if ((seen && seen.length < sampled.copies * ENOUGH) || !Number.isFinite(sd))
    return unknown(raw.value, "the film does not carry it");
  const open = unread.measure(id, raw.value);
  if (!Number.isFinite(open)) return unknown(raw.value, "too little has been read yet");
  const u = Math.hypot(
    seen ? spread(seen) : 0,
    unit === "ms" ? frameMs * Math.SQRT2 : 0,
    family === "weight" && unit === "%" ? rolledShare : 0,
    sd,
    open,
  );
  return {
    value: raw.value - offset,
    u,
    unit,
    state: "measured",
    ...(raw.atMs === undefined ? {} : { at: raw.atMs }),
  };
}
