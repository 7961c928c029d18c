import { describe, expect, it } from "vitest";
import type { AimFault } from "@/core/film";
import type { LoopState } from "@/core/live";
import { aimWords, toPutRight } from "./aimWords";
import { lines, stateWords, verdictWords } from "./words";

const STATES: LoopState[] = [
  "looking",
  "leaving",
  "settling",
  "armed",
  "moving",
  "judging",
  "paused",
  "blocked",
  "done",
];
const OBSTACLES = ["phone moved", "somebody in the way", "dark", "camera lost", "hidden"] as const;

describe("what is read from 5 m", () => {
  it("says each state in a few words, and what to do where something stands in the way", () => {
    for (const state of STATES) {
      const { word } = stateWords({ state, obstacle: null }, true);
      expect(word.split(" ").length, word).toBeLessThanOrEqual(4);
    }
    const said = OBSTACLES.map((obstacle) => stateWords({ state: "blocked", obstacle }, true));
    for (const { more } of said) expect(more).toMatch(/^[A-Z].*\.$/);
    expect(new Set(said.map((s) => s.word)).size).toBe(OBSTACLES.length);
    expect(stateWords({ state: "settling", obstacle: null }, false).word).not.toBe(
      stateWords({ state: "settling", obstacle: null }, true).word,
    );
  });

  it("of a fail is its cue, of a rep that was not judged what to do", () => {
    const told = (result: string, more: object = {}) =>
      verdictWords({ result, cue: null, reason: null, ...more } as never).word;
    expect(told("pass")).toBe("Pass");
    expect(told("fail", { cue: { id: "a", words: "Lead foot down sooner" } })).toBe(
      "Lead foot down sooner",
    );
    expect(told("fail")).toBe("Again");
    expect(told("not judged", { reason: { code: "outOfFrame", message: "" } })).toBe(
      "Step back one pace",
    );
    expect(told("not judged", { reason: { code: "something new", message: "" } })).toBe(
      "Do another",
    );
  });

  it("stands on lines no wider than its longest word needs", () => {
    expect(lines("Lead foot down sooner")).toEqual(["Lead", "foot", "down", "sooner"]);
    expect(lines("Pass")).toEqual(["Pass"]);
    expect(lines("Go on")).toEqual(["Go on"]);
    for (const { word } of STATES.map((state) => stateWords({ state, obstacle: null }, true))) {
      expect(lines(word).join(" ")).toBe(word);
      const longest = Math.max(7, ...word.split(" ").map((p) => p.length));
      for (const line of lines(word)) expect(line.length).toBeLessThanOrEqual(longest);
    }
  });
});

describe("how the phone stands", () => {
  const loop = (fault: AimFault, more: object = {}) =>
    ({
      state: "settling",
      aimed: false,
      aim: { wrong: { fault, blocks: false } },
      ...more,
    }) as never;

  it("is put right before the first rep; later only what keeps reps from being judged", () => {
    expect(toPutRight(loop("too far"))).toMatchObject({ fault: "too far" });
    expect(toPutRight(loop("too far", { aimed: true }))).toBeNull();
    const blocks = { aim: { wrong: { fault: "feet cut off", blocks: true } } };
    expect(toPutRight(loop("feet cut off", { ...blocks, aimed: true }))).not.toBeNull();
    expect(toPutRight(loop("nobody"))).toBeNull();
    expect(toPutRight(loop("too far", { state: "moving" }))).toBeNull();
    expect(toPutRight(null)).toBeNull();
  });

  const word = (fault: AimFault, view: "face-on" | "down-the-line", hand: "left" | "right") =>
    aimWords({ fault, by: -4, blocks: false } as never, view, hand).word;

  it("sends one who faces the lens to their own other side, whichever hand", () => {
    for (const hand of ["left", "right"] as const) {
      expect(word("beside left", "face-on", hand)).toBe("Step to your left");
      expect(word("beside right", "face-on", hand)).toBe("Step to your right");
    }
  });

  it("sends one who is seen from behind forward or back, by the side of the ball", () => {
    expect(word("beside left", "down-the-line", "right")).toBe("Step forward");
    expect(word("beside left", "down-the-line", "left")).toBe("Step back");
    expect(word("beside right", "down-the-line", "right")).toBe("Step back");
  });

  it("says by how much, and on which side", () => {
    const { more } = aimWords(
      { fault: "rolled", by: -3.6, blocks: false } as never,
      "face-on",
      "right",
    );
    expect(more).toContain("left side is too low, by 4°");
    expect(
      aimWords({ fault: "slow", by: 23.7, blocks: false } as never, "face-on", "right").more,
    ).toContain("24 pictures a second");
  });
});
