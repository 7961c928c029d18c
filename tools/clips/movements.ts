import { compose } from "../../src/core/figure/compose";
import type { MovementScript } from "../../src/core/figure/script";
import { placeBall, standAbout, waggle, walk } from "../../src/core/figure/scripts/between";
import { cycle } from "../../src/core/figure/scripts/cycle";
import { doubleStep, type DoubleStepOptions } from "../../src/core/figure/scripts/doubleStep";
import { armsOnly, hipsOnly, toss } from "../../src/core/figure/scripts/gesture";
import { hold } from "../../src/core/figure/scripts/hold";
import { pivot } from "../../src/core/figure/scripts/pivot";
import { swing, type Changes, type SwingOptions } from "../../src/core/figure/scripts/swing";
import type { Seeded } from "../../src/core/maths/seeded";

/**
 * Movements with natural variation: no two alike, every measure from well inside to well outside
 * its bands.
 */

const between = (random: Seeded, low: number, high: number) =>
  low + (high - low) * random.uniform();
const maybe = (random: Seeded, share: number) => random.uniform() < share;

/** A swing of anybody's: everything that can be varied, varied. */
function anySwing(r: Seeded): Changes<SwingOptions> {
  const gap = between(r, 32, 56);
  const early = maybe(r, 0.25);
  return {
    still: between(r, 0.45, 0.7),
    back: between(r, 0.72, 1.05),
    down: between(r, 0.23, 0.32),
    gap,
    turnOut: { lead: between(r, 8, 28), trail: between(r, 0, 16) },
    share: {
      loaded: between(r, 10, 46),
      top: between(r, 36, 62),
      impact: between(r, 56, 88),
      finish: between(r, 66, 95),
    },
    size: between(r, 0.8, 1.05),
    tilt: { address: between(r, 0, 7), top: between(r, -12, 8), impact: between(r, 4, 17) },
    neck: { top: between(r, -6, 8), impact: between(r, -4, 8) },
    bend: { address: between(r, 26, 38), top: between(r, 26, 38), impact: between(r, 20, 38) },
    depth: { top: between(r, 32, 58), impact: between(r, 34, 72) },
    pelvis: {
      top: between(r, -54, -30),
      impact: between(r, 18, 48),
      beforeTop: between(r, -0.04, 0.14),
    },
    thorax: { top: between(r, -98, -74), impact: between(r, 4, 26) },
    rise: { drop: between(r, -4, 0), impact: between(r, -2, 4) },
    knees: {
      leadTop: between(r, -26, 6),
      trailTop: between(r, -26, 20),
      leadImpact: between(r, -8, 8),
      trailImpact: between(r, 0, 30),
    },
    heel: { upAt: early ? between(r, 0.1, 0.5) : between(r, 0.6, 1.3), finish: between(r, 40, 60) },
    reachTop: maybe(r, 0.3) ? between(r, 0.86, 0.97) : 1,
    hold: between(r, 0.4, 0.6),
    wobble: maybe(r, 0.3) ? between(r, 4, 14) : 0,
    slide: maybe(r, 0.2) ? { lead: between(r, -4, 6), trail: between(r, -2, 6) } : {},
    club: maybe(r, 0.2) ? "driver" : maybe(r, 0.3) ? "wedge" : "iron",
  };
}

export const plainSwing = (r: Seeded): MovementScript => swing(anySwing(r));
export const feetTogether = (r: Seeded): MovementScript =>
  swing({
    ...anySwing(r),
    gap: between(r, 10, 16),
    size: between(r, 0.55, 0.75),
    share: { loaded: 40, top: 50, impact: 60, finish: 70 },
    tilt: { address: 1, top: between(r, -2, 3), impact: between(r, 2, 8) },
    club: "iron",
  });
export const movingStart = (r: Seeded): MovementScript =>
  swing({
    ...anySwing(r),
    gap: between(r, 34, 48),
    rock: { share: between(r, 55, 92), lead: between(r, 0.35, 0.7) },
  });
export const earlyLeadStep = (r: Seeded): MovementScript =>
  swing({
    ...anySwing(r),
    gap: between(r, 11, 18),
    slide: {},
    leadStep: {
      length: between(r, 9, 30),
      beforeTop: between(r, -0.06, 0.24),
      air: between(r, 0.24, 0.34),
    },
  });
export const walkThrough = (r: Seeded): MovementScript =>
  swing({
    ...anySwing(r),
    slide: {},
    share: {
      loaded: between(r, 16, 30),
      top: 52,
      impact: between(r, 80, 94),
      finish: between(r, 45, 80),
    },
    trailStep: {
      length: between(r, 55, 85),
      afterImpact: between(r, 0.6, 0.8),
      air: between(r, 0.42, 0.55),
    },
  });

