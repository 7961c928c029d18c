import { describe, expect, it } from "vitest";
import { findStage } from "@/core/drills";
import { nearestFrame } from "@/core/track";
import { whyWords } from "@/ui/plan/whyWords";
import { eventWords, FOOT_WORDS } from "@/ui/review/eventWords";
import { filmRange } from "@/ui/review/filmRange";
import { repFileName } from "@/ui/review/repFileName";
import { capital } from "./capital";
import { dayWords, shortDay, weekDay, weekDayOf } from "./dates";
import { inWords } from "./inWords";

describe("days", () => {
  it("are those that are written, in whatever zone they are read", () => {
    for (const zone of ["UTC", "Pacific/Auckland", "America/Los_Angeles"]) {
      process.env.TZ = zone;
      expect(weekDay("2026-11-25")).toBe("Wednesday");
      expect(shortDay("2026-11-25")).toBe("Wed 25");
      expect(weekDayOf("2026-11-24")).toBe("Tuesday 24 November");
      expect(dayWords("2026-01-01")).toBe("1 January");
    }
    process.env.TZ = "UTC";
  });

  it("name a rep's files", () => {
    const at = new Date("2026-11-24T18:05:00Z");
    expect(repFileName({ number: 3, boutStartedAt: at })).toBe("rep-3-2026-11-24");
  });
});

describe("words", () => {
  it("say small numbers, and large ones in figures", () => {
    expect([0, 1, 9, 10, 250].map(inWords)).toEqual(["no", "one", "nine", "10", "250"]);
    expect([capital("two drills"), capital("")]).toEqual(["Two drills", ""]);
  });

  it("say events as golfers do, also those that have no word of their own", () => {
    expect(eventWords("top")).toBe("top");
    expect(eventWords("halfwayDown")).not.toMatch(/[A-Z]/);
    expect(eventWords("someNewEvent")).toBe("some new event");
    expect(Object.values(FOOT_WORDS).every((w) => /^[a-z ]+$/.test(w))).toBe(true);
  });

  it("say why a bout is in the week, with names and not with ids", () => {
    const nameOf = (id: string) => findStage(id).drill.name;
    const why = (w: Parameters<typeof whyWords>[0]) => whyWords(w, nameOf);
    expect(why({ kind: "path", from: "double-step" })).toBe("goes on from Double step");
    expect(why({ kind: "swing", measure: "pelvisSway" })).toMatch(/^your swing: [a-z ]+$/);
    expect(why({ kind: "goal", symptom: "sway" })).not.toContain("undefined");
    expect(why({ kind: "back", passed: 1, of: 6 })).toContain("1 of the last 6 passed");
    // What an older or newer program wrote is said as it stands.
    expect(why({ kind: "swing", measure: "gone" })).toBe("your swing: gone");
  });
});

describe("a rep's part of its film", () => {
  it("reaches a little beyond the rep, and never beyond the film", () => {
    const times = Float64Array.from({ length: 121 }, (_, i) => (i * 1000) / 60);
    const series = (from: number, to: number) => ({ t: [from, to] }) as never;
    const range = filmRange(times, series(800, 1200));
    expect(range).toEqual([nearestFrame(times, 400), nearestFrame(times, 1600)]);
    expect(filmRange(times, series(100, 1900))).toEqual([0, 120]);
  });
});
