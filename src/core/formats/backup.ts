import { z } from "zod";

const sha256 = z.string().regex(/^[0-9a-f]{64}$/);
const size = z.number().int().nonnegative();

/**
 * `backup.json`, the first entry of a backup: every other entry with its size and sha-256. Rows are
 * NDJSON, one object of a table's columns a line, under `rows/`; films and tracks lie under
 * `clips/` and `tracks/` by their sha-256. docs/formats.md.
 */
export const backupManifest = z.strictObject({
  format: z.literal("kingfisher-backup", "This is no backup of this program."),
  /** Of this description. */
  version: z.literal(1, "Made by another version of the program."),
  /** Number of the last change of the tables that the rows know of. */
  schema: size,
  at: z.iso.datetime(),
  tables: z.array(
    z.strictObject({ name: z.string().regex(/^[a-z_]+$/), rows: size, bytes: size, sha256 }),
  ),
  clips: z.array(z.strictObject({ sha256, bytes: size })),
  tracks: z.array(z.strictObject({ sha256, bytes: size })),
});
export type BackupManifest = z.infer<typeof backupManifest>;
