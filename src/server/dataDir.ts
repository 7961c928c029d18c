import path from "node:path";

/** Where everything that is kept lives: KINGFISHER_DATA, else `data/` in the project. */
export const dataDir = (): string =>
  path.resolve(/* turbopackIgnore: true */ process.env.KINGFISHER_DATA ?? "data");

/**
 * A place in a directory that is known only when the program runs: the bundler is not to look for
 * it.
 */
export const under = (dir: string, ...names: string[]): string =>
  path.join(/* turbopackIgnore: true */ dir, ...names);
