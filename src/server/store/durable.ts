import { open, rename } from "node:fs/promises";
import path from "node:path";

/** Writes a small file so that it is there whole or as it was before, also after a power cut. */
export async function writeDurably(file: string, text: string): Promise<void> {
  const part = `${file}.part`;
  const handle = await open(part, "w");
  try {
    await handle.writeFile(text);
    await handle.sync();
  } finally {
    await handle.close();
  }
  await rename(part, file);
  await syncFolder(path.dirname(file));
}

/** Makes what was renamed, made or removed in a folder last. */
export async function syncFolder(folder: string): Promise<void> {
  const handle = await open(folder);
  await handle.sync().finally(() => handle.close());
}
