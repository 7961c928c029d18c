import fc from "fast-check";
import { expect, it } from "vitest";
import { likeliestWay } from "./viterbi";

const LOOKS = 5;
const STATES = 4;

it("finds the way that no other way is likelier than", () => {
  const misfit = fc.integer({ min: 0, max: 40 });
  const look = fc.option(fc.array(misfit, { minLength: STATES, maxLength: STATES }), { nil: null });
  fc.assert(
    fc.property(
      fc.array(look, { minLength: LOOKS, maxLength: LOOKS }),
      fc.double({ min: 0.4, max: 1.4, noNaN: true }),
      (looks, sd) => {
        const cost = (way: readonly number[]) =>
          way.reduce(
            (sum, s, i) =>
              sum + Math.min(looks[i]?.[s] ?? 0, 20) + (i ? ((s - way[i - 1]!) / sd) ** 2 : 0),
            0,
          );
        const allowed = (way: readonly number[]) =>
          way.every((s, i) => i === 0 || Math.abs(s - way[i - 1]!) <= Math.ceil(3 * sd));
        const all = Array.from({ length: STATES ** LOOKS }, (_, k) =>
          Array.from({ length: LOOKS }, (_, i) => Math.floor(k / STATES ** i) % STATES),
        ).filter(allowed);
        const found = Array.from(likeliestWay(looks, STATES, sd, 20));
        expect(allowed(found)).toBe(true);
        expect(cost(found)).toBeCloseTo(Math.min(...all.map(cost)), 9);
      },
    ),
    { numRuns: 60 },
  );
});

it("goes on through a mistake and through what was not seen", () => {
  expect([...likeliestWay([[0, 9, 9], null, [9, 9, 0], [0, 9, 9]], 3, 0.5, 9)]).toEqual([
    0, 0, 0, 0,
  ]);
  expect([...likeliestWay([], 3, 1, 9)]).toEqual([]);
});
