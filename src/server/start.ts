import { rm } from "node:fs/promises";
import { healBlobs } from "./blobs/heal";
import { DataInUseError } from "./db/lock";
import { dataDir, under } from "./dataDir";
import { openedStore } from "./db/open";
import { log } from "./log";
import { startChosen } from "./phones/phones";
import { emptyBin } from "./practice/bin";
import { DamagedStoreError, damageWords } from "./store/damage";
import { removePage, writePage } from "./store/page";
import { workWhileIdle } from "./store/whileIdle";
import { storeTrouble } from "./storeTrouble";

/**
 * What a process that ends by itself leaves with: it may not start at all, or its data is damaged.
 */
const EXIT = { trouble: 3, damage: 4 } as const;

export async function start(): Promise<void> {
  try {
    const store = await openedStore();
    const { db, dir, own } = store;
    if (own) own.onDamage = (error) => void endDamaged(dir, damageWords(dir, error.message));
    await removePage(dir);
    // What a backup or a restore that was broken off had laid aside.
    await rm(under(dir, "tmp"), { recursive: true, force: true });
    await emptyBin(db);
    const { lostFilms, orphans } = await healBlobs(db);
    if (lostFilms || orphans)
      log().warn({ lostFilms, movedToLost: orphans }, "films and rows were brought together");
    log().info({ dir }, "started");
    workWhileIdle(store);
    void startChosen();
  } catch (error) {
    if (error instanceof DamagedStoreError) return endDamaged(dataDir(), error.message.split("\n"));
    const trouble = error instanceof DataInUseError ? error.message : storeTrouble(error)?.message;
    if (!trouble) throw error;
    console.error(trouble);
    log().fatal({ err: error }, "did not start");
    process.exit(EXIT.trouble);
  }
}

/**
 * Says what is damaged, on the terminal and as a page, and ends: a server whose data can't be
 * trusted answers nothing.
 */
async function endDamaged(dir: string, lines: string[]): Promise<never> {
  log().fatal({ dir, words: lines }, "ended: the data is damaged");
  await writePage(dir, lines).catch(() => undefined);
  console.error(`\n${lines.join("\n")}\nThe same as a page: ${under(dir, "what-is-wrong.html")}\n`);
  process.exit(EXIT.damage);
}
