import { describe, expect, it } from "vitest";
import { analyse, type AnalysedRep } from "@/core/analysis";
import { CATALOGUE } from "@/core/measures";
import { type Track } from "@/core/track/track";
import { mirrored } from "../../tools/study/mirrored";
import { truthClips } from "../../tools/study/truthClip";

/*
 * What must not matter to a measure: which hand is played, when in its film a rep is, how tall the
 * golfer is said to be (lengths grow with it, times and shares don't). Held against every drill, on
 * films that the real network read.
 */

const LATER_MS = 7000;
const later = (track: Track): Track => ({
  ...track,
  times: track.times.map((t) => t + LATER_MS),
  looks: track.looks.map((l) => ({ ...l, t: l.t + LATER_MS })),
  sounds: track.sounds.map((s) => ({ ...s, t: s.t + LATER_MS })),
  others: track.others.map((o) => ({ ...o, t: o.t + LATER_MS })),
});

const clips = truthClips("tools/study/kept/drills");
/** One golfer's target of each drill. */
const targets = [
  ...new Map(
    clips
      .filter((c) => c.id.endsWith("-target"))
      .map((c) => [`${c.truth.drill} ${c.truth.view}`, c]),
  ).values(),
];
/** Rounding, and thresholds of a smoothed curve that fall between two other samples. */
const ROUNDING: Record<string, number> = {
  cm: 0.6,
  ms: 2,
  "°": 1,
  "%": 1,
  s: 0.02,
  ratio: 0.02,
  "°/s": 5,
};

/**
 * Reps' measures against each other: how many both have, which of them are not within what is
 * allowed of their unit and of their own uncertainty, which one alone has.
 */
function held(
  got: readonly AnalysedRep[],
  want: readonly AnalysedRep[],
  allowed: number,
  doubts = 0,
  by: (id: string) => number = () => 1,
): { both: number; off: string[] } {
  expect(got.map((r) => r.kind)).toEqual(want.map((r) => r.kind));
  let both = 0;
  const off = want.flatMap((w, k) =>
    Object.entries(w.measures).flatMap(([id, m]) => {
      const g = got[k]!.measures[id as keyof AnalysedRep["measures"]];
      if (m.value === null && g.value === null) return [];
      both++;
      const right =
        m.value !== null &&
        g.value !== null &&
        Math.abs(g.value - m.value * by(id)) <=
          Math.max(allowed * (ROUNDING[m.unit] ?? 0.5), doubts * m.u!);
      return right ? [] : [`rep ${k + 1}, ${id}: ${g.value} for ${m.value} ${m.unit}`];
    }),
  );
  return { both, off };
}

describe.each(targets)("$truth.drill, $truth.view", ({ truth, track: read }) => {
  const track = read();
  const { hand, stature } = truth.golfer;
  const told = (of: Track, golfer: { hand: "left" | "right"; statureCm: number }) =>
    analyse(of, {
      golfer,
      drill: truth.drill,
      ...(truth.stage ? { stage: truth.stage } : {}),
      samples: 16,
    }).reps;
  const plain = told(track, { hand, statureCm: stature });

  it("is measured the same of a left-hander as of a right-hander", () => {
    const { both, off } = held(
      told(mirrored(track), { hand: hand === "left" ? "right" : "left", statureCm: stature }),
      plain,
      0.05,
    );
    expect([off, both > 2 * plain.length]).toEqual([[], true]);
  });

  it("is measured the same wherever in its film it is", () => {
    const reps = told(later(track), { hand, statureCm: stature });
    expect(held(reps, plain, 0.1).off).toEqual([]);
    reps.forEach((r, k) =>
      Object.entries(plain[k]!.events).forEach(([name, e]) =>
        expect(
          Math.abs(r.events[name as keyof typeof r.events]!.t - e.t - LATER_MS),
          name,
        ).toBeLessThan(2),
      ),
    );
  });

  // A scale is known to some 2 %; whatever else it changes must lie within what the measure says of
  // itself. A contact that hangs on a hair may go the other way: one measure in twenty.
  it("has lengths that grow with the stature that is said, and nothing else", () => {
    const TALLER = 1.02;
    const { both, off } = held(
      told(track, { hand, statureCm: stature * TALLER }),
      plain,
      1,
      2,
      (id) => (CATALOGUE[id as keyof typeof CATALOGUE].unit.startsWith("cm") ? TALLER : 1),
    );
    expect(off.length, off.join("; ")).toBeLessThanOrEqual(both / 20);
  });
});
