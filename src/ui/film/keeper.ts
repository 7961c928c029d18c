import type { VerdictSummary } from "@/core/judge";
import type { CameraWorker, LiveAnswer, LiveTrack, TrackFile } from "@/vision/worker/liveProtocol";
import type { OutgoingRep, Outbox, Outgoing } from "./outbox";

/** What answered reps are kept for. */
export interface RepToKeep extends Pick<
  Outgoing,
  "golfer" | "boutId" | "drill" | "drillVersion" | "stage" | "keepFilm"
> {
  /** Cuts their film out of what is recorded; null where nothing is. */
  clip: CameraWorker["clip"] | null;
  onFilmClock: (track: Uint8Array, earlierMs: number) => Promise<TrackFile>;
}

/** What was made of a rep, or of reps that hang together, when all of it was seen. */
export interface Made {
  id: string;
  film: Blob | null;
  /** Its reps, with their middles on the film's clock, ms. */
  reps: { id: string; about: number; told: VerdictSummary }[];
  /** The browser's storage had room for it. */
  room: boolean;
}

/** The whole of a rep is there this long after its end at the latest, ms. */
const WHOLE_WITHIN_MS = 5000;

/** A worker that has ended never answers, ms. */
const ANSWERS_WITHIN_MS = 20_000;

const inTime = <T>(work: Promise<T>): Promise<T | null> =>
  Promise.race([
    work,
    new Promise<null>((resolve) => setTimeout(() => resolve(null), ANSWERS_WITHIN_MS)),
  ]);

interface Open {
  reps: OutgoingRep[];
  to: number;
  whole: (seen: LiveTrack | null) => void;
  timeout: ReturnType<typeof setTimeout>;
}

const bytesOf = ({ track, trackSha256 }: TrackFile, from: number): Outgoing["track"] => ({
  bytes: new Uint8Array(track),
  sha256: trackSha256,
  from,
});

/**
 * Puts answered reps into the outbox: at once with what they were judged from, then with the whole
 * of what was seen, then with their film, on whose clock the track is. Reps that hang together are
 * kept as one.
 */
export class Keeper {
  private readonly open = new Map<string, Open>();
  private readonly making = new Set<string>();

  constructor(private readonly outbox: Outbox) {}

  /** Whether anything is still being made. */
  get busy(): boolean {
    return this.making.size > 0;
  }

  /** Whether more of it is to come. */
  isMaking(id: string): boolean {
    return this.making.has(id);
  }

  /**
   * @returns what was made of it, to the first answer of what is kept together; null to later ones
   */
  async answered(
    answer: LiveAnswer,
    told: VerdictSummary,
    { clip, onFilmClock, ...kept }: RepToKeep,
  ): Promise<Made | null> {
    const id = answer.keptIn;
    const rep: OutgoingRep = { id: answer.id, about: answer.about, told, withdrawn: false };
    const track = bytesOf(answer, answer.trackFrom);
    const before = this.open.get(id);
    if (before) {
      before.reps.push(rep);
      before.to = answer.film.to;
      clearTimeout(before.timeout);
      before.timeout = this.timeout(answer, before.whole);
      await this.outbox.append(id, rep, track);
      return null;
    }
    const reps = [rep];
    const whole = new Promise<LiveTrack | null>((resolve) =>
      this.open.set(id, {
        reps,
        to: answer.film.to,
        whole: resolve,
        timeout: this.timeout(answer, resolve),
      }),
    );
    this.making.add(id);
    try {
      const first = await this.outbox.put({
        ...kept,
        id,
        at: new Date().toISOString(),
        reps: [rep],
        track,
        film: null,
        filming: true,
        sentAt: null,
      });
      const seen = await whole;
      const { to } = this.open.get(id)!;
      this.open.delete(id);
      const now = seen ?? answer;
      const cut = clip && (await inTime(clip(answer.film.from, to)));
      const onFilm = cut && (await inTime(onFilmClock(now.track, now.trackFrom - cut.fromMs)));
      // A film that nothing is drawn right on is none.
      const film = onFilm ? cut : null;
      const shifted = film && onFilm ? bytesOf(onFilm, film.fromMs) : bytesOf(now, now.trackFrom);
      const last = await this.outbox.change(id, {
        film: kept.keepFilm ? film : null,
        filming: false,
        track: shifted,
      });
      return {
        id,
        film: film?.file ?? null,
        room: first && last,
        reps: reps.map((r) => ({ id: r.id, told: r.told, about: r.about - shifted.from })),
      };
    } finally {
      this.making.delete(id);
    }
  }

  /** The whole of what is kept together has been seen. */
  completed(seen: LiveTrack): void {
    this.open.get(seen.id)?.whole(seen);
  }

  /** The camera stops: what is there is all there is. */
  finish(): void {
    for (const { whole } of this.open.values()) whole(null);
  }

  /** When the golfer walks off at once, the whole never comes. */
  private timeout(
    { film, answeredAt }: LiveAnswer,
    whole: (seen: null) => void,
  ): ReturnType<typeof setTimeout> {
    return setTimeout(() => whole(null), Math.max(0, film.to - answeredAt) + WHOLE_WITHIN_MS);
  }
}
