import { under } from "../dataDir";

/**
 * Where the parts of a data directory lie. Films and tracks have a module of their own (blobs/).
 */
export const storePaths = (dir: string) => ({
  /**
   * The database in use; the one that is being made; the note that one is being put in the other's
   * place.
   */
  db: under(dir, "db"),
  next: under(dir, "db.next"),
  swap: under(dir, "swap.json"),
  /** Databases as they were before something emptied or replaced them. */
  before: under(dir, "before"),
  /** The program's own last good copies of the database. */
  copies: under(dir, "copies"),
  /** What the database held when it was last known to be whole. */
  census: under(dir, "census.json"),
  /** What is wrong, for a browser; there only while something is. */
  page: under(dir, "what-is-wrong.html"),
});
