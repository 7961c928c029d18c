import { rm } from "node:fs/promises";
import path from "node:path";
import { healBlobs } from "./blobs/heal";
import { DataInUseError } from "./db/lock";
import { dataDir } from "./dataDir";
import { database } from "./db/open";
import { emptyBin } from "./practice/bin";
import { storeTrouble } from "./storeTrouble";

export async function start(): Promise<void> {
  try {
    const db = await database();
    // What a backup or a restore that was broken off had laid aside.
    await rm(path.join(dataDir(), "tmp"), { recursive: true, force: true });
    await emptyBin(db);
    const { lostFilms, orphans } = await healBlobs(db);
    if (lostFilms || orphans) console.log(`mended the store: ${lostFilms} films are gone, ${orphans} files that no rep uses were moved to lost/`);
  } catch (error) {
    const trouble = error instanceof DataInUseError ? error.message : storeTrouble(error)?.message;
    if (!trouble) throw error;
    console.error(trouble);
    process.exit(3);
  }
}
