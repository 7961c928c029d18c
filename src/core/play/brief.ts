import type { Movement } from "./movement";

/** As much of a movement as a small picture of it shows: its strip at 20 samples a second. */
export type Brief = Pick<Movement, "events" | "checks" | "at" | "series">;

const EVERY = 3;

export const briefOf = ({ series, events, checks, at }: Movement): Brief => ({ events, checks, at, series: thinned(series) });

/** Every list in it with each third sample; what is no list stays. */
function thinned<T extends object>(of: T): T {
  return Object.fromEntries(Object.entries(of).map(([name, v]) => [name, Array.isArray(v) ? v.filter((_, i) => i % EVERY === 0) : typeof v === "object" && v !== null ? thinned(v as object) : v])) as T;
}
