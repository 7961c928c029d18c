import { samplesOf } from "../reps";
import type { Movement } from "./movement";

/** As much of a movement as a small picture of it shows: its strip at 20 samples a second. */
export type Brief = Pick<Movement, "events" | "checks" | "at" | "series">;

const EVERY = 3;

export const briefOf = ({ series, events, checks, at }: Movement): Brief => ({
  events,
  checks,
  at,
  series: samplesOf(series, (i) => i % EVERY === 0),
});
