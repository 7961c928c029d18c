import { afterEach, describe, expect, it, vi } from "vitest";
import { filmRange } from "./filmRange";
import { halves, keptPx, MOST_BYTES } from "./frames";

afterEach(() => vi.unstubAllGlobals());

describe("a rep's decoded pictures", () => {
  it("are kept as large as they are painted, and smaller where many of them would not find room", () => {
    expect(keptPx(440, 120)).toBe(440);
    for (const count of [300, 600, 2400]) {
      expect(keptPx(440, count) ** 2 * 4 * count).toBeLessThanOrEqual(MOST_BYTES);
      expect(
        (keptPx(440, count) + 1) ** 2 * 4 * count > MOST_BYTES || keptPx(440, count) === 440,
      ).toBe(true);
    }
  });

  it("are read by two where there are processors for two, each half once, what is looked at first in its own", () => {
    const asked = { fromS: 1, toS: 5, firstS: 4.2, square: { left: 0, top: 0, size: 10 }, px: 440 };
    vi.stubGlobal("navigator", { hardwareConcurrency: 1 });
    expect(halves(asked)).toEqual([asked]);
    vi.stubGlobal("navigator", { hardwareConcurrency: 4 });
    expect(halves(asked).map(({ fromS, toS, firstS }) => [fromS, toS, firstS])).toEqual([
      [1, 3, 1],
      [3, 5, 4.2],
    ]);
    expect(halves({ ...asked, firstS: 1.5 }).map((h) => h.firstS)).toEqual([1.5, 3]);
    expect(halves({ ...asked, firstS: 5 })[1]!.firstS).toBe(5);
  });

  it("reach a little beyond the rep's own part of the film, and not beyond the film", () => {
    const times = Float64Array.from({ length: 100 }, (_, i) => i * 20);
    expect(filmRange(times, { t: [1000, 1200] } as never)).toEqual([30, 80]);
    expect(filmRange(times, { t: [100, 1900] } as never)).toEqual([0, 99]);
  });
});
