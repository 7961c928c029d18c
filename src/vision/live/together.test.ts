import { describe, expect, it } from "vitest";
import { Together } from "./together";

const rep = (id: string, from: number, to: number) => ({ id, from, to });

describe("answered reps", () => {
  it("are each kept for themselves where they don't hang together", () => {
    const kept = new Together(false);
    expect(kept.add(rep("a", 1000, 3000), 200, 500)).toBe("a");
    expect(kept.add(rep("b", 3500, 5000), 3100, 500)).toBe("b");
    expect(kept.over(2999)).toEqual([]);
    expect(kept.over(3000)).toEqual([rep("a", 200, 3000)]);
    expect(kept.over(9000)).toEqual([rep("b", 3100, 5000)]);
    expect(kept.over(99_000)).toEqual([]);
  });

  it("of a spell are kept with its first one, to the last one's end", () => {
    const kept = new Together(true);
    expect(kept.add(rep("a", 1000, 2000), 400, 500)).toBe("a");
    expect(kept.add(rep("b", 2000, 3000), 1500, 500)).toBe("a");
    // More may come for two and a half seconds.
    expect(kept.over(5500)).toEqual([]);
    expect(kept.over(5501)).toEqual([rep("a", 400, 3000)]);
  });

  it("that would make a spell longer than ten seconds begin the next one, with a turn before them", () => {
    const kept = new Together(true);
    for (let k = 0; k < 9; k++) kept.add(rep(`${k}`, 1000 * k, 1000 * (k + 1)), 0, 500);
    expect(kept.add(rep("late", 9000, 10_001), 5000, 500)).toBe("late");
    expect(kept.over(30_000)).toEqual([rep("0", 0, 9000), rep("late", 8500, 10_001)]);
  });

  it("after a pause are kept from where they were seen, not from a turn before", () => {
    const kept = new Together(true);
    kept.add(rep("a", 0, 9500), 0, 500);
    expect(kept.add(rep("b", 12_100, 13_000), 11_000, 2000)).toBe("b");
    expect(kept.over(40_000).at(-1)).toEqual(rep("b", 11_000, 13_000));
  });
});
