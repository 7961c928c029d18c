import { mean } from "../../src/core/maths/stats";

/**
 * Prints the rms of the errors that come of several values of a fitted constant, beside the one
 * that is there: the least is the one to take.
 */
export function tried<Name extends string>(
  name: string,
  fit: Record<Name, number>,
  constant: Name,
  values: readonly number[],
  unit: string,
  errors: () => number[],
): void {
  const now = fit[constant];
  const lines = values.map((value) => {
    fit[constant] = value;
    const found = errors();
    return (
      `${value}: ` +
      `${Math.sqrt(mean(found.map((e) => e * e))).toFixed(unit === "cm" ? 3 : 1)} ${unit} ` +
      `(${found.length})`
    );
  });
  fit[constant] = now;
  console.log(`${name}.${constant} ${lines.join(", ")} (now ${now})`);
}
