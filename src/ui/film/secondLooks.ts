import type { VerdictSummary } from "@/core/judge";
import { sameRep } from "@/core/live";
import type { ReadAgain } from "@/vision/worker/liveProtocol";

/**
 * How far the second looks are: which film is read, how many wait with it, and how much of it is
 * done (0–1).
 */
export interface LookingAgain {
  id: string;
  left: number;
  share: number;
}

/**
 * A film that is to be read once more, with what was told of its reps, whose middles are on the
 * film's clock, ms.
 */
export interface FilmOfReps {
  id: string;
  film: Blob;
  reps: readonly { id: string; about: number; told: VerdictSummary }[];
}

/** Another answer than the first. */
export interface OtherAnswer {
  id: string;
  told: VerdictSummary;
}

/** Whether two answers say the same to the golfer. */
const same = (a: VerdictSummary, b: VerdictSummary): boolean =>
  a.result === b.result && a.cue?.id === b.cue?.id;

/**
 * Which answers a closer look gives otherwise; null when it tells less. A film is not as sharp as
 * the camera's own pictures, so that it may leave open what they told: then the first reading
 * stands.
 */
function othersIn({ reps }: FilmOfReps, again: ReadAgain): OtherAnswer[] | null {
  const found = reps.map((rep) => ({
    rep,
    told: again.reps.find((r) => sameRep(r.about, rep.about))?.told,
  }));
  if (
    found.some(
      ({ rep, told }) =>
        !told || (told.result === "not judged" && rep.told.result !== "not judged"),
    )
  )
    return null;
  return found.flatMap(({ rep: { id, told: first }, told }) =>
    same(told!, first) ? [] : [{ id, told: told! }],
  );
}

/**
 * Reads the films of answered reps once more, closely, while nobody swings: those with reps that
 * were left open first. A film that is stopped is read another time.
 */
export class SecondLooks {
  private readonly waiting: FilmOfReps[] = [];
  private on = false;
  private running = false;
  /** How often it was stopped: a film that was read meanwhile waits on. */
  private stops = 0;

  /**
   * @param read reads a film; null when it tells no more, or was stopped
   * @param halt stops whoever reads
   * @param changed how far it is; null when nothing is left, or it was stopped
   * @param done what came of a film that tells more, and which answers are other ones
   */
  constructor(
    private readonly read: (
      film: Blob,
      share: (share: number) => void,
    ) => Promise<ReadAgain | null>,
    private readonly halt: () => void,
    private readonly changed: (now: LookingAgain | null) => void,
    private readonly done: (
      id: string,
      again: ReadAgain,
      otherwise: OtherAnswer[],
    ) => Promise<void>,
  ) {}

  add(film: FilmOfReps): void {
    this.waiting.push(film);
    void this.run();
  }

  start(): void {
    this.on = true;
    void this.run();
  }

  /** Stops, and lets go of what waits: films of a bout that is gone by would fill the memory. */
  clear(): void {
    this.stop();
    this.waiting.length = 0;
  }

  stop(): void {
    if (!this.on) return;
    this.on = false;
    this.stops++;
    this.halt();
  }

  private async run(): Promise<void> {
    if (this.running || !this.on) return;
    this.running = true;
    try {
      while (this.on) {
        const next =
          this.waiting.find((f) => f.reps.some((r) => r.told.result === "not judged")) ??
          this.waiting[0];
        if (!next) break;
        const tell = (share: number) =>
          this.changed({ id: next.id, left: this.waiting.length, share });
        tell(0);
        const { stops } = this;
        const again = await this.read(next.film, tell).catch(() => null);
        const at = this.waiting.indexOf(next);
        if (at < 0 || (!again && stops < this.stops)) continue;
        this.waiting.splice(at, 1);
        const otherwise = again && othersIn(next, again);
        if (otherwise) await this.done(next.id, again, otherwise);
      }
    } finally {
      this.running = false;
      this.changed(null);
    }
  }
}
