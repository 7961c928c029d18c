import { describe, expect, it } from "vitest";
import { DRILLS } from "../drills";
import { doseOfDay, HEAVY, isHeavy } from "./dose";

const set = (letters: string) =>
  [...letters].map((c) => (({ p: "pass", f: "fail", n: "not judged" }) as const)[c as "p"]);

describe("the dose of a day", () => {
  const { dose: counted } = DRILLS.find((d) => d.id === "trail-foot-pivot")!;
  const { dose: short } = DRILLS.find((d) => d.id === "double-step")!;

  it("counts reps over bouts, judged or not, up to its sets", () => {
    expect(doseOfDay(short, [set("pfnp"), set("ff")])).toEqual({
      sets: 1,
      of: 4,
      into: 2,
      missed: 0,
      again: false,
      done: false,
    });
    expect(doseOfDay(short, [set("pfnp".repeat(4))])).toMatchObject({
      sets: 4,
      into: 0,
      done: true,
    });
  });

  it("has a counted set with a miss done again, and takes no set from two bouts", () => {
    expect(doseOfDay(counted, [set("ppppnppp"), set("pppfpppp")])).toEqual({
      sets: 1,
      of: 9,
      into: 0,
      missed: 1,
      again: true,
      done: false,
    });
    expect(doseOfDay(counted, [set("pppfpppp"), set("pppppppp")])).toMatchObject({
      sets: 1,
      missed: 1,
      again: false,
    });
    expect(doseOfDay(counted, [set("pppp"), set("pppp")])).toMatchObject({ sets: 0, into: 4 });
    expect(
      doseOfDay(
        counted,
        Array.from({ length: 9 }, () => set("pppppppp")),
      ).done,
    ).toBe(true);
  });

  it("is heavy by one long bout or by many", () => {
    expect(isHeavy([{ done: HEAVY.bout }, { done: HEAVY.day - HEAVY.bout }])).toBe(false);
    expect(isHeavy([{ done: HEAVY.bout + 1 }])).toBe(true);
    expect(isHeavy(Array.from({ length: 9 }, () => ({ done: 9 })))).toBe(true);
  });

  it("is not heavy by the dose of any drill alone, however it is cut into bouts", () => {
    for (const { dose } of DRILLS)
      expect(isHeavy(Array.from({ length: dose.sets }, () => ({ done: dose.reps })))).toBe(false);
  });
});
