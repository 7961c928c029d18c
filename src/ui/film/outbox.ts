import { Mutex } from "async-mutex";
import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import type { VerdictSummary } from "@/core/judge";
import { OUTBOX } from "./outboxName";
import { keepReps, sendBlob, takeBack, type FilmedFor } from "@/ui/read/keep";

/** A rep as it is kept: what was told of it, and where its middle is, ms on the camera's clock. */
export interface OutgoingRep {
  id: string;
  about: number;
  told: VerdictSummary;
  /** What a closer look at its film told afterwards, where that is something else. */
  again?: VerdictSummary;
  /** The golfer took it back. */
  withdrawn: boolean;
}

/**
 * A rep on its way home, or reps that hang together: kept in the browser's own storage from the
 * first answer on until the computer has them.
 */
export interface Outgoing {
  id: string;
  /** Whom it was filmed for; rows of an earlier version of the program do not say. */
  golfer?: FilmedFor;
  boutId: string;
  drill: string;
  drillVersion?: number;
  stage: string;
  /** When it was filmed, ISO. */
  at: string;
  reps: OutgoingRep[];
  /** What was seen, and when its clock begins, ms on the camera's. */
  track: { bytes: Uint8Array<ArrayBuffer>; sha256: string; from: number };
  /** Its film; null until the recorder has it, and where nothing is recorded. */
  film: { file: Blob; sha256: string } | null;
  /** Its film is still being made, and the whole of it seen. */
  filming: boolean;
  keepFilm: boolean;
  /** The golfer wants it on this device, whether the computer has it or not. */
  keepHere?: boolean;
  sentAt: string | null;
  /** The clip under which the computer has it: its film may be there only later. */
  sentAs?: SentClip;
  /** All of its reps were taken back, and the computer knows. */
  takenBack?: boolean;
}

/** What is known of a rep by now. */
export const knownOf = ({ told, again }: Pick<OutgoingRep, "told" | "again">): VerdictSummary =>
  again ?? told;

/** Reps of it that count. */
export const counting = ({ reps }: Pick<Outgoing, "reps">): OutgoingRep[] =>
  reps.filter((r) => !r.withdrawn);

interface SentClip {
  sha256: string;
  name: string;
  bytes: number;
}

interface Schema extends DBSchema {
  reps: { key: string; value: Outgoing; indexes: { bout: string } };
}

/**
 * What was sent is forgotten after this, ms: until then a page that is loaded again counts on from
 * it.
 */
const FORGOTTEN_MS = 24 * 3600_000;

/**
 * The outbox: reps go in at their answer, and out to the computer in order, each once, whenever it
 * answers. What finds no room in the browser's storage stays in the page's memory until it is sent.
 */
export class Outbox {
  private readonly db: Promise<IDBPDatabase<Schema>>;
  private readonly noRoom = new Map<string, Outgoing>();
  /** No change is made of what another one is just replacing. */
  private readonly changes = new Mutex();

  constructor(name: string = OUTBOX.name) {
    this.db = openDB<Schema>(name, 2, {
      upgrade: (db) => {
        // The first version's rows say something else.
        if (db.objectStoreNames.contains("reps")) db.deleteObjectStore("reps");
        db.createObjectStore("reps", { keyPath: "id" }).createIndex("bout", "boutId");
      },
    });
  }

  /** Keeps a rep. @returns whether the browser's storage had room for it */
  put(rep: Outgoing): Promise<boolean> {
    return this.changes.runExclusive(() => this.write(rep));
  }

  /** Changes what is kept. @returns as `put`; true for what is not there */
  change(id: string, change: Partial<Outgoing>): Promise<boolean> {
    return this.changed(id, () => change);
  }

  /** One more rep that hangs together with what is kept already, of which more has been seen. */
  append(id: string, rep: OutgoingRep, track: Outgoing["track"]): Promise<boolean> {
    return this.changed(id, ({ reps }) => ({ reps: [...reps, rep], track }));
  }

  /** The golfer takes a rep back: what is left is sent anew. */
  async withdraw(repId: string): Promise<void> {
    const row = (await this.all()).find((o) => o.reps.some((r) => r.id === repId));
    if (row)
      await this.changed(row.id, ({ reps }) => ({
        reps: reps.map((r) => (r.id === repId ? { ...r, withdrawn: true } : r)),
        sentAt: null,
      }));
  }

