import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import type { RangeSnapshot } from "@/server/range/snapshot";
import type { FilmingPlace } from "@/ui/film/setUp";

/** A note beside a bout that was filmed on this phone. */
export interface OwnNote {
  boutId: string;
  golferId: string;
  note: string;
  /** The computer has it as it stands here. */
  sent: boolean;
}

interface Schema extends DBSchema {
  one: { key: string; value: RangeSnapshot | FilmingPlace | string };
  notes: { key: string; value: OwnNote };
}

/** What a phone keeps for the range besides its reps, which are in the outbox. */
export class RangeStore {
  private readonly db: Promise<IDBPDatabase<Schema>>;

  constructor(name = "kingfisher-range") {
    this.db = openDB<Schema>(name, 1, {
      upgrade: (db) => {
        db.createObjectStore("one");
        db.createObjectStore("notes", { keyPath: "boutId" });
      },
    });
  }

  /** What was taken along last; null before that, and when an older program took it. */
  async taken(): Promise<RangeSnapshot | null> {
    const kept = (await (await this.db).get("one", "taken")) as RangeSnapshot | undefined;
    return kept?.shape === 1 ? kept : null;
  }

  async take(snapshot: RangeSnapshot): Promise<void> {
    await (await this.db).put("one", snapshot, "taken");
  }

  /** Under which version of the network's files this phone was got ready; null before. */
  async readyFor(): Promise<string | null> {
    return ((await (await this.db).get("one", "ready")) as string | undefined) ?? null;
  }

  async isReadyFor(version: string): Promise<void> {
    await (await this.db).put("one", version, "ready");
  }

  async place(): Promise<FilmingPlace> {
    const kept = (await (await this.db).get("one", "place")) as FilmingPlace | undefined;
    return kept ?? { depth: null, width: null, ceiling: null, fills: null };
  }

  async keepPlace(place: FilmingPlace): Promise<void> {
    await (await this.db).put("one", place, "place");
  }

  async notes(): Promise<OwnNote[]> {
    return (await this.db).getAll("notes");
  }

  async keepNote(note: OwnNote): Promise<void> {
    await (await this.db).put("notes", note);
  }
}
