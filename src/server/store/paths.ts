import path from "node:path";

/** Where the parts of a data directory lie. Films and tracks have a module of their own (blobs/). */
export const storePaths = (dir: string) => ({
  /** The database in use; the one that is being made; the note that one is being put in the other's place. */
  db: path.join(/* turbopackIgnore: true */ dir, "db"),
  next: path.join(dir, "db.next"),
  swap: path.join(dir, "swap.json"),
  /** Databases as they were before something emptied or replaced them. */
  before: path.join(dir, "before"),
  /** The program's own last good copies of the database. */
  copies: path.join(dir, "copies"),
  /** What the database held when it was last known to be whole. */
  census: path.join(dir, "census.json"),
  /** What is wrong, for a browser; there only while something is. */
  page: path.join(dir, "what-is-wrong.html"),
});
