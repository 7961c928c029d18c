import type { Knot } from "../../maths";
import type { MovementScript, Step } from "../script";
import { atAddress, planted, script, upright, STANCE, type ScriptedStance } from "./quiet";

/**
 * Movements between reps, none of which is a rep: waggles, a ball being placed, walking in and out.
 */

/** Wrists and forearms loosened over the ball: `times` small swings of the club. */
export function waggle(
  stance: ScriptedStance = STANCE,
  times = 2,
  size = 1,
  club: number | null = 0.53,
): MovementScript {
  const beat = 0.62;
  const armSwing: Knot[] = [[0.3, 0]];
  const wristCock: Knot[] = [[0.3, 0]];
  for (let k = 0; k < times; k++) {
    armSwing.push([0.3 + (k + 0.45) * beat, 9 * size], [0.3 + (k + 1) * beat, 0]);
    wristCock.push([0.3 + (k + 0.45) * beat, 38 * size], [0.3 + (k + 1) * beat, 0]);
  }
  return script(
    0.3 + times * beat + 0.4,
    stance,
    { ...atAddress(), armSwing, wristCock },
    { club },
  );
}

/** Bends down, sets a ball before the feet, rises again. */
export function placeBall(
  stance: ScriptedStance = STANCE,
  club: number | null = 0.53,
): MovementScript {
  return script(
    3.2,
    stance,
    {
      ...atAddress(),
      forwardBend: [
        [0.1, 32],
        [1.2, 82],
        [1.7, 82],
        [2.9, 32],
      ],
      pelvisRise: [
        [0.1, 0],
        [1.2, -26],
        [1.7, -26],
        [2.9, 0],
      ],
      armSwing: [
        [0.2, 0],
        [1.2, -12],
        [1.7, -12],
        [2.8, 0],
      ],
      handsApart: [
        [0.2, 0],
        [1.0, 24],
        [1.8, 24],
        [2.8, 0],
      ],
    },
    { club },
  );
}

/** Stands upright and looks about, the club held before the body. */
export function standAbout(
  seconds: number,
  stance: ScriptedStance = STANCE,
  club: number | null = 0.53,
): MovementScript {
  return script(
    seconds,
    stance,
    {
      ...upright(),
      thoraxTurn: [
        [0.2, 0],
        [seconds * 0.4, 24],
        [seconds * 0.7, -16],
        [seconds - 0.1, 0],
      ],
    },
    {
      club,
      leadShare: [
        [0, 50],
        [seconds * 0.3, 62],
        [seconds * 0.7, 44],
        [seconds, 50],
      ],
    },
  );
}

/** Where a walk begins and ends, cm [T, D], and how the feet stand when it is over. */
export interface WalkOptions {
  from: [number, number];
  to: [number, number];
  stance: ScriptedStance;
  /** Length of a step, cm, and its time, s. */
  stride: number;
  beat: number;
  club: number | null;
}

/**
 * Walks upright from one place to another and turns square to the ball: into the picture, or out of
 * it.
 */
