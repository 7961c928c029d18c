import { counting, Outbox, type Outgoing } from "@/ui/film/outbox";
import { sendWhatWaits } from "@/ui/film/sendWhatWaits";
import { NotKeptError } from "@/ui/read/keep";
import type { RangeSnapshot } from "@/server/range/snapshot";
import { hasNetwork, type Came } from "@/vision/worker/networkFiles";
import { getReady, NotReadyError, RUNTIME } from "./getReady";
import { RangeStore, type OwnNote } from "./rangeStore";

/** The computer is looked for again so often while the page is seen, ms; and waited for so long. */
const LOOK_MS = 10_000;
const WAIT_MS = 5_000;

/** Where the computer is: not asked yet, in reach, out of reach, or it knows this phone no more. */
type Standing = "asking" | "home" | "away" | "out";

export interface HomeState {
  /** What this phone has was read. */
  opened: boolean;
  standing: Standing;
  snapshot: RangeSnapshot | null;
  /** Everything that was filmed here and not forgotten yet, the oldest first. */
  rows: readonly Outgoing[];
  notes: readonly OwnNote[];
  /** Reps are being sent. */
  sending: boolean;
  /** Why the computer did not take something, in its words. */
  refused: string | null;
  /** This phone has all that it needs with no computer in reach; null before that was looked at. */
  ready: boolean | null;
  /** It is being got ready: what has come of the network. */
  getting: Came | null | "begins";
  notReady: string | null;
  /** Bytes that the browser has taken for this page and would give it; null where it says nothing. */
  space: { used: number; of: number; lasts: boolean } | null;
}

const AT_FIRST: HomeState = {
  opened: false,
  standing: "asking",
  snapshot: null,
  rows: [],
  notes: [],
  sending: false,
  refused: null,
  ready: null,
  getting: null,
  notReady: null,
  space: null,
};

/**
 * What a phone knows of home, apart from its view: what it took along, what it has filmed, and
 * whether the computer can be reached. Whenever it can, what waits goes there, and what is new
 * there is taken along.
 */
export class Home {
  private now = AT_FIRST;
  private readonly listeners = new Set<() => void>();
  readonly outbox = new Outbox();
  readonly store = new RangeStore();
  private timer: ReturnType<typeof setInterval> | null = null;
  private looking = false;

  readonly subscribe = (changed: () => void): (() => void) => {
    this.listeners.add(changed);
    return () => this.listeners.delete(changed);
  };
  readonly state = (): HomeState => this.now;

  private set(change: Partial<HomeState>): void {
    this.now = { ...this.now, ...change };
    this.listeners.forEach((l) => l());
  }

  /** Reads what is here, and looks for the computer from now on. */
  async begin(): Promise<void> {
    const [snapshot, readyFor] = await Promise.all([this.store.taken(), this.store.readyFor()]);
    this.set({ snapshot, ready: readyFor === RUNTIME && (await hasNetwork()) });
    await this.refresh();
    this.set({ opened: true });
    void this.look();
    this.timer ??= setInterval(() => {
      if (document.visibilityState === "visible") void this.look();
    }, LOOK_MS);
  }

  end(): void {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
  }

  /** What was filmed here, as it is now. */
  async refresh(): Promise<void> {
    const [rows, notes, space] = await Promise.all([
      this.outbox.all(),
      this.store.notes(),
      spaceHere(),
    ]);
    this.set({ rows, notes, space });
  }

  /** Looks for the computer; where it is, what waits goes there. */
  async look(): Promise<void> {
    if (this.looking) return;
    this.looking = true;
    try {
      const answer = await fetch("/api/range", { signal: AbortSignal.timeout(WAIT_MS) });
      if (answer.status === 401) return this.set({ standing: "out" });
      // The computer answers, but nobody practises there yet.
      if (answer.status === 404) return this.set({ standing: "home" });
      if (!answer.ok) return this.set({ standing: "away" });
      const snapshot = (await answer.json()) as RangeSnapshot;
      await this.store.take(snapshot);
      this.set({ standing: "home", snapshot });
      await this.bring();
    } catch {
      this.set({ standing: "away" });
    } finally {
      this.looking = false;
    }
  }

  /** Sends what waits. */
  private async bring(): Promise<void> {
    await this.refresh();
    if (waitingRows(this.now).length) {
      this.set({ sending: true });
      try {
        await sendWhatWaits(this.outbox);
        this.set({ refused: null });
      } catch (error) {
        if (!(error instanceof NotKeptError)) throw error;
        this.set({ refused: error.message });
      } finally {
        await this.refresh();
        this.set({ sending: false });
      }
    }
    await this.bringNotes();
  }

  private async bringNotes(): Promise<void> {
    const golfer = this.now.snapshot!.golfer.id;
    const notes = this.now.notes.filter((n) => !n.sent && n.golferId === golfer);
    if (!notes.length) return;
    const answer = await fetch("/api/range", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({
        golfer,
        notes: notes.map(({ boutId, note }) => ({ boutId, note })),
      }),
    });
    if (!answer.ok) return;
    const { kept } = (await answer.json()) as { kept: string[] };
    for (const n of notes)
      if (kept.includes(n.boutId)) await this.store.keepNote({ ...n, sent: true });
    await this.refresh();
  }

  /** Keeps a note beside a bout, and brings it home as soon as that can be reached. */
  async writeNote(boutId: string, note: string): Promise<void> {
    await this.store.keepNote({
      boutId,
      golferId: this.now.snapshot!.golfer.id,
      note,
      sent: false,
    });
    await this.refresh();
    void this.look();
  }

  /** Films of a bout stay on this phone, or go once the computer has them. */
  async keepHere(boutId: string, keepHere: boolean): Promise<void> {
    for (const row of await this.outbox.ofBout(boutId))
      await this.outbox.change(row.id, { keepHere });
    await this.refresh();
  }

  /** Gets this phone ready for where no computer is. */
  async getReady(films: readonly string[]): Promise<void> {
    this.set({ getting: "begins", notReady: null });
    try {
      // Whether a browser asks, agrees or refuses is shown beside the space.
      await navigator.storage?.persist?.().catch(() => false);
      await getReady(films, (getting) => this.set({ getting }));
      await this.store.isReadyFor(RUNTIME);
      this.set({ ready: true });
    } catch (error) {
      this.set({
        notReady:
          error instanceof NotReadyError
            ? error.message
            : "Not everything came. Stay near the computer and try again; what has come is kept.",
      });
    } finally {
      this.set({ getting: null });
      await this.refresh();
    }
  }
}

/** Rows that the computer does not have as they are here. */
export const waitingRows = ({ rows }: Pick<HomeState, "rows">): Outgoing[] =>
  rows.filter((r) => r.sentAt === null && counting(r).length > 0);

async function spaceHere(): Promise<HomeState["space"]> {
  const { storage } = navigator as { storage?: StorageManager };
  const [said, lasts] = await Promise.all([
    storage?.estimate?.().catch(() => null),
    storage?.persisted?.().catch(() => false),
  ]);
  return said?.usage === undefined || said.quota === undefined
    ? null
    : { used: said.usage, of: said.quota, lasts: lasts ?? false };
}
