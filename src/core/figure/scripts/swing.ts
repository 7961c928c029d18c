import type { Knot } from "../../maths";
import { CLUB, type BodyCurves, type MovementScript, type RepTraits, type Step } from "../script";

/**
 * What can be varied in a swing from the spot. Times in s, lengths in cm, angles in degrees, shares
 * in % on the lead foot.
 */
export interface SwingOptions {
  still: number;
  /** Hands start to top, top to strike. */
  back: number;
  down: number;
  /**
   * Distance of the ankles along T at address; how far the trail foot stands behind the lead one.
   */
  gap: number;
  stagger: number;
  turnOut: { lead: number; trail: number };
  share: { address: number; loaded: number; top: number; impact: number; finish: number };
  /** When the weight is farthest back, share of the way to the top. */
  loadedAt: number;
  /** Rocks onto this share before the hands start: a moving start. */
  rock?: { share: number; lead: number };
  size: number;
  tilt: { address: number; top: number; impact: number };
  /** Lean of the head against the trunk. */
  neck: { top: number; impact: number };
  bend: { address: number; top: number; impact: number };
  /** Pressure along the feet, 0 heel … 100 toe. */
  depth: { address: number; top: number; impact: number };
  pelvis: { top: number; impact: number; beforeTop: number };
  thorax: { top: number; impact: number };
  /** Height of mid-hip against address at its lowest in the downswing and at impact. */
  rise: { drop: number; impact: number };
  knees: { leadTop: number; trailTop: number; leadImpact: number; trailImpact: number };
  /**
   * Trail heel: when it leaves, share of the downswing; foot pitch at the finish; heel raised from
   * the start; time in which it rises by 20°, s (0 = until after the strike); raised on the way back
   * and down again by the time it leaves.
   */
  heel: { upAt: number; finish: number; address: number; lift: number; back: number };
  /** Reach at the top: below 1 both arms bend. */
  reachTop: number;
  leadStep?: { length: number; beforeTop: number; air: number };
  /** The trail foot walks past after the strike. */
  trailStep?: { length: number; afterImpact: number; air: number };
  /**
   * The trail foot steps out at the top: its rise begins so long after the top (before it, when
   * negative).
   */
  trailOut?: { length: number; fromTop: number; air: number };
  slide: { lead: number; trail: number };
  /** Drag of the lead foot from the strike to the finish, cm. */
  slideThrough: number;
  /** Spin of the lead foot about its heel, top to strike and strike to finish, + outward. */
  leadSpin: { down: number; through: number };
  /** Time stood at the finish; shifts of the share while standing. */
  hold: number;
  wobble: number;
  club: keyof typeof CLUB | null;
  clubAhead: number;
  ball: boolean;
  traits: Partial<RepTraits>;
}

export const ORDINARY_SWING: SwingOptions = {
  still: 0.7,
  back: 0.9,
  down: 0.27,
  gap: 46,
  stagger: 0,
  turnOut: { lead: 20, trail: 8 },
  share: { address: 50, loaded: 24, top: 50, impact: 74, finish: 90 },
  loadedAt: 0.6,
  size: 1,
  tilt: { address: 3, top: 2, impact: 12 },
  neck: { top: 0, impact: 0 },
  bend: { address: 32, top: 31, impact: 29 },
  depth: { address: 50, top: 45, impact: 48 },
  pelvis: { top: -42, impact: 34, beforeTop: 0.06 },
  thorax: { top: -88, impact: 14 },
  rise: { drop: -1.5, impact: 1.5 },
  knees: { leadTop: -6, trailTop: 0, leadImpact: 0, trailImpact: 8 },
  heel: { upAt: 0.82, finish: 55, address: 0, lift: 0, back: 0 },
  reachTop: 1,
  slide: { lead: 0, trail: 0 },
  slideThrough: 0,
  leadSpin: { down: 0, through: 0 },
  hold: 0.5,
  wobble: 0,
  club: "iron",
  clubAhead: 0,
  ball: true,
  traits: {},
};

/** Options with some changed; groups are merged value by value. */
export type Changes<T> = {
  [K in keyof T]?: T[K] extends number | string | boolean | null ? T[K] : Partial<T[K]>;
};

