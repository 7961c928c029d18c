import { describe, expect, it } from "vitest";
import { analyse } from "../../src/core/analysis";
import { body } from "../../src/core/figure/anthropometry";
import { doubleStep } from "../../src/core/figure/scripts/doubleStep";
import { simulate } from "../../src/core/figure/simulate";
import { insoleTruth } from "../../src/core/figure/truth/insoles";
import { insolesCsv, readInsolesCsv } from "../../src/core/formats/insolesCsv";
import { against, heelToe } from "../../src/core/practice/insoles/against";
import { clearPlace, laidAt, placesOf } from "../../src/core/practice/insoles/align";
import type { InsoleReading } from "../../src/core/practice/insoles/reading";
import { exactTrack } from "../../tools/study/exactTrack";

describe("a pair of insoles", () => {
  const sim = simulate(body(178), doubleStep());
  const repOf = (hand: "left" | "right") =>
    analyse(exactTrack(sim, { hand, fps: 60, distance: 405, height_px: 720 }), {
      golfer: { statureCm: 178, hand },
      drill: "double-step",
      samples: 8,
    }).reps[0]!;

  it.each(["right", "left"] as const)(
    "is laid on the film's clock by the steps, through its file (%s-handed)",
    (hand) => {
      const read = readInsolesCsv(insolesCsv(insoleTruth(sim, { hand, aheadMs: 7340 })));
      if (!read.ok) throw new Error(read.message);
      const { series } = repOf(hand);
      const place = clearPlace(placesOf(read.reading, series, hand))!;
      expect(Math.abs(place.offsetMs + 7340)).toBeLessThan(25);
      expect(place.r).toBeGreaterThan(0.95);
      const laid = laidAt(read.reading, series, place.offsetMs);
      expect(against(laid, series, hand).rms).toBeLessThan(12);
      // While the trail foot steps it has no place of its own; the lead foot stands on all of it.
      const aloft = series.t[series.trailAir.indexOf(1) + 6]!;
      expect([heelToe(laid, hand, "trail", aloft), heelToe(laid, hand, "lead", aloft)]).toEqual([
        null,
        expect.closeTo(50, -1),
      ]);
    },
  );

  it("is not laid where its steps are not the film's, or do not reach it", () => {
    const { series } = repOf("right");
    const reading = insoleTruth(sim, { hand: "right", aheadMs: 0 });
    expect(
      placesOf({ ...reading, left: reading.right, right: reading.left }, series, "right"),
    ).toEqual([]);
    const half = reading.t.length >> 1;
    const cut = (x: Float64Array) => x.slice(0, half);
    expect(
      placesOf(
        {
          t: cut(reading.t),
          left: { heel: cut(reading.left.heel), toe: cut(reading.left.toe) },
          right: { heel: cut(reading.right.heel), toe: cut(reading.right.toe) },
        },
        series,
        "right",
      ),
    ).toEqual([]);
    const still = { heel: reading.t.map(() => 200), toe: reading.t.map(() => 200) };
    expect(placesOf({ t: reading.t, left: still, right: still }, series, "right")).toEqual([]);
  });

  it("has several places in the file of a whole practice, none of them clear", () => {
    const { series } = repOf("right");
    const once = insoleTruth(sim, { hand: "right", aheadMs: 0 });
    const after = 20_000;
    const twice = (x: Float64Array, add = 0) => Float64Array.from([...x, ...x.map((v) => v + add)]);
    const both: InsoleReading = {
      t: twice(once.t, after),
      left: { heel: twice(once.left.heel), toe: twice(once.left.toe) },
      right: { heel: twice(once.right.heel), toe: twice(once.right.toe) },
    };
    const places = placesOf(both, series, "right");
    expect(
      places
        .map((p) => p.offsetMs)
        .sort((a, b) => b - a)
        .slice(0, 2)
        .map((ms) => Math.round(ms / 25)),
    ).toEqual([0, -after / 25]);
    expect(clearPlace(places)).toBeNull();
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
