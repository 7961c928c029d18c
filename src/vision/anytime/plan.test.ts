import { describe, expect, it } from "vitest";
import type { AnalysedRep, Analysis } from "../../core/analysis";
import type { Check } from "../../core/drills";
import type { MeasureId } from "../../core/measures";
import { body } from "../../core/figure/anthropometry";
import { swing } from "../../core/figure/scripts/swing";
import { simulate } from "../../core/figure/simulate";
import type { Track } from "../../core/track";
import { reordered } from "../../../tests/core/reordered";
import { exactTrack } from "../../../tools/study/exactTrack";
import { firstLook, FIRST_MS, gridStep, nextFrames, roughSpans, spaced } from "./plan";
import { lookInRounds, thinned } from "./rounds";
import { segmentEnd } from "./segments";

const FRAME = 1000 / 60;
const times = Float64Array.from({ length: 300 }, (_, i) => i * FRAME);
const whole = exactTrack(simulate(body(176), swing()), {
  hand: "right",
  fps: 60,
  distance: 400,
  height_px: 720,
});
/** The same clip of which some frames alone were read. */
const readAt = (frames: readonly number[], of: Track = whole): Track => ({
  ...of,
  read: Uint8Array.from(of.times, (_, i) => (frames.includes(i) ? 1 : 0)),
});
const every = (step: number) =>
  Array.from({ length: Math.floor(whole.times.length / step) }, (_, k) => k * step);

describe("a grid of frames", () => {
  it("has a power of two between its looks, so that closer ones keep what was read", () => {
    expect([125, 66, 33, 16, 0].map((ms) => gridStep(ms, FRAME))).toEqual([8, 4, 2, 1, 1]);
    const [wide, close] = [spaced(times, 0, 5000, 125), spaced(times, 0, 5000, 33)];
    expect(wide.every((i) => close.includes(i))).toBe(true);
  });

  it("stays within its times, and always has the last frame", () => {
    expect(spaced(times, 500, 700, 66)).toEqual([32, 36, 40]);
    expect(spaced(times, 4900, 9e9, 125)).toEqual([296, 299]);
    expect(Math.abs(firstLook(times)[1]! * FRAME - FIRST_MS)).toBeLessThan(FRAME);
  });
});

describe("at most so many frames", () => {
  it("are chosen evenly, and none of few", () => {
    expect(thinned([1, 2, 3], 3)).toEqual([1, 2, 3]);
    expect(thinned(every(1).slice(0, 100), 10)).toHaveLength(10);
    const gaps = thinned(every(1).slice(0, 100), 10).map((f, k, all) => f - (all[k - 1] ?? f - 10));
    expect(new Set(gaps)).toEqual(new Set([10]));
    expect(thinned([1, 2, 3], 0)).toEqual([]);
  });
});

type Part = Partial<AnalysedRep>;
const at = (ms: number) => ({ t: ms, u: 5 });
const analysed = (...reps: Part[]): Analysis =>
  ({
    reps: reps.map((r) => ({
      from: 0,
      to: 4000,
      events: { address: at(900), handStart: at(1000), top: at(1800), impact: at(2100) },
      footEvents: [],
      measures: {},
      ...r,
    })),
  }) as unknown as Analysis;
const verdict = (
  result: string,
  checks: { id: string; measure: MeasureId; result: string }[],
  cue?: string,
  actions: object[] = [],
) =>
  ({
    result,
    checks: checks.map((c) => ({ must: true, ...c })),
    cue: cue ? { id: cue } : null,
    actions,
  }) as unknown as AnalysedRep["verdict"];
const stage = { checks: [] as Check[] };
const next = (analysis: Analysis, slack = 0, read = readAt(every(8))) =>
  nextFrames(read, analysis, stage, true, true, slack);

