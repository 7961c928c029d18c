/**
 * A value that is there by what the program promises itself: a drill that a path names, a check
 * that a verdict was made of.
 *
 * @param what names it, for whoever reads the error
 * @throws RangeError when it is not there: a bug
 * @example existing(DRILLS.find((d) => d.id === id), `drill ${id}`)
 */
export function existing<T>(value: T | null | undefined, what: string): T {
  if (value === null || value === undefined) throw new RangeError(`there is no ${what}`);
  return value;
}
