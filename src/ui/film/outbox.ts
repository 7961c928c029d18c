import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import type { Told } from "@/core/judge/verdict";
import { OUTBOX } from "./outboxName";
import { keepReps, putBlob, takeBack } from "@/ui/read/keep";

/** A rep on its way home: kept in the browser's own storage from its answer on until the computer has it. */
export interface Outgoing {
  /** The answer's id. */
  id: string;
  boutId: string;
  drill: string;
  stage: string;
  /** When it was filmed, ISO. */
  at: string;
  told: Told;
  track: { bytes: Uint8Array<ArrayBuffer>; sha256: string };
  /** Its film; null until the recorder has it, and where nothing is recorded. */
  film: { file: Blob; sha256: string } | null;
  /** Its film is still being made, and the whole of it seen. */
  filming: boolean;
  keepFilm: boolean;
  /** The golfer took it back: it is not sent, or fetched back from the computer. */
  withdrawn: boolean;
  takenBack?: boolean;
  sentAt: string | null;
  /** The clip under which the computer has it: its film may be there only later. */
  sentAs?: SentClip;
}

interface SentClip {
  sha256: string;
  name: string;
  bytes: number;
}

interface Schema extends DBSchema {
  reps: { key: string; value: Outgoing; indexes: { bout: string } };
}

/** What was sent is forgotten after this, ms: until then a page that is loaded again counts on from it. */
const FORGOTTEN_MS = 24 * 3600_000;

/**
 * The outbox: reps go in at their answer, and out to the computer in order, each once, whenever it answers. What finds no room
 * in the browser's storage stays in the page's memory until it is sent.
 */
export class Outbox {
  private readonly db: Promise<IDBPDatabase<Schema>>;
  private readonly noRoom = new Map<string, Outgoing>();

  constructor(name: string = OUTBOX.name) {
    this.db = openDB<Schema>(name, 1, { upgrade: (db) => void db.createObjectStore("reps", { keyPath: "id" }).createIndex("bout", "boutId") });
  }

  /** Keeps a rep, or what has changed of it. @returns whether the browser's storage had room for it */
  async put(rep: Outgoing): Promise<boolean> {
    try {
      await (await this.db).put("reps", rep);
      this.noRoom.delete(rep.id);
      return true;
    } catch (error) {
      if (!(error instanceof DOMException && error.name === "QuotaExceededError")) throw error;
      this.noRoom.set(rep.id, rep);
      return false;
    }
  }

  /** @returns as `put`; true for a rep that is not there */
  async change(id: string, change: Partial<Outgoing>): Promise<boolean> {
    const rep = this.noRoom.get(id) ?? (await (await this.db).get("reps", id));
    return !rep || this.put({ ...rep, ...change });
  }

  /** A closer look has told more of a rep: it is sent again. */
  async readAgain(id: string, track: Outgoing["track"]): Promise<void> {
    const rep = (await this.all()).find((r) => r.id === id);
    if (rep && !rep.withdrawn) await this.put({ ...rep, track, sentAt: null });
  }

  private async all(): Promise<Outgoing[]> {
    const kept = await (await this.db).getAll("reps");
    return inOrder([...kept.filter((r) => !this.noRoom.has(r.id)), ...this.noRoom.values()]);
  }

  /** Reps of a bout, sent or not, in order. */
  async ofBout(boutId: string): Promise<Outgoing[]> {
    return (await this.all()).filter((r) => r.boutId === boutId);
  }

  async waiting(): Promise<number> {
    return (await this.all()).filter((r) => r.sentAt === null && !r.withdrawn).length;
  }

  /**
   * Sends what waits, the oldest first. One page at a time does so; a rep that is sent again, because its answer was lost on
   * the way, replaces itself. Of what was sent only its answer stays, for a page that is loaded again to count on from.
   *
   * @param made whether films that are not finished will never be: of a page that was closed meanwhile
   * @throws NotKeptError when the computer refuses one; what waits stays
   */
  async send(made: (rep: Outgoing) => boolean): Promise<void> {
    await navigator.locks.request(OUTBOX.sending, async () => {
      for (const rep of await this.all()) {
        if (rep.withdrawn && rep.sentAt !== null && !rep.takenBack) {
          await takeBack(rep.boutId, clipOf(rep).sha256);
          await this.change(rep.id, { takenBack: true });
        }
        if (rep.sentAt !== null || rep.withdrawn) {
          if (Date.now() - Date.parse(rep.at) > FORGOTTEN_MS) await (await this.db).delete("reps", rep.id);
          continue;
        }
        if (rep.filming && !made(rep)) return;
        await sendOne(rep);
        await this.change(rep.id, { sentAt: new Date().toISOString(), sentAs: clipOf(rep), film: null, track: { ...rep.track, bytes: new Uint8Array() } });
      }
    });
  }
}

const inOrder = (reps: Outgoing[]) => reps.sort((a, b) => a.at.localeCompare(b.at));

/** The clip that a rep is kept under: its film; without one its track stands for it; and the same when it is sent again. */
function clipOf({ film, track, at, sentAs }: Outgoing): SentClip {
  if (sentAs) return sentAs;
  const name = `filmed ${at.slice(0, 19).replace("T", " ")}`;
  return film ? { sha256: film.sha256, name, bytes: film.file.size } : { sha256: track.sha256, name, bytes: track.bytes.byteLength };
}

async function sendOne(rep: Outgoing): Promise<void> {
  const { film, track, keepFilm, drill, stage, boutId, at, told } = rep;
  if (film && keepFilm) await putBlob("clips", film.sha256, film.file);
  await putBlob("tracks", track.sha256, new Blob([track.bytes]));
  await keepReps({ clip: clipOf(rep), trackSha256: track.sha256, drill, stage, live: { boutId, at, told: [told] } });
}
