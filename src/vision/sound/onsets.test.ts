import { expect, it } from "vitest";
import { seeded } from "../../core/maths/seeded";
import { soundOnsets } from "./onsets";

/** Quiet air with one strike: mono, 48 kHz. For tests. */
function strikeAt(seconds: number, length: number): Float32Array {
  const random = seeded(9);
  return Float32Array.from({ length: length * 48000 }, (_, i) => {
    const since = i / 48000 - seconds;
    return (
      0.002 * random.normal() +
      (since >= 0 && since < 0.1 ? 0.5 * random.normal() * Math.exp(-since / 0.006) : 0)
    );
  });
}

async function* blocks(sound: Float32Array, size: number) {
  for (let i = 0; i < sound.length; i += size)
    yield { timeMs: (i / 48000) * 1000, rate: 48000, samples: sound.subarray(i, i + size) };
}

it("hears a strike once, to half a millisecond, however the sound is cut into blocks", async () => {
  for (const size of [1024, 960, 4801]) {
    const onsets = await soundOnsets(blocks(strikeAt(1.5, 3), size));
    expect(onsets.length).toBe(1);
    expect(Math.abs(onsets[0]!.t - 1500)).toBeLessThan(0.6);
    expect(onsets[0]!.db).toBeGreaterThan(25);
  }
});

it("hears nothing in wind", async () => {
  const random = seeded(2);
  let gust = 0;
  const wind = Float32Array.from(
    { length: 144000 },
    () => (gust = 0.995 * gust + 0.02 * random.normal()),
  );
  expect(await soundOnsets(blocks(wind, 1024))).toEqual([]);
});
