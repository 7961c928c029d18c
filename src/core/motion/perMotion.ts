import type { Motion } from "./motion";

/**
 * What depends on a motion alone, computed once for each motion: a rep that is read again, and the
 * copies behind its uncertainties, ask for the same curves every time. Whoever gets it only reads
 * it.
 *
 * @example const handSpeed = perMotion((m) => planeSpeed(m.handsT, m.handsU, m.dt))
 */
export function perMotion<T>(of: (m: Motion) => T): (m: Motion) => T {
  const kept = new WeakMap<Motion, { value: T }>();
  return (m) => {
    let found = kept.get(m);
    if (!found) kept.set(m, (found = { value: of(m) }));
    return found.value;
  };
}
