import { expect, it } from "vitest";
import type { Motion } from "../../motion/motion";
import type { Rep } from "../../reps/rep";
import { emptyEvents } from "../../reps/rep";
import { RepMotion } from "../measure";
import { leadToeOut } from "./leadToeOut";

/** A lead foot that turns out from 1 s on, by 30 degrees in 100 ms; 100 samples a second. */
const direction = Float64Array.from({ length: 200 }, (_, i) =>
  Math.min(30, Math.max(0, 3 * (i - 100))),
);
/** Of a lead foot that stands at these places (cm along T) one after another, from still to 2 s. */
function turnedAt(finish: number, lead = direction, places = [20]) {
  const spell = 2000 / places.length;
  const spells = places.map((ankleT, k) => ({
    fromMs: k * spell,
    toMs: (k + 1) * spell,
    ankleT,
    heelT: ankleT,
    toeT: ankleT,
  }));
  const motion = {
    startMs: 0,
    dt: 0.01,
    n: lead.length,
    direction: { lead },
    feet: { lead: { spells } },
  } as unknown as Motion;
  const rep = { events: { ...emptyEvents(), address: 100, finish } } as Rep;
  return leadToeOut.leadToeOutFinish.joints(new RepMotion(motion, rep, {} as never));
}

it("reads the lead toe's direction at the finish, between samples too", () => {
  expect(turnedAt(1500)).toEqual({ value: 30, atMs: 1500 });
  expect(turnedAt(1055).value).toBeCloseTo(16.5);
  expect(turnedAt(500).value).toBe(0);
});

it("says why there is none: the foot was hidden, it stepped, or there was no finish", () => {
  expect(
    turnedAt(
      1500,
      direction.map(() => NaN),
    ).why,
  ).toBe("footNotSeen");
  expect(turnedAt(1500, direction, [20, 45]).why).toBe("footMoved");
  expect(turnedAt(NaN).why).toBe("eventNotFound");
});
