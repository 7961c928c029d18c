/**
 * Sudden sounds: 2 ms blocks of the sound's high part (first difference) whose power stands at least `RISE_DB` over the
 * median of the clip, each kept once per 150 ms, timed by its first block. A club's strike stands 20–40 dB out.
 */
const BLOCK_MS = 2;
const RISE_DB = 18;
const APART_MS = 150;

export async function soundOnsets(
  blocks: AsyncIterable<{ timeMs: number; rate: number; samples: Float32Array }>,
): Promise<{ t: number; db: number }[]> {
  const times: number[] = [];
  const power: number[] = [];
  let sum = 0;
  let count = 0;
  let last = 0;
  for await (const block of blocks) {
    const size = Math.max(1, Math.round((block.rate * BLOCK_MS) / 1000));
    for (let i = 0; i < block.samples.length; i++) {
      const d = block.samples[i]! - last;
      last = block.samples[i]!;
      sum += d * d;
      if (++count === size) {
        times.push(block.timeMs + ((i + 1 - size) / block.rate) * 1000);
        power.push(10 * Math.log10(sum / size + 1e-12));
        sum = count = 0;
      }
    }
  }
  if (power.length < 10) return [];
  const floor = [...power].sort((a, b) => a - b)[power.length >> 1]!;
  const onsets: { t: number; db: number }[] = [];
  for (let i = 0; i < power.length; i++) {
    const db = power[i]! - floor;
    if (db < RISE_DB) continue;
    const previous = onsets[onsets.length - 1];
    if (previous && times[i]! - previous.t < APART_MS) previous.db = Math.max(previous.db, db);
    else onsets.push({ t: times[i]!, db });
  }
  return onsets;
}
