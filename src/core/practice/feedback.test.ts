import { describe, expect, it } from "vitest";
import { feedbackFor, isAnswered, sameCue } from "./feedback";

const told = (letters: string, cue = "a") =>
  [...letters].map((l) => ({
    result: l === "p" ? ("pass" as const) : l === "n" ? ("not judged" as const) : ("fail" as const),
    cue: l === "f" ? { id: cue, words: `Cue ${cue}` } : null,
  }));
/** After which of a bout's reps an answer is said. */
const said = (feedback: Parameters<typeof isAnswered>[0], letters: string) =>
  [...letters].map((_, k) => k + 1).filter((n) => isAnswered(feedback, told(letters).slice(0, n)));

describe("feedback", () => {
  it("fades as a stage is mastered: each rep, every third, the end of the bout", () => {
    expect(feedbackFor({ is: "here", judged: 9, passed: 9 })).toBe("each");
    expect(feedbackFor({ is: "here", judged: 10, passed: 7 })).toBe("each");
    expect(feedbackFor({ is: "here", judged: 10, passed: 8 })).toBe("third");
    expect(feedbackFor({ is: "done", judged: 10, passed: 8 })).toBe("end");
    // A stage that was done once and is lost is answered again.
    expect(feedbackFor({ is: "done", judged: 10, passed: 5 })).toBe("each");
  });

  it("is given after those reps, and whenever three fail running", () => {
    expect(said("each", "pfn")).toEqual([1, 2, 3]);
    expect(said("third", "pppfpppp")).toEqual([3, 6]);
    expect(said("end", "pfpffp")).toEqual([]);
    expect(said("end", "pfffp")).toEqual([4]);
  });

  it("tells when one cue was said three times running, whatever could not be judged between", () => {
    expect(sameCue(told("pffnf"))).toBe("Cue a");
    expect(sameCue(told("fpff"))).toBeNull();
    expect(sameCue([...told("ff"), ...told("f", "b")])).toBeNull();
  });
});
