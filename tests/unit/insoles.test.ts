import { describe, expect, it } from "vitest";
import { analyse } from "../../src/core/analyse";
import { body } from "../../src/core/figure/anthropometry";
import { doubleStep } from "../../src/core/figure/scripts/doubleStep";
import { simulate } from "../../src/core/figure/simulate";
import { insolesOf } from "../../src/core/figure/truth/insoles";
import { insolesCsv, readInsolesCsv } from "../../src/core/formats/insolesCsv";
import { align } from "../../src/core/practice/insoles/align";
import { exactTrack } from "../../tools/study/exactTrack";

describe("a pair of insoles", () => {
  const sim = simulate(body(178), doubleStep());
  const repOf = (hand: "left" | "right") => analyse(exactTrack(sim, { hand, fps: 60, distance: 405, height_px: 720 }), { golfer: { statureCm: 178, hand }, drill: "double-step", samples: 8 }).reps[0]!;

  it.each(["right", "left"] as const)("is laid on the film's clock by the steps, through its file (%s-handed)", (hand) => {
    const read = readInsolesCsv(insolesCsv(insolesOf(sim, { hand, aheadMs: 7340 })));
    if (!read.ok) throw new Error(read.message);
    const at = align(read.reading, repOf(hand).series, hand, [-12_000, 12_000])!;
    expect(Math.abs(at.offsetMs + 7340)).toBeLessThan(25);
    expect(at.r).toBeGreaterThan(0.95);
    expect(at.rms).toBeLessThan(12);
  });

  it("is refused where its steps are not the film's, or do not reach it", () => {
    const rep = repOf("right");
    const reading = insolesOf(sim, { hand: "right", aheadMs: 0 });
    expect(align({ ...reading, left: reading.right, right: reading.left }, rep.series, "right", [-3000, 3000])).toBeNull();
    expect(align(reading, rep.series, "right", [20_000, 30_000])).toBeNull();
    const still = { ...reading, left: { heel: reading.t.map(() => 200), toe: reading.t.map(() => 200) }, right: { heel: reading.t.map(() => 200), toe: reading.t.map(() => 200) } };
    expect(align(still, rep.series, "right", [-3000, 3000])).toBeNull();
  });

  it("says what is wrong with a file, and where", () => {
    const head = "t_ms,left_heel,left_toe,right_heel,right_toe";
    const told = (text: string) => {
      const read = readInsolesCsv(text);
      return read.ok ? "" : read.message;
    };
    expect(told("time,a\n0,1")).toMatch(/no column t_ms, left_heel/);
    expect(told(head)).toMatch(/nothing below/);
    expect(told(`${head}\n0,1,1,1,1\n10,1,x,1,1`)).toMatch(/Row 3 .* no number/);
    expect(told(`${head}\n0,1,1,1,1\n0,1,1,1,1`)).toMatch(/Row 3: the time does not go on/);
    expect(told(`${head}\n0,1,1,1,1\n500,1,1,1,1`)).toMatch(/2 rows a second/);
  });
});
