import type { MovementScript } from "../script";
import { fullSwing } from "./doubleStep";

export interface NormalSwingOptions {
  still: number;
  back: number;
  down: number;
  gap: number;
  trailShare: number;
  size: number;
}

export const ORDINARY_SWING: NormalSwingOptions = { still: 1.0, back: 0.9, down: 0.27, gap: 46, trailShare: 76, size: 1 };

/** An ordinary full swing with quiet feet: the trail heel leaves the ground round the strike. */
export function normalSwing(options: Partial<NormalSwingOptions> = {}): MovementScript {
  const o = { ...ORDINARY_SWING, ...options };
  const start = o.still + 0.25;
  const top = start + o.back;
  const impact = top + o.down;
  const finish = impact + 0.75;
  return {
    duration: finish + 0.9,
    feet: {
      lead: { ankleT: o.gap / 2, ankleD: 0, turnOut: 20, steps: [], heelPitch: [] },
      trail: {
        ankleT: -o.gap / 2, ankleD: 0, turnOut: 8, steps: [],
        heelPitch: [[impact - 0.05, 0], [impact + 0.14, 20], [finish - 0.1, 55]],
      },
    },
    stillStart: true,
    leadShare: [
      [start - 0.12, 50], [start + 0.06, 58], [start + o.back * 0.6, 100 - o.trailShare], [top + 0.02, 50],
      [impact - 0.04, 74], [finish - 0.1, 90],
    ],
    ...fullSwing(start, top, impact, finish, o.size, 2),
    strike: impact,
    clubAhead: 0,
  };
}
