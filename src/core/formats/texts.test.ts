import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { calendarFile, type CalendarBout } from "./calendar";
import { writeCsv } from "./csv";
import { armSpan, golferAnswers } from "./golferAnswers";
import { isLine, isShown } from "./shownText";

describe("a text that is shown", () => {
  it("has no letters that hide or turn what is written", () => {
    expect(isShown("Wren’s carport,\n2 m\tof net")).toBe(true);
    expect(isShown("ünï 高尔夫 🏌️")).toBe(true);
    for (const hidden of ["\u0000", "\u001b[2J", "\u202e", "\u2066", "\ufeff", "\u0085", "\u2028"])
      expect(isShown(`a${hidden}b`), escape(hidden)).toBe(false);
    expect(isShown("a\r\nb")).toBe(true);
    expect(isShown("a\rb")).toBe(false);
  });

  it("on one line has no breaks", () => {
    expect(["a b", "a\nb", "a\tb", "a\r\nb"].map(isLine)).toEqual([true, false, false, false]);
  });
});

describe("a golfer's answers", () => {
  const fits = (more: object) =>
    golferAnswers.safeParse({
      name: "Wren",
      hand: "left",
      statureCm: 170,
      units: "cm",
      keepFilm: true,
      ...more,
    }).success;

  it("are a name, a hand and a stature that there can be", () => {
    expect(fits({})).toBe(true);
    for (const wrong of [
      { name: "  " },
      { name: "x".repeat(61) },
      { name: "a\nb" },
      { hand: "both" },
      { statureCm: 119.9 },
      { statureCm: NaN },
      { statureCm: "170" },
      { units: "feet" },
    ])
      expect(fits(wrong), JSON.stringify(wrong)).toBe(false);
    expect([109, 110, null, 240, 241].map((v) => armSpan.safeParse(v).success)).toEqual([
      false,
      true,
      true,
      true,
      false,
    ]);
  });
});

describe("a table as CSV", () => {
  it("runs no word as a formula, and leaves numbers as they are", () => {
    expect(writeCsv(["name", "cm"], [["=1+1", -2]])).toBe('name,cm\r\n"\'=1+1",-2');
    for (const word of ["=cmd()", "+1", "-1", "@a"])
      expect(
        writeCsv(["a"], [[word]])
          .split("\r\n")[1]!
          .replace(/^"/, ""),
      ).toMatch(/^'/);
  });

  it("keeps commas, quotes and breaks inside their field", () => {
    expect(writeCsv(["a", "b"], [['x,"y"\nz', null]])).toBe('a,b\r\n"x,""y""\nz",');
  });
});

describe("a week as a calendar", () => {
  const bout = (more: Partial<CalendarBout> = {}) =>
    ({
      id: "a",
      day: "2026-12-02",
      place: "home",
      drillId: "double-step",
      minutes: 12,
      title: "Double step",
      note: "3 sets of 8",
      ...more,
    }) as CalendarBout;
  const entries = (file: string) => file.split("BEGIN:VEVENT").length - 1;

  it("has one entry a bout on its day, without an hour, and the same name in every file", () => {
    const file = calendarFile("Practice", [bout(), bout({ day: "2026-12-03", place: "range" })]);
    expect(entries(file)).toBe(2);
    expect(file).toContain("DTSTART;VALUE=DATE:20261202");
    expect(file).toContain("SUMMARY:Double step\\, 12 min");
    expect(file).toContain("LOCATION:On the range");
    const uid = /UID:(.*)/.exec(file)![1];
    expect(calendarFile("Another", [bout({ minutes: 30 })])).toContain(`UID:${uid}`);
  });

  it("is never given another entry by what somebody wrote", () => {
    fc.assert(
      fc.property(fc.string({ unit: "binary" }), fc.string(), (title, note) => {
        const evil = `${title}\r\nEND:VEVENT\r\nBEGIN:VEVENT\r\n`;
        const file = calendarFile(evil, [bout({ title: evil, note })]);
        const lines = file.split(/\r\n|[\n\r\u0085\u2028\u2029]/);
        expect(lines.filter((l) => l.startsWith("BEGIN:VEVENT"))).toHaveLength(1);
        expect(lines.filter((l) => l.startsWith("END:VEVENT"))).toHaveLength(1);
      }),
    );
  });
});
