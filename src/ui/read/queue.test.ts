import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  changeQueue,
  headline,
  inTime,
  secondsLeft,
  type Change,
  type ClipItem,
  type ClipState,
} from "./queue";

const file = {} as File;
const STEPS: ClipState[] = [
  { step: "waiting" },
  { step: "keeping" },
  { step: "stopped" },
  { step: "nothing", problems: [] },
  { step: "failed", message: "", action: "", again: true },
  {
    step: "asks",
    question: { code: "slowMotion", message: "" },
    answered: {},
    track: { bytes: new Uint8Array(), sha256: "" },
    clipSha256: "",
  },
];

describe("clips that are read", () => {
  it("keep their order and are each there once, whatever happens to one of them; stopping stops what has not begun", () => {
    const change = fc.oneof(
      fc.constant<"add">("add"),
      fc.record({ id: fc.nat(12), state: fc.constantFrom(...STEPS) }),
      fc.record({ remove: fc.nat(12) }),
      fc.constant<"stopAll">("stopAll"),
    );
    fc.assert(
      fc.property(fc.array(change, { maxLength: 40 }), (changes) => {
        let items: ClipItem[] = [];
        let made = 0;
        for (const c of changes) {
          const before = items;
          const done: Change =
            c === "add"
              ? { type: "add", files: [{ id: made++, file }] }
              : c === "stopAll"
                ? { type: "stopAll" }
                : "remove" in c
                  ? { type: "remove", id: c.remove }
                  : { type: "state", ...c };
          items = changeQueue(before, done);
          expect(items.map((i) => i.id)).toEqual(
            [...new Set(items.map((i) => i.id))].sort((a, b) => a - b),
          );
          if (done.type === "stopAll") {
            expect(items.some((i) => i.state.step === "waiting")).toBe(false);
            expect(items.filter((_, k) => before[k]!.state.step !== "waiting")).toEqual(
              before.filter((i) => i.state.step !== "waiting"),
            );
          }
          if (done.type === "state")
            expect(items.filter((i) => i.id !== done.id)).toEqual(
              before.filter((i) => i.id !== done.id),
            );
          expect(headline(items)).toMatch(/^[A-Z]/);
        }
      }),
    );
  });

  it("say first what needs the golfer", () => {
    const of = (...steps: number[]): ClipItem[] =>
      steps.map((s, id) => ({ id, file, state: STEPS[s]! }));
    expect(headline([])).toBe("Read what you have filmed");
    expect(headline(of(0, 0, 1))).toBe("Reading three clips");
    expect(headline(of(5, 0, 0))).toBe("One needs an answer");
    expect(headline(of(5, 5, 4, 3, 0))).toBe("Two need an answer, two can’t be read");
    expect(headline(of(2, 2))).toBe("Nothing was read: you stopped it");
    const done: ClipItem = {
      id: 9,
      file,
      state: { step: "done", repId: "r", verdict: null, series: {} as never, events: {} },
    };
    expect(headline([done])).toBe("Your clip is read");
    expect(headline([...of(2), done])).toBe("One of two clips read; you stopped the rest");
  });

  it("say how long it still takes only when that can be told, and never less than a second", () => {
    const progress = (done: number, share: number) =>
      ({ far: { done, share } }) as Parameters<typeof secondsLeft>[0];
    expect(secondsLeft(progress(11, 0.5), 0, 10_000)).toBeNull();
    expect(secondsLeft(progress(60, 0.25), 0, 10_000)).toBe(30);
    expect(secondsLeft(progress(240, 0.9999), 0, 10_000)).toBe(1);
    expect([5, 89, 90, 95, 125, 599, 3600].map(inTime)).toEqual([
      "5 s",
      "89 s",
      "1 min 30 s",
      "1 min 40 s",
      "2 min 10 s",
      "10 min",
      "60 min",
    ]);
  });
});