/** The double step: good, or wrong in one way. */
export function anyDoubleStep(
  r: Seeded,
  fault: keyof typeof DOUBLE_STEP_FAULTS | null,
): MovementScript {
  const good: Partial<DoubleStepOptions> = {
    still: between(r, 0.55, 0.8),
    back: between(r, 0.94, 1.1),
    down: between(r, 0.27, 0.33),
    trailFirst: between(r, 0.13, 0.2),
    trailStep: between(r, -11, -7),
    trailAir: between(r, 0.27, 0.33),
    leadAir: between(r, 0.27, 0.33),
    leadStep: between(r, 9, 13),
    leadBeforeTop: between(r, 0.02, 0.08),
    loadedShare: between(r, 10, 18),
    tiltTop: between(r, 1, 5),
    gap: between(r, 20, 24),
    size: between(r, 0.9, 1.03),
  };
  return doubleStep(fault ? { ...good, ...DOUBLE_STEP_FAULTS[fault](r) } : good);
}

/** A double step with room on every side: what even a wide uncertainty should pass. */
export const surelyGoodDoubleStep = (r: Seeded): MovementScript =>
  doubleStep({
    still: 0.7,
    back: between(r, 1, 1.08),
    down: between(r, 0.28, 0.32),
    trailFirst: between(r, 0.18, 0.22),
    trailStep: between(r, -10, -8),
    trailAir: between(r, 0.28, 0.31),
    leadAir: between(r, 0.27, 0.3),
    leadStep: between(r, 10, 12),
    leadBeforeTop: between(r, 0.08, 0.11),
    loadedShare: between(r, 9, 13),
    tiltTop: between(r, 1, 3),
    gap: between(r, 21, 23),
    size: between(r, 0.92, 1.02),
  });

export const DOUBLE_STEP_FAULTS = {
  leadLate: (r: Seeded) => ({ leadBeforeTop: between(r, -0.19, -0.13), leadAir: 0.3 }),
  tooBig: (r: Seeded) => ({ trailStep: between(r, -28, -22), trailAir: 0.34, loadedShare: 16 }),
  handsFirst: (r: Seeded) => ({
    trailFirst: between(r, -0.24, -0.17),
    still: 0.8,
    back: 1.15,
    trailAir: 0.26,
  }),
  sways: (r: Seeded) => ({ tiltTop: between(r, -21, -17), loadedShare: 2, trailStep: -6 }),
  noWeight: (r: Seeded) => ({
    sentShare: 68,
    loadedShare: between(r, 62, 68),
    leadAir: 0.18,
    trailAir: 0.24,
    leadStep: 8,
  }),
} as const;

export const rocking = (r: Seeded): MovementScript =>
  cycle({
    cycles: 4,
    period: between(r, 1.3, 2),
    weight: between(r, 18, 40),
    lag: between(r, -0.02, 0.34),
    arms: between(r, 24, 52),
    thorax: between(r, 14, 44),
    unsteady: between(r, 0.01, 0.12),
    stance: { gap: between(r, 34, 50), stagger: 0 },
    jitter: Array.from({ length: 10 }, () => between(r, -1, 1)),
  });
export const stepping = (r: Seeded): MovementScript =>
  cycle({
    cycles: 4,
    period: between(r, 1.6, 2.2),
    weight: 44,
    lag: between(r, 0.05, 0.25),
    arms: between(r, 24, 44),
    thorax: between(r, 14, 36),
    step: between(r, 4, 14),
    slide: maybe(r, 0.4) ? between(r, 3, 9) : 0,
    stance: { gap: between(r, 30, 44), stagger: 0 },
    jitter: Array.from({ length: 10 }, () => between(r, -1, 1)),
  });
/** Steps from side to side, one of the standing feet dragged: by turns the lead and the trail one. */
export const slipping = (r: Seeded, k: number): MovementScript =>
  cycle({
    cycles: 4,
    period: between(r, 1.6, 2.2),
    weight: 44,
    lag: between(r, 0.1, 0.34),
    arms: between(r, 24, 44),
    thorax: between(r, 14, 36),
    step: between(r, 6, 14),
    slide: between(r, 4, 11),
    slideOf: k % 2 === 0 ? "lead" : "trail",
    stance: { gap: between(r, 30, 44), stagger: 0 },
    jitter: Array.from({ length: 10 }, () => between(r, -1, 1)),
  });
