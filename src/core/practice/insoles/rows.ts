import { z } from "zod";
import type { InsoleReading } from "./reading";

const MOST = 20_000;
const column = z.array(z.number().finite()).min(2).max(MOST);
const rowsOf = z
  .strictObject({
    t: column,
    leftHeel: column,
    leftToe: column,
    rightHeel: column,
    rightToe: column,
  })
  .refine(
    (r) => Object.values(r).every((x) => x.length === r.t.length),
    "all columns must be as long",
  )
  .refine((r) => r.t.every((ms, i) => i === 0 || ms > r.t[i - 1]!), "the time must go on");

/** A rep's insoles as they are kept: times on the film's clock, ms, and loads. */
export type InsoleRows = z.infer<typeof rowsOf>;

/** A rep's insoles with where they come from, as they are sent and shown. */
export const laidInsoles = z.strictObject({
  fileName: z.string().min(1).max(300),
  offsetMs: z.number().finite(),
  r: z.number().min(-1).max(1),
  rows: rowsOf,
});
export type LaidInsoles = z.infer<typeof laidInsoles>;

const tenths = (x: Float64Array) => Array.from(x, (v) => Math.round(v * 10) / 10);

export const toRows = ({ t, left, right }: InsoleReading): InsoleRows => ({
  t: tenths(t),
  leftHeel: tenths(left.heel),
  leftToe: tenths(left.toe),
  rightHeel: tenths(right.heel),
  rightToe: tenths(right.toe),
});

export const fromRows = ({
  t,
  leftHeel,
  leftToe,
  rightHeel,
  rightToe,
}: InsoleRows): InsoleReading => {
  const f = (x: number[]) => Float64Array.from(x);
  return {
    t: f(t),
    left: { heel: f(leftHeel), toe: f(leftToe) },
    right: { heel: f(rightHeel), toe: f(rightToe) },
  };
};
