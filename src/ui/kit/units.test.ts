import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { DRILLS } from "@/core/drills";
import {
  CM_PER_INCH,
  shownNumber,
  shownStature,
  shownUnit,
  toldAs,
  wanted,
  type Units,
} from "./units";

const number = (shown: string) => Number(shown.replace("−", "-"));

describe("numbers on a screen", () => {
  it("are within half their last place of what was measured, with a true minus and no nought below nothing", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -2000, max: 2000, noNaN: true }),
        fc.constantFrom("cm", "ms", "%", "°", "s", "ratio"),
        fc.constantFrom<Units>("cm", "inch"),
        (value, unit, units) => {
          const shown = shownNumber(value, unit, units);
          expect(shown).not.toMatch(/-|^−0(\.0)?$/);
          const meant = unit === "cm" && units === "inch" ? value / CM_PER_INCH : value;
          expect(Math.abs(number(shown) - meant)).toBeLessThanOrEqual(
            (/\./.test(shown) ? 0.05 : 0.5) + 1e-9,
          );
          expect(shownUnit(unit, units)).toBe(
            unit === "cm" && units === "inch" ? "in" : unit === "ratio" ? "" : unit,
          );
        },
      ),
    );
  });

  it("a stature in feet and inches is the one that was said, to half an inch", () => {
    fc.assert(
      fc.property(fc.double({ min: 120, max: 220, noNaN: true }), (cm) => {
        const [, feet, inches] = /^(\d)′ (\d+)″$/.exec(shownStature(cm, "inch"))!;
        expect(Number(inches)).toBeLessThan(12);
        expect(
          Math.abs((Number(feet) * 12 + Number(inches)) * CM_PER_INCH - cm),
        ).toBeLessThanOrEqual(CM_PER_INCH / 2 + 1e-9);
        expect(shownStature(cm, "cm")).toBe(`${Math.round(cm)} cm`);
      }),
    );
  });

  it("say of every drill’s limits in words what they are, in both units", () => {
    const checks = DRILLS.flatMap((d) => d.stages.flatMap((s) => s.checks));
    for (const {
      measure,
      band: [lo, hi],
      name,
    } of checks)
      for (const units of ["cm", "inch"] as const) {
        const words = wanted([lo, hi], measure, units);
        const told = (words.match(/−?\d+(\.\d+)?/g) ?? []).map((n) => Math.abs(number(n)));
        const limits = [lo, hi]
          .filter((v): v is number => v !== null)
          .map((v) =>
            Math.abs(number(shownNumber(toldAs(v, measure), checkUnit(words, units), units))),
          );
        // Limits that lie as far to either side are told as one.
        const want = lo !== null && hi !== null && lo === -hi ? [Math.abs(limits[0]!)] : limits;
        expect(
          [...told].sort((a, b) => a - b),
          `${name}: ${words}`,
        ).toEqual([...want].sort((a, b) => a - b));
        expect(words, name).not.toMatch(/NaN|undefined|null|-\d/);
      }
  });
});

/** The measure's unit, as its words end. */
const checkUnit = (words: string, units: Units): string =>
  / (cm|in)( |$)/.test(words) && (units === "inch" || / cm/.test(words))
    ? "cm"
    : / s( |$)/.test(words)
      ? "s"
      : /\d\.\d/.test(words)
        ? "ratio"
        : "ms";
