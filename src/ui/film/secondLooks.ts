import type { Told } from "@/core/judge/verdict";
import type { ReadAgain } from "@/vision/worker/liveProtocol";

/** How far the second looks are: which rep's film is read, how many wait with it, and how much of it is done (0–1). */
export interface LookingAgain {
  id: string;
  left: number;
  share: number;
}

interface Rep {
  id: string;
  film: Blob;
  told: Told;
}

/** Whether two answers say the same to the golfer. */
const same = (a: Told, b: Told): boolean => a.result === b.result && a.cue?.id === b.cue?.id;

/**
 * Reads the films of answered reps once more, closely, while nobody swings: those that were left open first. A film that is
 * stopped is read another time.
 */
export class SecondLooks {
  private readonly waiting: Rep[] = [];
  private on = false;
  private running = false;

  /**
   * @param read reads a film; null when it tells no more, or was stopped
   * @param changed how far it is; null when nothing is left, or it was stopped
   * @param done what came of a rep, and whether that is another answer
   */
  constructor(private readonly read: (film: Blob, share: (share: number) => void) => Promise<ReadAgain | null>, private readonly changed: (now: LookingAgain | null) => void, private readonly done: (id: string, again: ReadAgain, otherwise: boolean) => Promise<void>) {}

  add(rep: Rep): void {
    this.waiting.push(rep);
    void this.run();
  }

  /** The golfer took a rep back. */
  drop(id: string): void {
    const at = this.waiting.findIndex((r) => r.id === id);
    if (at >= 0) this.waiting.splice(at, 1);
  }

  start(): void {
    this.on = true;
    void this.run();
  }

  /** Whoever reads must be told to stop as well. */
  stop(): void {
    this.on = false;
  }

  private async run(): Promise<void> {
    if (this.running) return;
    this.running = true;
    try {
      while (this.on) {
        const rep = this.waiting.find((r) => r.told.result === "not judged") ?? this.waiting[0];
        if (!rep) break;
        const tell = (share: number) => this.changed({ id: rep.id, left: this.waiting.length, share });
        tell(0);
        const again = await this.read(rep.film, tell).catch(() => null);
        // Stopped in the middle: it waits on.
        if (!this.on && !again) break;
        const kept = this.waiting.includes(rep);
        this.drop(rep.id);
        if (again && kept) await this.done(rep.id, again, !same(again.told, rep.told));
      }
    } finally {
      this.running = false;
      this.changed(null);
    }
  }
}
