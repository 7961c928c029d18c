import { healBlobs } from "./blobs/heal";
import { DataInUseError } from "./db/lock";
import { database } from "./db/open";

export async function start(): Promise<void> {
  try {
    const { lostFilms, orphans } = await healBlobs(await database());
    if (lostFilms || orphans) console.log(`mended the store: ${lostFilms} films are gone, ${orphans} files that no rep uses were moved to lost/`);
  } catch (error) {
    if (!(error instanceof DataInUseError)) throw error;
    console.error(error.message);
    process.exit(3);
  }
}
