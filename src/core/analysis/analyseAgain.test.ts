import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { openAnalysis } from ".";
import { readTrack } from "../formats/trackFile";
import { joined } from "../uncertainty/sample";

const open = (name: string) =>
  openAnalysis(readTrack(readFileSync(`demo/tracks/${name}.track`)), {
    golfer: { statureCm: 170, hand: "right" },
    drill: "double-step",
    samples: 16,
  });
const FRAME_MS = 1000 / 60;

describe("a rep read again as the golfer says", () => {
  const clip = open("double-step-good");
  const [first] = clip.analysis.reps;
  const { top, impact, handStart } = first!.events;

  it("is the same rep when nothing is said, and when what was found is said", () => {
    expect(clip.again(0, {})).toEqual(first);
    const again = clip.again(0, { events: { top: top!.t } })!;
    expect(again.events.top).toEqual({ t: top!.t, u: 0.3 * FRAME_MS });
    expect(again.events.impact!.t).toBeCloseTo(impact!.t, 6);
    expect(again.measures.backTime.value).toBeCloseTo(first!.measures.backTime.value!, 6);
    expect(again.verdict!.result).toBe(first!.verdict!.result);
  });

  it("is the same whether its copies are read by one or in parts", () => {
    for (const said of [
      { events: { top: top!.t - 60 } },
      { split: { from: handStart!.t - 1200, to: first!.to - 200 } },
    ]) {
      const parts = (
        [
          [0, 8],
          [8, 16],
        ] as const
      ).map((part) => clip.sampleAgain(0, said, part)!);
      expect(clip.again(0, said, joined([parts[0]!, parts[1]!]))).toEqual(clip.again(0, said));
    }
  });

  it("has all that hangs on an event moved with it, and what does not where it was", () => {
    const again = clip.again(0, { events: { top: top!.t - 60 } })!;
    expect(again.events.top!.t).toBe(top!.t - 60);
    expect(again.measures.backTime.value! - first!.measures.backTime.value!).toBeCloseTo(-60, 6);
    expect(again.measures.downTime.value! - first!.measures.downTime.value!).toBeCloseTo(60, 6);
    expect(again.events.handStart!.t).toBeCloseTo(handStart!.t, 6);
  });

  it("gets another verdict from a landing that is moved or taken away, and its own back when that is undone", () => {
    const landing = first!.footEvents.find((e) => e.foot === "lead" && e.event === "landing")!;
    expect(first!.verdict!.result).toBe("pass");
    const late = clip.again(0, {
      feet: [{ foot: "lead", event: "landing", from: landing.t, to: top!.t + 150 }],
    })!;
    expect(late.footEvents).toContainEqual({
      foot: "lead",
      event: "landing",
      t: top!.t + 150,
      u: 0.3 * FRAME_MS,
    });
    expect(late.verdict).toMatchObject({ result: "fail" });
    const steps = first!.footEvents
      .filter((e) => e.event === "liftOff" || e.event === "landing")
      .map((e) => ({ foot: e.foot, event: e.event, from: e.t, to: null }));
    const none = clip.again(0, { feet: steps })!;
    expect(none.footEvents.some((e) => e.event === "landing")).toBe(false);
    expect(none.verdict!.result).not.toBe("pass");
    // The feet never left: each step that goes is put in again.
    const back = clip.again(0, {
      feet: [...steps, ...steps.map((s) => ({ ...s, from: null, to: s.from }))],
    })!;
    expect(back.verdict!.result).toBe("pass");
    expect(clip.again(0, {})).toEqual(first);
  });

  it("is cut out of the film where the golfer says", () => {
    const from = handStart!.t - 1200;
    const again = clip.again(0, { split: { from, to: first!.to - 200 } })!;
    expect(Math.abs(again.from - from)).toBeLessThan(FRAME_MS);
    expect(again.events.top!.t).toBeCloseTo(top!.t, 0);
    expect(again.series.t[0]).toBeGreaterThan(first!.series.t[0]!);
    expect(clip.again(0, { split: { from: 0, to: 400 } })).toBeNull();
    expect(() => clip.again(7, {})).toThrow(RangeError);
  });
});
