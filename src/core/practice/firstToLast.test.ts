import { describe, expect, it } from "vitest";
import { seeded } from "../maths/seeded";
import { firstToLast } from "./firstToLast";
import type { GlanceRep } from "./glance";

const reps = (values: readonly number[], result: GlanceRep["result"] = "pass"): GlanceRep[] =>
  values.map((value, i) => ({
    id: `${i}`,
    result,
    cue: null,
    checks: null,
    measures: { pelvisSway: { value, u: 0.5 } },
  }));

describe("a session's last bout against its first", () => {
  it("tells a difference that is more than the reps' spread, and none between a few reps", () => {
    const { shifts, change } = firstToLast(
      reps([6, 6.4, 5.8, 6.1], "fail"),
      reps([3, 3.3, 2.9, 3.1]),
      ["pelvisSway", "pelvisSway"],
    );
    expect(shifts).toMatchObject([{ measure: "pelvisSway", first: 6.05, last: 3.05, sure: true }]);
    expect(change).toMatchObject({ by: 1, sure: true });
    expect(firstToLast(reps([6, 6.4]), reps([3, 3.3]), ["pelvisSway"]).shifts).toEqual([]);
  });

  it("calls bouts that are alike different about as seldom as it says", () => {
    const random = seeded(3);
    const bout = () => reps(Array.from({ length: 6 }, () => 4 + 1.5 * random.normal()));
    const wrong = Array.from(
      { length: 400 },
      () => firstToLast(bout(), bout(), ["pelvisSway"]).shifts[0]!.sure,
    ).filter(Boolean).length;
    expect(wrong / 400).toBeLessThan(0.12);
  });
});
