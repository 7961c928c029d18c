import { CATALOGUE, type MeasureId } from "@/core/measures";

export type Units = "cm" | "inch";
export const CM_PER_INCH = 2.54;

/** A true minus, and none before a nought. */
const minus = (s: string) => (/^-0(\.0*)?$/.test(s) ? s.slice(1) : s.replace("-", "−"));

/** Unit in which a measure is shown. */
export function shownUnit(unit: string, units: Units): string {
  if (unit === "cm" && units === "inch") return "in";
  return unit === "ratio" ? "" : unit;
}

/** A number of a unit, rounded as far as it means something, with a true minus. */
export function shownNumber(value: number, unit: string, units: Units): string {
  if (unit === "cm") return minus((units === "inch" ? value / CM_PER_INCH : value).toFixed(1));
  return minus(unit === "ratio" || unit === "s" ? value.toFixed(1) : value.toFixed(0));
}

/** A step away from the target is told as a size: 9.6 cm, not −9.6 cm. */
export const toldAs = (value: number, measure: MeasureId): number =>
  measure === "trailStepLength" ? -value : value;

/**
 * 'Wanted: 3.8 to 15.3 cm', in the golfer's units. Bands of moves away from the target are told as
 * sizes.
 */
export function wanted(
  band: readonly [number | null, number | null],
  measure: MeasureId,
  units: Units,
): string {
  const { unit } = CATALOGUE[measure];
  const show = (v: number) => shownNumber(v, unit, units);
  const u =
    unit === "°" || unit === "ratio" ? shownUnit(unit, units) : ` ${shownUnit(unit, units)}`;
  const [lo, hi] = band;
  if (unit === "ms" && lo !== null && hi === null)
    return lo < 0 ? `${show(-lo)} ms late at most` : `${show(lo)} ms early at least`;
  if (lo !== null && hi !== null)
    return lo < 0 && hi <= 0
      ? `${show(-hi)} to ${show(-lo)}${u}`
      : lo === -hi
        ? `within ${show(hi)}${u}`
        : `${show(lo)} to ${show(hi)}${u}`;
  return lo !== null ? `${show(lo)}${u} or more` : `${show(hi!)}${u} or less`;
}

export function shownStature(cm: number, units: Units): string {
  if (units === "cm") return `${Math.round(cm)} cm`;
  const inches = Math.round(cm / CM_PER_INCH);
  return `${Math.floor(inches / 12)}′ ${inches % 12}″`;
}