  /** A closer look at its film, on whose clock the track is, has told more: it is sent again. */
  async readAgain(
    id: string,
    track: Omit<Outgoing["track"], "from">,
    otherwise: readonly { id: string; told: VerdictSummary }[],
  ): Promise<void> {
    await this.changed(id, (row) => ({
      track: { ...track, from: row.track.from },
      sentAt: null,
      reps: row.reps.map((r) => {
        const again = otherwise.find((o) => o.id === r.id);
        return again ? { ...r, again: again.told } : r;
      }),
    }));
  }

  private changed(id: string, of: (row: Outgoing) => Partial<Outgoing>): Promise<boolean> {
    return this.changes.runExclusive(async () => {
      const row = await this.get(id);
      return !row || this.write({ ...row, ...of(row) });
    });
  }

  private async write(rep: Outgoing): Promise<boolean> {
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

  private async get(id: string): Promise<Outgoing | undefined> {
    return this.noRoom.get(id) ?? (await (await this.db).get("reps", id));
  }

  /** Everything that is kept here, the oldest first. */
  async all(): Promise<Outgoing[]> {
    const kept = await (await this.db).getAll("reps");
    return inOrder([...kept.filter((r) => !this.noRoom.has(r.id)), ...this.noRoom.values()]);
  }

  /** Reps of a bout, sent or not, in order. */
  async ofBout(boutId: string): Promise<Outgoing[]> {
    return (await this.all()).filter((r) => r.boutId === boutId);
  }

  /** Reps that the computer does not have yet. */
  async waiting(): Promise<number> {
    return (await this.all()).filter((r) => r.sentAt === null).flatMap(counting).length;
  }

  /**
   * Sends what waits, the oldest first. One page at a time does so; a rep that is sent again,
   * because its answer was lost on the way, replaces itself. Of what was sent only its answer
   * stays, for a page that is loaded again to count on from.
   *
   * @param made whether films that are not finished will never be: of a page that was closed
   * meanwhile
   * @param unsaid whom those are for that do not say; without it they wait
   * @throws NotKeptError when the computer refuses one; what waits stays
   */
  async send(made: (rep: Outgoing) => boolean, unsaid?: FilmedFor): Promise<void> {
    await navigator.locks.request(OUTBOX.sending, async () => {
      for (const rep of await this.all()) {
        const golfer = rep.golfer ?? unsaid;
        const none = !counting(rep).length;
        if (golfer && none && rep.sentAs && !rep.takenBack) {
          await takeBack(golfer.id, rep.boutId, rep.sentAs.sha256);
          await this.change(rep.id, { takenBack: true });
        }
        if (rep.sentAt !== null || none) {
          if (rep.sentAt !== null && rep.film && !rep.keepHere)
            await this.change(rep.id, { film: null });
          if (Date.now() - Date.parse(rep.at) > FORGOTTEN_MS && !rep.keepHere)
            await (await this.db).delete("reps", rep.id);
          continue;
        }
        if (rep.filming && !made(rep)) return;
        if (!golfer) continue;
        await sendOne({ ...rep, golfer });
        // What came while it was on its way, a closer look or a rep that was taken back, goes out
        // next time.
        const now = await this.get(rep.id);
        const same =
          now?.track.sha256 === rep.track.sha256 && counting(now).length === counting(rep).length;
        await this.change(rep.id, {
          sentAs: clipOf(rep),
          ...(now?.keepHere ? {} : { film: null }),
          ...(same ? { sentAt: new Date().toISOString() } : {}),
        });
      }
    });
  }
}

const inOrder = (reps: Outgoing[]) => reps.sort((a, b) => a.at.localeCompare(b.at));

/**
 * The clip that a rep is kept under: its film; without one its track stands for it; and the same
 * when it is sent again.
 */
function clipOf({ film, track, at, sentAs }: Outgoing): SentClip {
  if (sentAs) return sentAs;
  const name = `filmed ${at.slice(0, 19).replace("T", " ")}`;
  return film
    ? { sha256: film.sha256, name, bytes: film.file.size }
    : { sha256: track.sha256, name, bytes: track.bytes.byteLength };
}

async function sendOne(rep: Outgoing & { golfer: FilmedFor }): Promise<void> {
  const { film, track, keepFilm, golfer, drill, drillVersion, stage, boutId, at } = rep;
  const there = rep.keepHere && rep.sentAs;
  if (film && keepFilm && !there) await sendBlob("clips", film.sha256, film.file);
  await sendBlob("tracks", track.sha256, new Blob([track.bytes]));
  await keepReps({
    golfer,
    clip: clipOf(rep),
    trackSha256: track.sha256,
    drill,
    ...(drillVersion === undefined ? {} : { drillVersion }),
    stage,
    live: {
      boutId,
      at,
      told: counting(rep).map(({ about, told }) => ({ ...told, about: about - track.from })),
    },
  });
}
