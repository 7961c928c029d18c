import type { EventName } from "../reps";
import {
  unmeasured,
  type Awaited,
  type Compute,
  type Measure,
  type RawMeasure,
  type RepMotion,
} from "./measure";

/** Events at which places and shares are read. */
export const MOMENTS = ["Top", "HalfwayDown", "Impact", "Release", "Finish"] as const;
export type Moment = (typeof MOMENTS)[number];
type AnyMoment = Moment | "Address" | "MidThrough";

export const SIDES = ["lead", "trail"] as const;
export type MeasuredSide = (typeof SIDES)[number];

/** A moment: its event, what must be found before it is known, and how it is called. */
export const MOMENT: Record<AnyMoment, { event: EventName; waitsFor: Awaited; words: string }> = {
  // That nothing moves any more is known when the hands start.
  Address: { event: "address", waitsFor: "handStart", words: "still" },
  Top: { event: "top", waitsFor: "top", words: "at the top" },
  HalfwayDown: { event: "halfwayDown", waitsFor: "halfwayDown", words: "halfway down" },
  Impact: { event: "impact", waitsFor: "strike", words: "at the strike" },
  Release: { event: "release", waitsFor: "release", words: "at the release" },
  MidThrough: { event: "midThrough", waitsFor: "midThrough", words: "halfway through" },
  Finish: { event: "finish", waitsFor: "finish", words: "at the finish" },
};

/** Spans of a swing from one event to another. */
export const SPAN = {
  AddressToTop: {
    from: "address",
    to: "top",
    waitsFor: "top",
    words: "from still to the top",
  },
  AddressToImpact: {
    from: "address",
    to: "impact",
    waitsFor: "strike",
    words: "from still to the strike",
  },
  TopToImpact: {
    from: "top",
    to: "impact",
    waitsFor: "strike",
    words: "from the top to the strike",
  },
  ImpactToFinish: {
    from: "impact",
    to: "finish",
    waitsFor: "finish",
    words: "from the strike to the finish",
  },
  HalfwayDownToImpact: {
    from: "halfwayDown",
    to: "impact",
    waitsFor: "strike",
    words: "from halfway down to the strike",
  },
  AddressToFinish: {
    from: "address",
    to: "finish",
    waitsFor: "finish",
    words: "from still to the finish",
  },
  ImpactToMidThrough: {
    from: "impact",
    to: "midThrough",
    waitsFor: "midThrough",
    words: "from the strike to halfway through",
  },
} as const satisfies Record<
  string,
  { from: EventName; to: EventName; waitsFor: Awaited; words: string }
>;
export type Span = keyof typeof SPAN;
const SPANS = Object.keys(SPAN) as Span[];

/**
 * The same measure at several moments.
 *
 * @example atMoments("headT", ["Top", "Impact"], define) // { headTTop, headTImpact }
 */
export const atMoments = <Id extends string, M extends AnyMoment>(
  id: Id,
  moments: readonly M[],
  define: (moment: M) => Measure,
): Record<`${Id}${M}`, Measure> =>
  Object.fromEntries(moments.map((m) => [`${id}${m}`, define(m)])) as Record<`${Id}${M}`, Measure>;

/** The same measure of either foot or knee: `leadX`, `trailX`. */
export const ofSides = <Id extends string>(
  id: Id,
  define: (side: MeasuredSide) => Measure,
): Record<`${MeasuredSide}${Id}`, Measure> =>
  Object.fromEntries(SIDES.map((s) => [`${s}${id}`, define(s)])) as Record<
    `${MeasuredSide}${Id}`,
    Measure
  >;

/** The same measure of either side at several moments: `leadXTop`, … */
export const ofSidesAtMoments = <Id extends string, M extends AnyMoment>(
  id: Id,
  moments: readonly M[],
  define: (side: MeasuredSide, moment: M) => Measure,
): Record<`${MeasuredSide}${Id}${M}`, Measure> =>
  Object.fromEntries(
    SIDES.flatMap((s) => moments.map((m) => [`${s}${id}${m}`, define(s, m)])),
  ) as Record<`${MeasuredSide}${Id}${M}`, Measure>;

/** The same measure of either side over every span: `leadXAddressToTop`, … */
export const ofSidesOverSpans = <Id extends string>(
  id: Id,
  define: (side: MeasuredSide, span: Span) => Measure,
): Record<`${MeasuredSide}${Id}${Span}`, Measure> =>
  Object.fromEntries(
    SIDES.flatMap((s) => SPANS.map((span) => [`${s}${id}${span}`, define(s, span)])),
  ) as Record<`${MeasuredSide}${Id}${Span}`, Measure>;

export const capitalSide = (side: MeasuredSide): "Lead" | "Trail" =>
  side === "lead" ? "Lead" : "Trail";

/** A computation over a span's samples, where both of its events were found. */
export const overSpan =
  (span: Span, compute: (r: RepMotion, from: number, to: number) => RawMeasure): Compute =>
  (r) => {
    const { from, to } = SPAN[span];
    const { events } = r.rep;
    return Number.isNaN(events[from]) || Number.isNaN(events[to])
      ? unmeasured("eventNotFound")
      : compute(r, r.sample(from), r.sample(to));
  };
