import { expect, it } from "vitest";
import type { Correction } from "../reps/corrections";
import { errorRecord } from "./errorRecord";

it("tells by event how often and how far the program was off, and in how many it had said so", () => {
  const top = (was: number, now: number, u: number): Correction => ({
    id: "",
    kind: "event",
    event: "top",
    was,
    u,
    now,
  });
  const lands = (was: number | null, now: number | null): Correction => ({
    id: "",
    kind: "foot",
    foot: "lead",
    event: "landing",
    was,
    u: was === null ? null : 10,
    now,
  });
  const other: Correction = {
    id: "",
    kind: "verdict",
    was: "fail",
    now: "pass",
    reason: "I saw it.",
  };
  expect(
    errorRecord([
      lands(500, 530),
      top(100, 90, 8),
      top(100, 70, 8),
      top(100, 95, 8),
      other,
      lands(null, 700),
      lands(640, null),
      lands(500, 480),
    ]),
  ).toEqual([
    { what: "lead landing", moved: 2, missed: 1, madeUp: 1, middleMs: -5, within: 1 },
    { what: "top", moved: 3, missed: 0, madeUp: 0, middleMs: 10, within: 2 },
  ]);
  expect(errorRecord([other])).toEqual([]);
});
