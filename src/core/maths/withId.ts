/**
 * The one of a list that has an id, where the program promises itself that it is there: a drill
 * that a path names, a check that a verdict was made of.
 *
 * @throws RangeError when it is not there: a bug
 * @example withId(DRILLS, "double-step")
 */
export function withId<T extends { id: string }>(list: readonly T[], id: string): T {
  const found = list.find((one) => one.id === id);
  if (!found) throw new RangeError(`there is nothing with the id ${id}`);
  return found;
}