/** A swing with both feet where they stand, or with a step of either foot. */
// eslint-disable-next-line max-lines-per-function -- a script: what moves when, from beginning to end
export function swing(changes: Changes<SwingOptions> = {}): MovementScript {
  const o = merged(ORDINARY_SWING, changes);
  const start = o.still + (o.rock ? 0.25 + o.rock.lead : 0.25);
  const top = start + o.back;
  const impact = top + o.down;
  const finish = impact + 0.75;
  const trailStepFrom = o.trailStep ? impact + o.trailStep.afterImpact - o.trailStep.air : 0;
  const trailEnd = o.trailStep ? Math.max(finish, trailStepFrom + o.trailStep.air + 0.2) : finish;
  const heelUp = top + o.down * o.heel.upAt;
  const leadSteps: Step[] = o.leadStep
    ? [
        {
          from: top - o.leadStep.beforeTop - o.leadStep.air,
          to: top - o.leadStep.beforeTop,
          alongTarget: o.leadStep.length,
          apex: 6,
        },
      ]
    : [];
  const trailSteps: Step[] = o.trailStep
    ? [
        {
          from: trailStepFrom,
          to: trailStepFrom + o.trailStep.air,
          alongTarget: o.trailStep.length,
          towardBall: 12,
          apex: 9,
        },
      ]
    : o.trailOut
      ? [
          {
            from: top + o.trailOut.fromTop,
            to: top + o.trailOut.fromTop + o.trailOut.air,
            alongTarget: o.trailOut.length,
            apex: 6,
          },
        ]
      : [];
  const share = weight(o, start, top, impact, finish, leadSteps[0]);
  // A heel that stays down to the end does not rise on the way either.
  const rises = o.heel.finish < 10 ? o.heel.finish : 20;
  const raised: Knot[] = o.heel.back
    ? [
        [start + 0.15 * o.back, o.heel.address],
        [start + 0.6 * o.back, o.heel.address + o.heel.back],
        [top - 0.04, o.heel.address + o.heel.back],
      ]
    : [];
  const rising: Knot[] = [
    ...raised,
    [Math.min(heelUp, impact + 0.1) - 0.02, o.heel.address],
    [
      o.heel.lift > 0 ? heelUp + o.heel.lift : Math.max(heelUp, impact) + 0.16,
      o.heel.address +
        rises * (1 - Math.min(o.heel.address, 20) / 20) +
        (o.heel.lift > 0 && o.heel.address > 0 ? 14 : 0),
    ],
    [finish - 0.08, o.heel.finish],
  ];
  const kind = o.traits.kind ?? (o.leadStep || o.trailStep || o.trailOut ? "step-swing" : "swing");
  return {
    duration: trailEnd + o.hold,
    feet: {
      lead: {
        ankleT: o.gap / 2,
        ankleD: o.stagger / 2,
        turnOut: o.turnOut.lead,
        steps: leadSteps,
        heelPitch: [],
        ...(o.leadSpin.down || o.leadSpin.through
          ? {
              pivot: [
                [top, 0],
                [impact, o.leadSpin.down],
                [finish - 0.1, o.leadSpin.down + o.leadSpin.through],
              ] as Knot[],
            }
          : {}),
        slide: [
          ...drag(o.slide.lead, top, impact),
          ...(o.slideThrough
            ? ([
                [impact + 0.05, o.slide.lead],
                [finish - 0.1, o.slide.lead + o.slideThrough],
              ] as Knot[])
            : []),
        ],
      },
      trail: {
        ankleT: -o.gap / 2,
        ankleD: -o.stagger / 2,
        turnOut: o.turnOut.trail,
        steps: trailSteps,
        slide: drag(o.slide.trail, top, impact),
        heelPitch: o.trailStep
          ? [
              [trailStepFrom, o.heel.address],
              [trailStepFrom + o.trailStep.air, 0],
            ]
          : rising,
        spin: o.trailStep
          ? []
          : [
              [impact, 0],
              [finish, 35],
            ],
      },
    },
    leadShare: share.knots,
    pressureDepth: [
      [start, o.depth.address],
      [top, o.depth.top],
      [impact, o.depth.impact],
      [finish, 45],
    ],
    pushes: share.push === null ? [] : [share.push],
    ...fullSwing(start, top, impact, finish, o.size, o),
    reps: [
      {
        kind,
        from: 0,
        to: trailEnd + o.hold,
        clubAhead: o.clubAhead > 0,
        movingStart: o.rock !== undefined,
        slow: o.back > 1.6,
        ...o.traits,
        ...(o.ball ? { strike: impact } : {}),
      },
    ],
    club: o.club && CLUB[o.club],
    clubAhead: [
      [start - 0.05, o.clubAhead],
      [start + 0.3, 0],
    ],
  };
}

