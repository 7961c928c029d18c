import { describe, expect, it } from "vitest";
import { readFlightCsv } from "./flightCsv";

describe("what the ball did, from a file", () => {
  it("is the middle of the numbers and the word that most shots have", () => {
    expect(
      readFlightCsv(
        "Strike, curve,carry_m,spin\nclean,left,132,5000\nthin,right,118,\nclean,,135,6000\n",
      ),
    ).toEqual({ ok: true, shots: 3, flight: { strike: "clean", carryM: 132 } });
  });

  it("says what is wrong, and where", () => {
    const told = (text: string) => {
      const read = readFlightCsv(text);
      return read.ok ? "" : read.message;
    };
    expect(told("distance\n100")).toMatch(/None of the columns strike, start/);
    expect(told("strike\n")).toMatch(/nothing below/);
    expect(told("strike\nclean\nfat")).toMatch(/^Row 3: strike is one of heavy, .* not “fat”/);
    expect(told("carry_m\n1 3 2")).toMatch(/^Row 2: carry_m/);
    expect(told("carry_m\n1320")).toMatch(/carry_m is in m/);
  });
});
