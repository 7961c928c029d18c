import { firstBelow, firstRunIn, indexOfMax, MS } from "./search";
import type { Put, RepCase } from "./repCase";
import { largest, travel } from "./travel";

/** One turn of a foot about its heel and back. */
export function pivotMeasures({ x, rep, feet, from, to }: RepCase, put: Put): void {
  const foot = rep.foot!;
  const turn = largest(feet[foot].turn, from, to);
  put(`${foot}FootTurn`, turn);
  put(
    `${foot}HeelTravel`,
    travel(x, foot, from, to, "heel", () => true),
  );
  const size = feet[foot].turn.map((v) => Math.abs(v - feet[foot].turn[from]!));
  const peak = indexOfMax(size, from, to);
  const back = firstBelow(size, size[peak]! * 0.1, peak, to);
  if (back !== null)
    put(
      "pivotTime",
      (back - (firstRunIn((i) => size[i]! > size[peak]! * 0.1, 1, from, peak) ?? peak)) * MS,
    );
}
