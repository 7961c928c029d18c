import { describe, expect, it } from "vitest";
import { namesOf } from "./compared";

const rep = (id: string, number: number, more: object = {}) => ({
  id,
  number,
  boutReps: ["a", "b"],
  boutStartedAt: new Date("2026-11-24T10:00:00Z"),
  drill: "Double step",
  drillId: "double-step",
  ...more,
});

describe("names of compared reps", () => {
  it("are numbers within a bout, days and drills across bouts, hours within a day", () => {
    expect(namesOf([rep("a", 1), rep("b", 2)])).toEqual(["rep 1", "rep 2"]);
    expect(
      namesOf([
        rep("a", 1),
        rep("c", 1, { boutReps: ["c"], boutStartedAt: new Date("2026-11-22T10:00:00Z") }),
      ]),
    ).toEqual(["rep 1, 24 Nov", "rep 1, 22 Nov"]);
    expect(
      namesOf([
        rep("a", 3),
        rep("c", 3, { boutReps: ["c"], boutStartedAt: new Date("2026-11-24T15:30:00Z") }),
      ]),
    ).toEqual([
      expect.stringMatching(/^rep 3, 24 Nov, \d\d:\d\d$/),
      expect.stringMatching(/^rep 3, 24 Nov, \d\d:\d\d$/),
    ]);
    expect(
      namesOf([rep("a", 1), rep("n", 1, { boutReps: ["n"], drill: null, drillId: null })])[1],
    ).toBe("measured, rep 1, 24 Nov");
  });
});
