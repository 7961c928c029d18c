/** A backup that can't be put in: nothing of it was, and what was there stands. */
export class BackupError extends Error {
  override name = "BackupError";
}