describe("which frames to look at next", () => {
  it("are those of a rough rep after the first look, and no frame twice", () => {
    const first = firstLook(whole.times);
    const frames = nextFrames(readAt(first), null, stage, true);
    const [from, to] = roughSpans(readAt(first), true)[0]!;
    expect(frames.length).toBeGreaterThan(10);
    for (const i of frames) {
      expect(first).not.toContain(i);
      expect(whole.times[i]!).toBeGreaterThanOrEqual(from);
      expect(whole.times[i]!).toBeLessThanOrEqual(to);
    }
  });

  it("are close ones over all of a clip in which no rep was found, unless that is not wanted", () => {
    const none = analysed();
    expect(next(none).length).toBeGreaterThan(whole.times.length / 10);
    expect(nextFrames(readAt(every(8)), none, stage, true, false)).toEqual([]);
    expect(nextFrames(readAt(every(1)), none, stage, true)).toEqual([]);
  });

  it("are those of what is not decided, and none when all is", () => {
    const sway = (result: string) => ({
      verdict: verdict(result === "pass" ? "pass" : "not judged", [
        { id: "sway", measure: "pelvisSway", result },
      ]),
    });
    expect(next(analysed(sway("pass")))).toEqual([]);
    const open = next(analysed(sway("too close"))).map((i) => whole.times[i]!);
    expect(open.length).toBeGreaterThan(3);
    expect(Math.min(...open)).toBeGreaterThan(500);
    expect(Math.max(...open)).toBeLessThan(2000);
    // Once its parts were read at their spacing, every picture of them; then there is nothing left.
    expect(next(analysed(sway("too close")), 0, readAt(every(1)))).toEqual([]);
  });

  it("are none for a rep that is lost, but for one who doubts it", () => {
    const lost = analysed({
      verdict: verdict(
        "fail",
        [
          { id: "sway", measure: "pelvisSway", result: "fail" },
          { id: "share", measure: "leadShareImpact", result: "too close" },
        ],
        "sway",
      ),
    });
    expect(next(lost)).toEqual([]);
    expect(next(lost, 0.4).length).toBeGreaterThan(0);
  });

  it("look for a step where it may have been made", () => {
    const unseen = (result: string) =>
      analysed({
        verdict: verdict("not judged", [], undefined, [{ id: "step", result }]),
      });
    const frames = next(unseen("not seen")).map((i) => whole.times[i]!);
    expect(Math.min(...frames)).toBeGreaterThanOrEqual(400);
    expect(Math.max(...frames)).toBeLessThanOrEqual(2100);
    expect(next(unseen("done"))).toEqual([]);
  });

  it("take a frame that was read near by for one that is wanted, where there is slack", () => {
    const open = analysed({
      verdict: verdict("not judged", [
        { id: "sway", measure: "pelvisSway", result: "not measurable" },
      ]),
    });
    const odd = readAt(every(4).map((i) => i + 1));
    expect(next(open, 0.5, odd).length).toBeLessThan(next(open, 0, odd).length);
  });
});

describe("rounds", () => {
  it("go on until the plan has no more, or there is no more time", async () => {
    const run = async (room: number) => {
      const read = new Set<number>(firstLook(whole.times));
      let rounds = 0;
      const done = await lookInRounds(
        {
          wanted: stage,
          analyse: () => {
            rounds++;
            return analysed({
              verdict: verdict(rounds < 3 ? "not judged" : "pass", [
                {
                  id: "s",
                  measure: "leadShareImpact",
                  result: rounds < 3 ? "too close" : "pass",
                },
              ]),
            });
          },
        },
        true,
        {
          looks: () => readAt([...read]),
          followed: () => readAt([...read]),
          lookAt: (frames) => Promise.resolve(frames.forEach((f) => read.add(f))),
        },
        { first: room, most: () => room - read.size },
      );
      return { ...done, rounds, read: read.size };
    };
    const free = await run(Infinity);
    expect([free.all, free.rounds]).toEqual([true, 3]);
    const short = await run(30);
    expect(short.all).toBe(false);
    expect(short.rounds).toBe(1);
  });
});

describe("a long film", () => {
  const filmOf = (order: readonly number[]) => reordered(whole, order);
  const stands = (seconds: number, frame = 0) => Array<number>(seconds * 60).fill(frame);
  const swings = every(1);

  it("is not cut while it is short", () => {
    expect(segmentEnd(whole, true)).toBeNull();
    expect(segmentEnd(filmOf(stands(6)), true)).toBeNull();
  });

  it("is cut in a pause, so long ago that a rep which has begun since will be seen", () => {
    const film = filmOf([...swings, ...stands(5, swings.at(-1))]);
    const end = film.times[segmentEnd(film, true)!]!;
    expect(film.times.at(-1) - end).toBeGreaterThan(2400);
    expect(end).toBeGreaterThan(roughSpans(film, true)[0]![1]);
  });

  it("is cut before a rep that is under way, once it has grown long", () => {
    const under = (before: number) => filmOf([...stands(before), ...swings]);
    const film = under(10);
    const end = film.times[segmentEnd(film, true)!]!;
    const [from] = roughSpans(film, true)[0]!;
    expect(end).toBeLessThan(from);
    expect(end).toBeGreaterThan(from - 400);
    expect(segmentEnd(under(5), true)).toBeNull();
  });
});
