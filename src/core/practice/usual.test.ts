import { describe, expect, it } from "vitest";
import { knownOf, usualOf } from "./usual";

const rows = (values: number[], u = 0.1) => values.map((value) => ({ value, u }));

describe("what is usual", () => {
  it("is the middle rep, and one that went astray does not move it", () => {
    expect(usualOf(rows([4, 5, 6, 5, 90])).middle).toBe(5);
    expect(usualOf(rows([4, 5, 6, 5, 90])).spread).toBeCloseTo(1.4826, 4);
  });

  it("is never told more closely than the film tells one rep", () => {
    expect(usualOf(rows([5, 5, 5], 2)).spread).toBe(2);
    expect(usualOf(rows([1, 5, 9], 2)).spread).toBeCloseTo(4 * 1.4826, 4);
  });

  it("counts a measure only where a rep has value and uncertainty", () => {
    const reps: Parameters<typeof knownOf>[0] = [
      { id: "a", measures: { sway: { value: 3, u: 1 } } },
      { id: "b", measures: { sway: { value: null, u: null } } },
      { id: "c", measures: { sway: { value: 0, u: 0.5 } } },
      { id: "d", measures: {} },
    ];
    expect(knownOf(reps, "sway")).toEqual([
      { id: "a", value: 3, u: 1 },
      { id: "c", value: 0, u: 0.5 },
    ]);
  });
});
