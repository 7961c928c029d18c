import { readFileSync } from "node:fs";
import { beforeAll, describe, expect, it } from "vitest";
import { analyse, type Analysis } from ".";
import type { RepRules } from "../reps/rep";
import { analysisJson } from "../formats/analysisJson";
import { readTrack } from "../formats/trackFile";
import { at, EDGES, OUTLINE, POINT, type Track } from "../track/track";

const load = (name: string): Track => readTrack(readFileSync(`demo/tracks/${name}.track`));
const judged = (track: Track, change: Partial<Parameters<typeof analyse>[1]> = {}): Analysis =>
  analyse(track, { golfer: { statureCm: 170, hand: "right" }, drill: "double-step", ...change });

/** The track as a mirror would have shown it: left and right of picture and body exchanged. */
function mirrored(track: Track): Track {
  const w = track.video.width;
  const landmarks = track.landmarks.slice();
  const pairs: [number, number][] = [
    [0, 0],
    [1, 4],
    [2, 5],
    [3, 6],
    [9, 10],
  ];
  for (let l = 7; l < 33; l += 2) if (l !== 9) pairs.push([l, l + 1]);
  const all = pairs.filter(([l, r]) => l < 33 && r < 33);
  for (let i = 0; i < track.times.length; i++)
    for (const [l, r] of all)
      for (const [to, from] of l === r
        ? [[l, l]]
        : ([
            [l, r],
            [r, l],
          ] as [number, number][])) {
        const a = at(i, to!);
        const b = at(i, from!);
        landmarks.set(track.landmarks.subarray(b, b + 4), a);
        landmarks[a] = w - track.landmarks[b]!;
      }
  const outline = track.outline.slice();
  for (let i = 0; i < outline.length; i += 2) {
    outline[i] = w - track.outline[i + 1]!;
    outline[i + 1] = w - track.outline[i]!;
  }
  const footEdges = track.footEdges.slice();
  for (let i = 0; i < footEdges.length; i += EDGES) {
    const [l, r, low, otherL, otherR, otherLow] = track.footEdges.subarray(i, i + EDGES);
    footEdges.set([w - otherR!, w - otherL!, otherLow!, w - r!, w - l!, low!], i);
  }
  return {
    ...track,
    landmarks,
    outline,
    footEdges,
    footPaths: track.footPaths.map((p) => ({
      ...p,
      foot: p.foot === "left" ? "right" : "left",
      dx: p.dx.map((v) => -v),
    })),
    handsPaths: track.handsPaths.map((p) => ({ ...p, x: p.x.map((x) => w - x) })),
  };
}

let good: Track;
let result: Analysis;
beforeAll(() => {
  good = load("double-step-good");
  result = judged(good);
});

describe("a good double step", () => {
  it("passes, with every must decided", () => {
    const { verdict } = result.reps[0]!;
    expect(verdict).toMatchObject({ result: "pass", cue: null, reason: null });
    expect(verdict!.checks.filter((c) => c.must).every((c) => c.result === "pass")).toBe(true);
  });

  it("keeps the promised shape", () => {
    const rep = result.reps[0]!;
    const json = {
      clip: "x.mp4",
      version: "v",
      ...result,
      video: { ...good.video },
      reps: [{ ...rep, turns: [] }],
      timings: { decodeMs: 0, networkMs: 0, coreMs: 0, totalMs: 0 },
    };
    expect(
      analysisJson.parse(JSON.parse(JSON.stringify(json))).reps[0]!.measures.pelvisSway!.value,
    ).toBe(rep.measures.pelvisSway.value);
  });

  it("gives the same numbers every time", () => {
    expect(judged(good)).toEqual(result);
  });

  it("in a mirror is a left-hander's, with the same numbers", () => {
    const left = judged(mirrored(good), { golfer: { statureCm: 170, hand: "left" } });
    expect(left.reps[0]!.verdict).toMatchObject({ result: "pass" });
    for (const [id, m] of Object.entries(result.reps[0]!.measures)) {
      const other = left.reps[0]!.measures[id as keyof (typeof left.reps)[0]["measures"]];
      expect(other.state, id).toBe(m.state);
      if (m.value !== null) expect(other.value, id).toBeCloseTo(m.value, 1);
    }
  });

  it("moved across the picture keeps its centimetres and times", () => {
    const landmarks = good.landmarks.slice();
    for (let i = 0; i < landmarks.length; i += 4) landmarks[i]! += 40;
    const moved = judged({
      ...good,
      landmarks,
      outline: good.outline.map((x) => x + 40),
      footEdges: good.footEdges.map((x, i) => (i % 3 === 2 ? x : x + 40)),
      handsPaths: good.handsPaths.map((p) => ({ ...p, x: p.x.map((x) => x + 40) })),
    });
    for (const [id, m] of Object.entries(result.reps[0]!.measures)) {
      if (m.value === null) continue;
      // A foot is seen from a little more aside, and its direction is read in whole degrees.
      if (id.includes("FootTurn"))
        expect(
          Math.abs(moved.reps[0]!.measures[id as "trailFootTurn"].value! - m.value),
          id,
        ).toBeLessThanOrEqual(2);
      else expect(moved.reps[0]!.measures[id as "pelvisSway"].value, id).toBeCloseTo(m.value, 1);
    }
  });

  it("hears a prop fall apart from the strike, and only where one stands", () => {
    const { top, impact } = result.reps[0]!.events;
    const TRAVEL_MS = 12;
    const at = (share: number) => ({
      t: top!.t + share * (impact!.t - top!.t) + TRAVEL_MS,
      db: 20,
    });
    const fallen = (rules: Partial<RepRules>) =>
      judged(
        { ...good, sounds: [at(0.6), at(1)] },
        {
          soundOffset: { t: 0, u: 1 },
          drill: "none",
          rules: { kind: "step-swing", clubAhead: true, stepsFirst: true, ...rules },
        },
      ).reps[0]!.measures.propDropAt;
    expect(Math.abs(fallen({ prop: true }).value! - 60)).toBeLessThan(3);
    expect(fallen({}).value).toBeNull();
  });

  it("filmed unevenly, with every seventh picture dropped, keeps its sway and drift", () => {
    const keep = Array.from({ length: good.times.length }, (_, i) => i).filter((i) => i % 7 !== 3);
    const take = (x: Float32Array, stride: number) =>
      Float32Array.from(keep.flatMap((i) => [...x.subarray(i * stride, (i + 1) * stride)]));
    const still = { footPaths: [], handsPaths: [] };
    const uneven = judged({
      ...good,
      ...still,
      times: Float64Array.from(keep, (i) => good.times[i]!),
      landmarks: take(good.landmarks, 132),
      outline: take(good.outline, OUTLINE),
      presence: take(good.presence, 1),
      footEdges: take(good.footEdges, EDGES),
    });
    const even = judged({ ...good, ...still }).reps[0]!.measures;
    for (const id of ["pelvisSway", "headDrift", "pelvisSlide"] as const)
      expect(Math.abs(uneven.reps[0]!.measures[id].value! - even[id].value!), id).toBeLessThan(0.4);
    expect(
      Math.abs(uneven.reps[0]!.events.impact!.t - result.reps[0]!.events.impact!.t),
    ).toBeLessThan(12);
  });

  it("of a golfer a tenth taller has lengths a tenth longer, and the same times", () => {
    const tall = judged(good, { golfer: { statureCm: 187, hand: "right" } }).reps[0]!.measures;
    const m = result.reps[0]!.measures;
    expect(tall.trailStepLength.value! / m.trailStepLength.value!).toBeCloseTo(1.1, 2);
    expect(tall.leadLandBeforeTop.value!).toBeCloseTo(m.leadLandBeforeTop.value!, -1);
  });
});

