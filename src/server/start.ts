import { healBlobs } from "./blobs/heal";
import { DataInUseError } from "./db/lock";
import { database } from "./db/open";
import { storeTrouble } from "./storeTrouble";

export async function start(): Promise<void> {
  try {
    const { lostFilms, orphans } = await healBlobs(await database());
    if (lostFilms || orphans) console.log(`mended the store: ${lostFilms} films are gone, ${orphans} files that no rep uses were moved to lost/`);
  } catch (error) {
    const trouble = error instanceof DataInUseError ? error.message : storeTrouble(error)?.message;
    if (!trouble) throw error;
    console.error(trouble);
    process.exit(3);
  }
}
