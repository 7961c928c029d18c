import { DRILLS } from "./builtIn";

/**
 * The paths that a drill is on, each from its first drill to its last: ids; none for a drill that
 * stands alone.
 *
 * @throws Error when the catalogue's paths go round
 * @example pathsThrough("trail-toe-behind") // [["feet-together", "trail-toe-behind",
 * "heel-keeps-pace"]]
 */
export function pathsThrough(drillId: string): string[][] {
  const before = walk(drillId, (id) => DRILLS.filter((d) => d.then?.includes(id)).map((d) => d.id));
  const after = walk(drillId, (id) => DRILLS.find((d) => d.id === id)?.then ?? []);
  return before
    .flatMap((b) => after.map((a) => [...b.slice(1).reverse(), ...a]))
    .filter((path) => path.length > 1);
}

/** Every way on from a drill to where it ends. */
function walk(
  from: string,
  next: (id: string) => readonly string[],
  been: readonly string[] = [],
): string[][] {
  if (been.includes(from)) throw new Error(`the path of ${from} goes round`);
  const on = next(from);
  return on.length
    ? on.flatMap((id) => walk(id, next, [...been, from]).map((way) => [from, ...way]))
    : [[from]];
}