describe("what can't be judged is not", () => {
  it("a swing without steps is asked about, and fails with the first missing step's cue where it was meant", () => {
    const swing = load("normal-swing");
    expect(judged(swing).reps[0]!.verdict).toMatchObject({
      result: "not judged",
      reason: { code: "otherMovement" },
    });
    expect(judged(swing, { sure: true }).reps[0]!.verdict).toMatchObject({
      result: "fail",
      cue: { id: "trailStep" },
    });
  });

  it("a swing that goes the other way is asked about: another hand, or a mirrored film", () => {
    const left = { golfer: { statureCm: 170, hand: "left" as const } };
    const asked = (track: Track, change = {}) =>
      judged(track, change).reps[0]!.verdict!.reason?.code;
    expect(asked(good, left)).toBe("otherHand");
    expect(asked(mirrored(good))).toBe("otherHand");
    expect(asked(mirrored(good), left)).not.toBe("otherHand");
  });

  it("a picture from the side is the wrong view, whatever was measured", () => {
    // Feet and nose point a quarter turn aside, as from behind on the target line.
    const landmarks = good.landmarks.slice();
    for (let i = 0; i < good.times.length; i++)
      for (const [p, from] of [
        [POINT.leftToe, POINT.leftHeel],
        [POINT.rightToe, POINT.rightHeel],
        [POINT.nose, POINT.leftEar],
      ] as const)
        landmarks[at(i, p)] = good.landmarks[at(i, from)]! + (p === POINT.nose ? 10 : 40);
    const side = judged({ ...good, landmarks });
    expect(side.problems.map((p) => p.code)).toContain("wrongView");
    expect(side.reps[0]!.verdict).toMatchObject({
      result: "not judged",
      reason: { code: "wrongView" },
    });
  });

  it("somebody who only stands there has no rep", () => {
    const first = good.landmarks.slice(0, 132);
    const landmarks = Float32Array.from(good.landmarks, (_, i) => first[i % 132]!);
    const still = judged({ ...good, landmarks, handsPaths: [], footPaths: [] });
    expect(still.reps).toEqual([]);
    expect(still.problems.map((p) => p.code)).toContain("noMotion");
  });

  it("film that runs at an eighth of real speed asks before it is judged, and then gives real times", () => {
    const slow = {
      ...good,
      times: good.times.map((t) => t * 8),
      video: { ...good.video, fps: 60 / 8 },
    };
    expect(judged(slow).reps[0]!.verdict!.reason!.code).toBe("slowMotion");
    const told = judged({ ...slow, video: { ...good.video, fps: 60 } }, { captureFps: 480 })
      .reps[0]!;
    expect(told.verdict!.result).toBe("pass");
    expect(told.measures.backTime.value).toBeCloseTo(result.reps[0]!.measures.backTime.value!, 0);
  });

  it.each([30, 300, NaN])("a stature of %s cm is refused with the range", (statureCm) => {
    expect(() => judged(good, { golfer: { statureCm, hand: "right" } })).toThrow(/120 to 220 cm/);
  });

  it("names the drills there are", () => {
    expect(() => judged(good, { drill: "moonwalk" })).toThrow(/double-step/);
  });
});
