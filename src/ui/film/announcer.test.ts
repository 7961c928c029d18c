import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Verdict } from "@/core/judge/verdict";
import type { LoopShown } from "@/vision/worker/liveProtocol";
import { Announcer } from "./announcer";
import { AT_FIRST, type FilmingState } from "./filmingState";
import type { Voice } from "./sounds";

const FAIL: Verdict = {
  result: "fail",
  cue: { id: "lead-down", words: "Lead foot down sooner" },
  reason: null,
  actions: [],
  checks: [],
};
const PASS: Verdict = { ...FAIL, result: "pass", cue: null };

const settling = (fault: string, blocks = true): LoopShown =>
  ({
    state: "settling",
    aimed: false,
    answers: [],
    obstacle: null,
    aim: { steps: {}, told: null, wrong: { step: "feet", fault, by: 4, blocks } },
  }) as unknown as LoopShown;

function announcer() {
  const heard: string[] = [];
  const voice = {
    say: (words: string) => heard.push(words),
    play: (sound: string) => heard.push(`(${sound})`),
  } as unknown as Voice;
  return { of: new Announcer(voice, { view: "face-on", hand: "right" }), heard };
}

/** A state with so many fails before. */
const state = (feedback: FilmingState["feedback"], fails = 0): FilmingState => ({
  ...AT_FIRST,
  feedback,
  before: Array.from({ length: fails }, (_, k) => ({
    id: `${k}`,
    told: { result: "fail" as const, cue: null, reason: null },
  })),
});

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

describe("a verdict that is announced", () => {
  it("has its cue spoken after its sound; a pass has none", () => {
    const { of, heard } = announcer();
    expect(of.verdict(FAIL, state("each"))).toBe(true);
    of.sound("fail");
    expect(heard).toEqual(["(fail)"]);
    vi.advanceTimersByTime(650);
    expect(heard).toEqual(["(fail)", "Lead foot down sooner"]);
    of.verdict(PASS, state("each"));
    of.sound("pass");
    vi.runAllTimers();
    expect(heard.slice(2)).toEqual(["(pass)"]);
  });

  it("that the golfer did not ask for sounds as any rep, whatever it is", () => {
    const { of, heard } = announcer();
    expect(of.verdict(FAIL, state("end"))).toBe(false);
    of.sound("fail");
    of.sound("not judged");
    of.sound("bout done");
    vi.runAllTimers();
    expect(heard).toEqual(["(seen)", "(seen)", "(bout done)"]);
  });

  it("is heard whatever was asked for once three fail running", () => {
    const { of, heard } = announcer();
    expect(of.verdict(FAIL, state("end", 1))).toBe(false);
    expect(of.verdict(FAIL, state("end", 2))).toBe(true);
    of.sound("fail");
    expect(heard).toEqual(["(fail)"]);
  });
});

describe("how the phone stands", () => {
  it("is spoken when it is something new, else once in six seconds", () => {
    const { of, heard } = announcer();
    const feet = settling("feet cut off");
    of.aim(null, feet);
    of.aim(feet, feet);
    expect(heard).toEqual(["Tilt the phone down"]);
    of.aim(feet, settling("several"));
    expect(heard.at(-1)).toBe("Film alone");
    vi.advanceTimersByTime(5900);
    of.aim(settling("several"), settling("several"));
    expect(heard).toHaveLength(2);
    vi.advanceTimersByTime(100);
    of.aim(settling("several"), settling("several"));
    expect(heard).toHaveLength(3);
  });

  it("is no word while nobody is there, or while a rep goes on", () => {
    const { of, heard } = announcer();
    of.aim(null, settling("nobody"));
    of.aim(null, { ...settling("feet cut off"), state: "armed" });
    of.aim(null, { ...settling("feet cut off", false), aimed: true });
    expect(heard).toEqual([]);
  });
});
