/**
 * A record with one value for each key.
 *
 * @example recordOf(["lead", "trail"], (foot) => foot.length) // { lead: 4, trail: 5 }
 */
export const recordOf = <K extends string, V>(
  keys: readonly K[],
  value: (key: K, index: number) => V,
): Record<K, V> => Object.fromEntries(keys.map((key, i) => [key, value(key, i)])) as Record<K, V>;
