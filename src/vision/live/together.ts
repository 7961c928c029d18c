/**
 * Reps that hang together are kept together for so long, ms: what is seen is kept a little longer;
 * the next one comes within this of the last one's end.
 */
const TOGETHER_MS = 10_000;
const GOES_ON_MS = 2500;

/** What is kept as one: times in ms on the camera's clock. */
export interface KeptStretch {
  /** The id of its first rep. */
  id: string;
  from: number;
  to: number;
}

/** Decides which answered reps are kept as one, and when the whole of them has been seen. */
export class Together {
  private open: KeptStretch[] = [];
  private lastTo = -Infinity;

  /** @param hangTogether reps of a spell, as of a rhythm, are kept with those before them */
  constructor(private readonly hangTogether: boolean) {}

  /**
   * Adds an answered rep.
   *
   * @param rep its id and what of it is kept, ms
   * @param seenFrom where what it was judged from begins
   * @param leadMs how much before it is kept, when it begins in the middle of a spell
   * @returns the id that it is kept with: its own, or that of the first rep of its spell
   */
  add({ id, from, to }: KeptStretch, seenFrom: number, leadMs: number): string {
    const last = this.open.at(-1);
    const goesOn = this.hangTogether && from < this.lastTo + GOES_ON_MS;
    this.lastTo = to;
    if (this.hangTogether && last && to - last.from < TOGETHER_MS) {
      last.to = to;
      return last.id;
    }
    // In the middle of a spell its own turn must be the first.
    this.open.push({ id, from: goesOn ? Math.max(seenFrom, from - leadMs) : seenFrom, to });
    return id;
  }

  /** Takes out what is over: no more that hangs together with it can come. */
  over(now: number): KeptStretch[] {
    const isOver = ({ from, to }: KeptStretch) =>
      to <= now && (!this.hangTogether || now > to + GOES_ON_MS || now > from + TOGETHER_MS);
    const over = this.open.filter(isOver);
    this.open = this.open.filter((k) => !isOver(k));
    return over;
  }
}
