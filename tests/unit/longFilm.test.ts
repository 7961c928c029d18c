import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { analyse, type AnalysedRep } from "../../src/core/analysis";
import { readTrack } from "../../src/core/formats/trackFile";
import type { FootPath, Track } from "../../src/core/track/track";
import { segmentEnd } from "../../src/vision/anytime/segments";
import { repeated } from "../../tools/study/repeated";

const OPTIONS = {
  golfer: { statureCm: 170, hand: "right" as const },
  drill: "double-step",
  samples: 8,
};
const one = readTrack(readFileSync("demo/tracks/double-step-good.track"));
const alone = analyse(one, OPTIONS).reps[0]!;
const long = repeated(one, 4);
const period = long.times[one.times.length]!;

const sameAs = (rep: AnalysedRep, k: number) => {
  for (const name of ["handStart", "top", "impact"] as const)
    expect(rep.events[name]!.t - k * period).toBeCloseTo(alone.events[name]!.t, -0.7);
  expect(rep.footEvents.map((e) => `${e.foot} ${e.event}`)).toEqual(
    alone.footEvents.map((e) => `${e.foot} ${e.event}`),
  );
  expect(rep.verdict!.result).toBe(alone.verdict!.result);
  for (const id of [
    "leadStepLength",
    "trailStepLength",
    "pelvisSway",
    "leadLandBeforeTop",
  ] as const)
    expect(Math.abs(rep.measures[id].value! - alone.measures[id].value!)).toBeLessThan(
      id.endsWith("Top") ? 8 : 0.3,
    );
};

describe("a film of several reps", () => {
  it("gives each rep what it gives alone", () => {
    const { reps } = analyse(long, OPTIONS);
    expect(reps.length).toBe(4);
    reps.forEach(sameAs);
  });

  it("is cut outside every rep, and what is followed in pieces is joined again", () => {
    const cuts: number[] = [];
    for (let i = 0, from = 0; i < long.times.length; i += 60) {
      const end = segmentEnd(part(long, from, i + 1), true);
      if (end !== null) cuts.push((from += end));
    }
    expect(cuts.length).toBeGreaterThanOrEqual(3);
    for (let k = 0; k < 4; k++) {
      const [begins, ends] = [alone.events.top!.t - 1600, alone.events.impact!.t + 600].map(
        (t) => t + k * period,
      ) as [number, number];
      expect(cuts.filter((c) => long.times[c]! > begins && long.times[c]! < ends)).toEqual([]);
    }
    const pieces = long.footPaths.flatMap((p) => cutPath(p, cuts));
    expect(pieces.length).toBeGreaterThan(long.footPaths.length);
    analyse({ ...long, footPaths: pieces }, OPTIONS).reps.forEach(sameAs);
  });
});

/** Frames of a track, as they are known while it is being read. */
function part(t: Track, from: number, to: number): Track {
  const n = t.times.length;
  const rows = (x: Float32Array) => x.subarray((x.length / n) * from, (x.length / n) * to);
  return {
    ...t,
    times: t.times.slice(from, to),
    landmarks: rows(t.landmarks),
    outline: rows(t.outline),
    presence: rows(t.presence),
    footEdges: rows(t.footEdges),
    footPaths: [],
    handsPaths: [],
  };
}

/**
 * A path as reading in segments leaves it: each piece knows the part of the spell that lies in its
 * own segment.
 */
function cutPath(p: FootPath, cuts: readonly number[]): FootPath[] {
  const last = p.from + p.dx.length;
  const inside = cuts.filter(
    (c) => c > p.plantedFrom && c <= p.plantedTo && c > p.from && c < last,
  );
  return [p.from, ...inside].map((from, k) => {
    const to = inside[k] ?? last;
    const cut = (x: Float32Array) => x.slice(from - p.from, to - p.from);
    return {
      ...p,
      from,
      dx: cut(p.dx),
      dy: cut(p.dy),
      residual: cut(p.residual),
      plantedFrom: Math.max(p.plantedFrom, k === 0 ? 0 : from),
      plantedTo: Math.min(p.plantedTo, inside[k] === undefined ? Infinity : to - 1),
    };
  });
}
