/**
 * Sudden sounds: 2 ms blocks of the sound's high part (first difference) whose power stands at
 * least `RISE_DB` over the median of all that was heard, each kept once per 150 ms. A club's strike
 * stands 20–40 dB out. Its time is that of the first quarter of a millisecond with half of the
 * burst's greatest power: a codec smears a little of a burst over the 3 ms before it (on 34 strikes
 * of the fit set 0.1 ms early ± 0.4, where the first loud block was 2.0 ± 1.0 early;
 * docs/accuracy.md).
 */
const BLOCK_MS = 2;
const FINE_MS = 0.25;
const FINE = BLOCK_MS / FINE_MS;
const RISE_DB = 18;
const APART_MS = 150;
const BURST_MS = 10;
const RISEN = 0.5;
/** Fewer blocks than this have no background. */
const LEAST_BLOCKS = 10;

/** Mono sound, with when its first sample was heard, ms. */
export interface SoundBlock {
  timeMs: number;
  /** Hz. */
  rate: number;
  samples: Float32Array;
}

/** A sudden sound: ms on the blocks' clock, and dB over the background. */
export interface Onset {
  t: number;
  db: number;
}

/** Sound as the power of its high part, block by block. */
export class SoundPower {
  private readonly fine = new Series();
  /** Start of every `FINE`th of them, ms. */
  private readonly times = new Series();
  private fineMs = FINE_MS;
  private sum = 0;
  private count = 0;
  private last = 0;

  hear({ timeMs, rate, samples }: SoundBlock): void {
    const size = Math.max(1, Math.round((rate * FINE_MS) / 1000));
    this.fineMs = (1000 * size) / rate;
    for (let i = 0; i < samples.length; i++) {
      const d = samples[i]! - this.last;
      this.last = samples[i]!;
      this.sum += d * d;
      if (++this.count === size) {
        if (this.fine.length % FINE === 0) this.times.push(timeMs + ((i + 1 - size) / rate) * 1000);
        this.fine.push(this.sum / size);
        this.sum = this.count = 0;
      }
    }
  }

  /** Lets go of all but the last so many ms. */
  keep(ms: number): void {
    const blocks = this.times.length - Math.ceil(ms / (FINE * this.fineMs));
    // Not for a few at a time: what is left is copied.
    if (blocks < this.times.length / 2) return;
    this.times.drop(blocks);
    this.fine.drop(blocks * FINE);
  }

  onsets(): Onset[] {
    const { fine, times } = this;
    const power = Float64Array.from(
      { length: Math.floor(fine.length / FINE) },
      (_, k) =>
        10 *
        Math.log10(fine.slice(k * FINE, (k + 1) * FINE).reduce((s, v) => s + v, 0) / FINE + 1e-12),
    );
    if (power.length < LEAST_BLOCKS) return [];
    const floor = power.slice().sort()[power.length >> 1]!;
    const onsets: Onset[] = [];
    for (let k = 0; k < power.length; k++) {
      const db = power[k]! - floor;
      if (db < RISE_DB) continue;
      const previous = onsets[onsets.length - 1];
      if (previous && times.at(k) - previous.t < APART_MS) previous.db = Math.max(previous.db, db);
      else onsets.push({ t: times.at(k) + risen(fine, k * FINE) * this.fineMs, db });
    }
    return onsets;
  }
}

/** All sudden sounds of a clip. */
export async function soundOnsets(blocks: AsyncIterable<SoundBlock>): Promise<Onset[]> {
  const power = new SoundPower();
  for await (const block of blocks) power.hear(block);
  return power.onsets();
}

/** How many fine blocks after a burst's first the one comes that has half of its greatest power. */
function risen(fine: Series, from: number): number {
  const burst = fine.slice(from, from + BURST_MS / FINE_MS);
  const most = Math.max(...burst);
  return burst.findIndex((p) => p >= RISEN * most);
}

/**
 * Numbers that come one after another, in little memory: a film of twenty minutes has five million
 * of them.
 */
class Series {
  private data = new Float64Array(4096);
  length = 0;

  push(v: number): void {
    if (this.length === this.data.length) {
      const more = new Float64Array(2 * this.length);
      more.set(this.data);
      this.data = more;
    }
    this.data[this.length++] = v;
  }

  at(i: number): number {
    return this.data[i]!;
  }

  /** Lets go of the first so many. */
  drop(count: number): void {
    this.data.copyWithin(0, count, this.length);
    this.length -= count;
  }

  slice(from: number, to: number): Float64Array {
    return this.data.slice(from, Math.min(to, this.length));
  }
}
