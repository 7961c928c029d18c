import { open, rename } from "node:fs/promises";

/** Writes a file that its owner alone can read: whole, or as it was before. */
export async function writeOwnFile(file: string, text: string): Promise<void> {
  const part = `${file}.part`;
  const handle = await open(part, "w", 0o600);
  try {
    await handle.chmod(0o600);
    await handle.writeFile(text);
    await handle.sync();
  } finally {
    await handle.close();
  }
  await rename(part, file);
}
