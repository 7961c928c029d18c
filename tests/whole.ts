/** All of a long list is gone through by `npm run test:long`; `npm test` takes a part of it. */
export const WHOLE = process.env.KINGFISHER_WHOLE === "1";

/**
 * Every nth of a list, or all of it.
 *
 * @example someOf([1, 2, 3, 4, 5], 2) // [1, 3, 5] in `npm test`
 */
export const someOf = <T>(list: readonly T[], everyNth: number): T[] =>
  list.filter((_, i) => WHOLE || i % everyNth === 0);
