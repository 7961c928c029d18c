import path from "node:path";

/** Where everything that is kept lives: KINGFISHER_DATA, else `data/` in the project. */
export const dataDir = (): string => path.resolve(/* turbopackIgnore: true */ process.env.KINGFISHER_DATA ?? "data");
