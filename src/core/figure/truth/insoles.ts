import { seeded } from "../../maths";
import type { InsoleReading } from "../../practice";
import { TRUTH_HZ, type Simulation } from "../simulate";
import { exactChannels, type Foot } from "./exact";
import { feetAgainst, leadShareOf } from "./feet";

export interface InsoleOptions {
  hand: "left" | "right";
  /** Rows a second. */
  hz?: number;
  /** How far their clock is ahead of the film's, ms. */
  aheadMs: number;
  massKg?: number;
  seed?: number;
}

/**
 * Each of the four sensors tells a few per cent too much or too little, and wavers by a few
 * newtons. By hand: a stand-in, no model of any make.
 */
const [GAIN_SD, NOISE_N] = [0.04, 3];
const G = 9.81;

/**
 * A simulated pair of pressure insoles in the shoes of the simulated golfer: the load under heel
 * and toe of each foot, N, on a clock of its own.
 */
export function insoleTruth(
  sim: Simulation,
  { hand, hz = 100, aheadMs, massKg = 72, seed = 1 }: InsoleOptions,
): InsoleReading {
  const random = seeded(seed);
  const feet = feetAgainst(sim, 0);
  const share = leadShareOf(exactChannels(sim), feet);
  const n = Math.floor(((share.length - 1) / TRUTH_HZ) * hz) + 1;
  const at = (k: number) => Math.min(share.length - 1, Math.round((k * TRUTH_HZ) / hz));
  const rows = Array.from({ length: n }, (_, k) => k);
  /** Height over the ground from which a part of the sole presses on nothing, cm. */
  const off = 1;
  const foot = (which: Foot) => {
    const gains = [1 + GAIN_SD * random.normal(), 1 + GAIN_SD * random.normal()] as const;
    const part = (own: "heel" | "toe", gain: number) =>
      Float64Array.from(rows, (k) => {
        const i = at(k);
        const { heel, toe } = feet[which];
        const load = ((which === "lead" ? share[i]! : 100 - share[i]!) / 100) * massKg * G;
        const [heelUp, toeUp] = [heel[i]! > off, toe[i]! > off];
        const mine = own === "heel" ? (heelUp ? 0 : toeUp ? 1 : 0.5) : toeUp ? 0 : heelUp ? 1 : 0.5;
        return Math.max(0, mine * load * gain + NOISE_N * random.normal());
      });
    return { heel: part("heel", gains[0]), toe: part("toe", gains[1]) };
  };
  const [lead, trail] = [foot("lead"), foot("trail")];
  const [left, right] = hand === "right" ? [lead, trail] : [trail, lead];
  return { t: Float64Array.from(rows, (k) => (k * 1000) / hz + aheadMs), left, right };
}
