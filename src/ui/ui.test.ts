import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { pushApart } from "./charts/strip/geometry";
import { shownNumber, shownStature, wanted } from "./kit/units";
import { changeQueue, headline, inTime, secondsLeft, type ClipItem } from "./read/queue";

describe("labels pushed apart", () => {
  it("never overlap, stay inside, keep their order, and stay where they are when there is room", () => {
    const place = fc.double({ min: -50, max: 650, noNaN: true });
    fc.assert(
      fc.property(fc.array(place, { minLength: 1, maxLength: 9 }), (want) => {
        const got = pushApart(want, 60, 0, 540);
        const order = want.map((_, i) => i).sort((a, b) => want[a]! - want[b]!);
        for (let k = 1; k < order.length; k++)
          expect(got[order[k]!]! - got[order[k - 1]!]!).toBeGreaterThanOrEqual(60 - 1e-6);
        for (const g of got) {
          expect(g).toBeGreaterThanOrEqual(-1e-6);
          expect(g).toBeLessThanOrEqual(540 + 1e-6);
        }
      }),
    );
    expect(pushApart([100, 200, 300], 60, 0, 540)).toEqual([100, 200, 300]);
    expect(pushApart([100, 110], 60, 0, 540)).toEqual([75, 135]);
  });
});

describe("units", () => {
  it("shows lengths in the golfer's own, with a true minus", () => {
    expect(shownNumber(-9.62, "cm", "cm")).toBe("−9.6");
    expect(shownNumber(25.4, "cm", "inch")).toBe("10.0");
    expect(shownStature(178, "inch")).toBe("5′ 10″");
  });

  it("tells bands as a golfer would", () => {
    expect(wanted([-20, null], "trailStepBeforeHands", "cm")).toBe("20 ms late at most");
    expect(wanted([-15.3, -4], "trailStepLength", "cm")).toBe("4.0 to 15.3 cm");
    expect(wanted([-150, 150], "leadLiftFromMidBack", "cm")).toBe("within 150 ms");
    expect(wanted([null, 5], "pelvisSway", "inch")).toBe("2.0 in or less");
  });
});

describe("the reading queue", () => {
  const file = new File(["x"], "a.mp4");
  const two = changeQueue([], {
    type: "add",
    files: [
      { id: 1, file },
      { id: 2, file },
    ],
  });
  const state = (items: ClipItem[], id: number, s: ClipItem["state"]) =>
    changeQueue(items, { type: "state", id, state: s });

  it("says first what needs the golfer", () => {
    expect(headline([])).toBe("Read what you have filmed");
    expect(headline(two)).toBe("Reading two clips");
    const failed = state(two, 1, { step: "failed", message: "", action: "", again: true });
    expect(headline(failed)).toBe("One can’t be read");
    const asks = state(failed, 2, {
      step: "asks",
      question: { code: "slowMotion", message: "" },
      answered: {},

      clipSha256: "",
      track: { bytes: new Uint8Array(), sha256: "" },
    });
    expect(headline(asks)).toBe("One needs an answer, one can’t be read");
  });

  it("stops what waits and leaves what is done", () => {
    const done = state(two, 1, { step: "nothing", problems: [] });
    expect(changeQueue(done, { type: "stopAll" }).map((i) => i.state.step)).toEqual([
      "nothing",
      "stopped",
    ]);
  });

  it("tells the time left from the pace so far", () => {
    expect([12, 89, 95, 118, 125, 599, 1510].map(inTime)).toEqual([
      "12 s",
      "89 s",
      "1 min 40 s",
      "2 min",
      "2 min 10 s",
      "10 min",
      "25 min",
    ]);
    expect(
      secondsLeft(
        { step: "reading", far: { share: 0.05, done: 5, total: 100, phase: "reading" } },
        0,
        500,
      ),
    ).toBeNull();
    expect(
      secondsLeft(
        { step: "reading", far: { share: 0.2, done: 50, total: 250, phase: "reading" } },
        0,
        5000,
      ),
    ).toBe(20);
  });
});