/** Where the weight goes: address, perhaps a rock, loading, the way over, finish. */
function weight(
  o: SwingOptions,
  start: number,
  top: number,
  impact: number,
  finish: number,
  step?: Step,
): { knots: Knot[]; push: number | null } {
  const s = o.share;
  const knots: Knot[] = [];
  let push: number | null = null;
  if (o.rock)
    knots.push(
      [start - o.rock.lead - 0.2, s.address],
      [start - o.rock.lead - 0.02, s.address - 8],
      [start - 0.06, o.rock.share],
    );
  else knots.push([start - 0.12, s.address], [start + 0.06, s.address + 8]);
  push = knots[1]![0];
  const loadedAt = Math.min(start + o.back * o.loadedAt, step ? step.from - 0.1 : Infinity);
  knots.push([loadedAt, s.loaded]);
  if (step)
    knots.push(
      [step.from + 0.04, Math.min(s.loaded, 20)],
      [step.to - 0.05, Math.min(s.loaded, 40)],
      [step.to + 0.07, s.top],
    );
  else knots.push([top + 0.02, s.top]);
  const after = knots[knots.length - 1]![0];
  const strike = Math.max(impact - 0.04, after + 0.08);
  knots.push([strike, s.impact], [Math.max(finish - 0.1, strike + 0.2), s.finish]);
  if (o.wobble > 0)
    for (let t = finish + 0.35, k = 1; t < finish + o.hold - 0.2; t += 0.45, k = -k)
      knots.push([t, Math.min(s.finish + k * o.wobble, 100)]);
  return { knots, push };
}

const drag = (cm: number, top: number, impact: number): Knot[] =>
  cm === 0
    ? []
    : [
        [top + 0.02, 0],
        [impact, cm],
      ];

/** Arms, turns and trunk of a full swing between the given instants (s). */
// eslint-disable-next-line max-lines-per-function -- a script: what moves when, from beginning to end
export function fullSwing(
  start: number,
  top: number,
  impact: number,
  finish: number,
  size: number,
  o: Pick<
    SwingOptions,
    "tilt" | "neck" | "bend" | "pelvis" | "thorax" | "rise" | "knees" | "reachTop"
  > = ORDINARY_SWING,
): BodyCurves {
  const back = top - start;
  const down = impact - top;
  const topSwing = 128 * size;
  const pelvisTop = top - o.pelvis.beforeTop;
  return {
    armSwing: [
      [start, 0],
      [top, topSwing, 0, (-7 * topSwing) / (back * back)],
      // Fastest a little before the strike, as arms are.
      [impact, -2, (-2.05 * topSwing) / down, 0],
      [impact + 0.2, -82 * size, -260 * size, 900],
      [finish, -138 * size],
    ],
    reach: [
      [start, 1],
      [top, o.reachTop],
      [impact, 1],
      [impact + 0.12, 1],
      [finish - 0.1, 0.78],
    ],
    wristCock: [
      [start, 0],
      [start + back * 0.45, 62],
      [top, 92],
      [top + down * 0.45, 88],
      [impact, 2],
      [impact + 0.22, -55],
      [finish, -95],
    ],
    pelvisTurn: [
      [start + 0.05, 0],
      [pelvisTop, o.pelvis.top * size],
      [impact, o.pelvis.impact * size],
      [impact + 0.35, 82 * size],
      [finish, 88 * size],
    ],
    thoraxTurn: [
      [start, 0],
      [top, o.thorax.top * size],
      [impact, o.thorax.impact * size],
      [impact + 0.35, 82 * size],
      [finish, 104 * size],
    ],
    sideTilt: [
      [start, o.tilt.address],
      [top, o.tilt.top],
      [impact, o.tilt.impact],
      [finish, 3],
    ],
    neckLean: [
      [start, 0],
      [top, o.neck.top],
      [impact, o.neck.impact],
      [finish, 0],
    ],
    forwardBend: [
      [start, o.bend.address],
      [top, o.bend.top],
      [impact + 0.05, o.bend.impact],
      [finish, 6],
    ],
    pelvisRise: [
      [start, 0],
      [top, -0.5],
      [top + down * 0.6, o.rise.drop],
      [impact + 0.02, o.rise.impact],
      [finish, 4.5],
    ],
    leadKneeAside: [
      [start, 0],
      [top, o.knees.leadTop],
      [impact, o.knees.leadImpact],
      [finish, 0],
    ],
    trailKneeAside: [
      [start, 0],
      [top, o.knees.trailTop],
      [impact, o.knees.trailImpact],
      [finish, 0],
    ],
  };
}

/** Groups of values merged one level deep. */
export function merged<T extends object>(base: T, changes: Changes<T>): T {
  const out = { ...base } as Record<string, unknown>;
  for (const [key, value] of Object.entries(changes as Record<string, unknown>)) {
    const old = out[key];
    out[key] =
      value && typeof value === "object" && old && typeof old === "object"
        ? { ...old, ...value }
        : value;
  }
  return out as T;
}
