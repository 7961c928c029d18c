import { JerkSmoother } from "../maths/jerkSmoother";
import { GRAVITY } from "../motion/deLeva";
import { placeOnClock } from "../motion/footMotion";
import type { Motion } from "../motion/motion";
import type { SideName } from "../track/sides";
import { nearest, toMs } from "./clock";
import type { FootEvent } from "./events/footEvents";

/** Smoothing of the pressure: white jerk, cm/s³/√Hz, and a position's spread at 60 pictures a second, cm (pilot study, section 4). */
const PRESSURE_JERK = 55;
const PRESSURE_SD = 0.3;

/** The smoother for the centre of mass of a motion and of every perturbed copy of it. */
export const pressureSmoother = (m: Pick<Motion, "n" | "dt">): JerkSmoother =>
  new JerkSmoother(m.n, m.dt, PRESSURE_JERK, PRESSURE_SD * Math.sqrt(1 / 60 / m.dt));

/** Spells in which a foot is in the air, ms. */
export type Airborne = Record<SideName, [from: number, to: number][]>;

export function airborne(events: FootEvent[], endMs: number): Airborne {
  const spells = (foot: SideName): [number, number][] => {
    const out: [number, number][] = [];
    for (const e of events) {
      if (e.foot !== foot) continue;
      if (e.event === "liftOff") out.push([e.ms, endMs]);
      else if (e.event === "landing" && out.length && out[out.length - 1]![1] === endMs) out[out.length - 1]![1] = e.ms;
    }
    return out;
  };
  return { lead: spells("lead"), trail: spells("trail") };
}

/**
 * Lead share (%, on the motion's clock): pressure by the plain inverted pendulum, p = x − (h/g)·x″, on a heavily
 * smoothed centre of mass, as its place between the two feet's centres; all on the standing foot while the other is in
 * the air. The centre of mass is shifted once so that it stands over the middle of the feet at a still address: that
 * takes out the camera's roll and the network's constant offsets (and would call a golfer who stands uneven, even).
 */
export function leadShare(m: Motion, smoother: JerkSmoother, air: Airborne, still: { fromMs: number; toMs: number; even: boolean }): Float64Array {
  const position = new Float64Array(m.n);
  const acceleration = new Float64Array(m.n);
  smoother.run(m.comT, position, acceleration);
  const lead = placeOnClock(m.feet.lead, m.startMs, m.dt, m.n);
  const trail = placeOnClock(m.feet.trail, m.startMs, m.dt, m.n);
  const centre = (f: Record<"heelT" | "toeT", Float64Array>, i: number) => (f.heelT[i]! + f.toeT[i]!) / 2;
  let shift = 0;
  if (still.even) {
    const a = nearest(m, still.fromMs);
    const b = nearest(m, still.toMs);
    for (let i = a; i <= b; i++) shift += ((centre(lead, i) + centre(trail, i)) / 2 - position[i]!) / (b - a + 1);
  }
  const share = new Float64Array(m.n);
  for (let i = 0; i < m.n; i++) {
    const p = position[i]! + shift - (m.comU[i]! / GRAVITY) * acceleration[i]!;
    const [l, t] = [centre(lead, i), centre(trail, i)];
    share[i] = 100 * Math.min(Math.max((p - t) / (l - t), 0), 1);
  }
  const during = (foot: SideName, value: number) => {
    for (const [from, to] of air[foot])
      for (let i = 0; i < m.n; i++) {
        const ms = toMs(m, i);
        if (ms > from && ms < to) share[i] = value;
      }
  };
  during("lead", 0);
  during("trail", 100);
  return share;
}

/** Whether both feet are down at a time, and for `clearMs` before and after it. */
export const bothDown = (air: Airborne, ms: number, clearMs = 0): boolean =>
  !(["lead", "trail"] as const).some((f) => air[f].some(([from, to]) => ms > from - clearMs && ms < to + clearMs));