// eslint-disable-next-line max-lines-per-function -- a script: what moves when, from beginning to end
export function walk(changes: Partial<WalkOptions> = {}): MovementScript {
  const o: WalkOptions = {
    from: [-60, 240],
    to: [0, 0],
    stance: STANCE,
    stride: 58,
    beat: 0.52,
    club: 0.53,
    ...changes,
  };
  const way: [number, number] = [o.to[0] - o.from[0], o.to[1] - o.from[1]];
  const long = Math.hypot(...way);
  const heading = (Math.atan2(way[0], way[1]) * 180) / Math.PI;
  const arriving = Math.hypot(...o.to) < Math.hypot(...o.from);
  const walked = arriving ? heading : 0;
  const end = planted(o.stance);
  const start = place(o.from, walked, 18);
  const steps: Record<"lead" | "trail", Step[]> = { lead: [], trail: [] };
  const at = {
    lead: { ...start.lead, deg: walked + 20 * 0.4 },
    trail: { ...start.trail, deg: walked - 8 * 0.4 },
  };
  const share: Knot[] = [[0.15, 50]];
  let t = 0.3;
  let foot: "lead" | "trail" = "lead";
  const go = (to: { t: number; d: number }, deg: number) => {
    const from = at[foot];
    share.push([t - 0.02, foot === "lead" ? 12 : 88]);
    steps[foot].push({
      from: t,
      to: t + o.beat,
      alongTarget: to.t - from.t,
      towardBall: to.d - from.d,
      turn: deg - from.deg,
      apex: 8,
    });
    at[foot] = { ...to, deg };
    t += o.beat + 0.08;
    foot = foot === "lead" ? "trail" : "lead";
  };
  const turns: Knot[] = [[0.2, walked]];
  if (!arriving) {
    // First turn toward the way out.
    turns.push([0.3 + 2 * (o.beat + 0.08), heading]);
    for (const f of ["lead", "trail"] as const) {
      foot = f;
      const p = place(o.from, heading, 18)[f];
      go(p, heading);
    }
  }
  const strides = Math.max(1, Math.round(long / o.stride));
  for (let k = 1; k <= strides; k++) {
    const s = k / strides;
    const centre: [number, number] = [o.from[0] + way[0] * s, o.from[1] + way[1] * s];
    go(place(centre, heading, 18)[foot], heading);
  }
  if (arriving) {
    turns.push([t, heading]);
    for (let k = 0; k < 2; k++)
      go(
        { t: end[foot].ankleT + o.to[0], d: end[foot].ankleD + o.to[1] },
        foot === "lead" ? end.lead.turnOut : -end.trail.turnOut,
      );
    turns.push([t, 0]);
  } else {
    const p = place(o.to, heading, 18)[foot];
    go(p, heading);
  }
  share.push([t + 0.1, 50]);
  const duration = t + 0.5;
  const first = { lead: foot0("lead"), trail: foot0("trail") };
  function foot0(f: "lead" | "trail") {
    const p = arriving
      ? start[f]
      : { t: planted(o.stance)[f].ankleT, d: planted(o.stance)[f].ankleD };
    return p;
  }
  return script(
    duration,
    o.stance,
    { ...upright(), heading: turns },
    {
      feet: {
        lead: {
          ankleT: first.lead.t,
          ankleD: first.lead.d,
          turnOut: arriving ? walked + 8 : 20,
          steps: fromFirst(steps.lead, first.lead, start.lead),
          heelPitch: [],
        },
        trail: {
          ankleT: first.trail.t,
          ankleD: first.trail.d,
          turnOut: arriving ? -(walked - 3.2) : 8,
          steps: fromFirst(steps.trail, first.trail, start.trail),
          heelPitch: [],
        },
      },
      leadShare: share,
      club: o.club,
    },
  );
}

/** The first step starts where the foot really stands. */
function fromFirst(
  steps: Step[],
  stands: { t: number; d: number },
  assumed: { t: number; d: number },
): Step[] {
  return steps.map((s, i) =>
    i === 0
      ? {
          ...s,
          alongTarget: s.alongTarget + assumed.t - stands.t,
          towardBall: (s.towardBall ?? 0) + assumed.d - stands.d,
        }
      : s,
  );
}

/** Ankles either side of a place [T, D], `apart` cm, for a body that faces `heading`. */
function place([t, d]: [number, number], heading: number, apart: number) {
  const rad = (heading * Math.PI) / 180;
  const across = [Math.cos(rad), -Math.sin(rad)] as const;
  return {
    lead: { t: t + (across[0] * apart) / 2, d: d + (across[1] * apart) / 2 },
    trail: { t: t - (across[0] * apart) / 2, d: d - (across[1] * apart) / 2 },
  };
}