/** The trail foot steps out from feet together with the start down, and its heel rises sooner or later. */
export const trailOut = (r: Seeded): MovementScript => {
  const down = between(r, 0.36, 0.48);
  const air = between(r, 0.22, 0.28);
  const fromTop = between(r, -0.12, 0.04);
  return swing({
    ...anySwing(r),
    gap: between(r, 9, 13),
    slide: {},
    down,
    share: { loaded: 44, top: 62, impact: between(r, 66, 80), finish: between(r, 70, 84) },
    tilt: { address: 2, top: between(r, -2, 4), impact: between(r, 3, 8) },
    trailOut: { length: between(r, -28, -14), fromTop, air },
    heel: {
      upAt: maybe(r, 0.5) ? (fromTop + air + between(r, 0.12, 0.2)) / down : between(r, 1.5, 2.2),
      finish: maybe(r, 0.5) ? between(r, 30, 50) : 8,
      lift: 0.12,
    },
  });
};
/** Swings that end on the trail foot, after a strike from it or after one that was good. */
export const hangingBack = (r: Seeded): MovementScript =>
  swing({
    ...anySwing(r),
    slide: {},
    share: {
      loaded: between(r, 12, 30),
      top: between(r, 20, 50),
      impact: between(r, 34, 80),
      finish: between(r, 18, 56),
    },
  });
/** The lead foot turns out on the way down, after the strike, or is dragged along. */
export const spinning = (r: Seeded, k: number): MovementScript =>
  swing({
    ...anySwing(r),
    slide: k % 3 === 2 ? { lead: between(r, 4, 10) } : {},
    leadSpin: {
      down: k % 3 === 0 ? between(r, 14, 34) : 0,
      through: k % 3 === 1 ? between(r, 20, 60) : between(r, 0, 20),
    },
  });
const anyPivot = (r: Seeded, gap: readonly [number, number] | null): MovementScript =>
  pivot({
    turn: between(r, 25, 95),
    drag: maybe(r, 0.4) ? between(r, 3, 9) : between(r, 0, 1),
    period: between(r, 1.5, 2),
    times: 3,
    ...(gap ? { stance: { gap: between(r, ...gap), stagger: 0 } } : {}),
  });
export const footPivot = (r: Seeded): MovementScript => anyPivot(r, null);
/**
 * Feet as far apart as in a swing, and two shoes apart, where neither shoe hides the other's toe as
 * it turns.
 */
export const widePivot = (r: Seeded): MovementScript => anyPivot(r, [38, 46]);
export const pivotApart = (r: Seeded): MovementScript => anyPivot(r, [48, 56]);
export const oneLeg = (r: Seeded): MovementScript =>
  hold({
    on: maybe(r, 0.6) ? "lead" : "trail",
    seconds: between(r, 1, 2.6),
    wobble: between(r, 0.3, 3),
  });
export const gesture = (r: Seeded, k: number): MovementScript => {
  const own = { ...anySwing(r), slide: {}, club: null } as Changes<SwingOptions>;
  if (k % 3 === 0)
    return armsOnly({ ...own, size: between(r, 0.6, 0.8), down: between(r, 0.32, 0.42) });
  if (k % 3 === 1) return hipsOnly({ ...own, down: between(r, 0.3, 0.4) });
  return toss({
    still: between(r, 0.5, 0.7),
    back: between(r, 0.7, 0.95),
    trailStep: {
      length: between(r, 38, 60),
      afterImpact: between(r, 0.42, 0.6),
      air: between(r, 0.38, 0.46),
    },
  });
};

/** Several swings with all that goes on between them; none of that is a rep. */
export function manyReps(r: Seeded, kind: "swing" | "double-step", reps: number): MovementScript {
  const parts: MovementScript[] = [];
  const stance = { gap: 38, stagger: 0 };
  parts.push(walk({ from: [between(r, -150, 150), between(r, 150, 230)], stance }));
  for (let k = 0; k < reps; k++) {
    if (maybe(r, 0.6)) parts.push(placeBall(stance));
    else if (maybe(r, 0.4)) parts.push(standAbout(between(r, 1.4, 2.4), stance));
    if (maybe(r, 0.6)) parts.push(waggle(stance, maybe(r, 0.5) ? 2 : 1, between(r, 0.7, 1.6)));
    parts.push(
      kind === "swing"
        ? swing({ ...anySwing(r), club: "iron" })
        : anyDoubleStep(r, maybe(r, 0.5) ? null : "leadLate"),
    );
  }
  if (maybe(r, 0.5))
    parts.push(walk({ from: [0, 0], to: [between(r, -200, 200), between(r, 120, 200)], stance }));
  return compose(parts, [between(r, 1.3, 1.6), between(r, 1.5, 2.2)]);
}
