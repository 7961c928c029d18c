import { describe, expect, it } from "vitest";
import { DRILLS, isJudged } from "../drills";
import { isThrough, ladder, wentOnKey, type StageRep } from "./ladder";

const drill = (id: string) => DRILLS.find((d) => d.id === id)!;
/** `p` pass, `f` fail, `n` not judged; the latest first. */
const reps = (stageId: string, letters: string, day: string): StageRep[] =>
  [...letters].map((c) => ({
    stageId,
    day,
    result: ({ p: "pass", f: "fail", n: "not judged" } as const)[c as "p"],
  }));

describe("the ladder of a drill's stages", () => {
  const pivot = drill("trail-foot-pivot");
  const [braced, turn, joined] = pivot.stages.map((s) => s.id) as [string, string, string];
  const dose = pivot.dose.sets * pivot.dose.reps;
  const done = (stageId: string) => [
    ...reps(stageId, "n".repeat(dose), "2"),
    ...reps(stageId, "n".repeat(dose), "1"),
  ];
  const is = (list: StageRep[]) => ladder(pivot, list).map((s) => s.is);

  it("begins at the first stage", () => {
    expect(is([])).toEqual(["here", "ahead", "ahead"]);
    expect(isThrough(pivot, ladder(pivot, []))).toBe(false);
  });

  it("takes a rehearsal's whole dose on two days, and 8 of the last 10 judged reps over two days", () => {
    expect(is(done(braced).slice(1))).toEqual(["here", "ahead", "ahead"]);
    expect(is(done(braced))).toEqual(["done", "here", "ahead"]);
    const eight = [...reps(turn, "pppnpp", "3"), ...reps(turn, "ppfpf", "2")];
    expect(is([...eight, ...done(braced)])).toEqual(["done", "done", "here"]);
    expect(isThrough(pivot, ladder(pivot, [...eight, ...done(braced)]))).toBe(true);
  });

  it("does not take eight passes of one day, nor old passes that newer fails have pushed out", () => {
    expect(is([...reps(turn, "pppppppppp", "3"), ...done(braced)])).toEqual([
      "done",
      "here",
      "ahead",
    ]);
    expect(
      is([...reps(turn, "fff", "4"), ...reps(turn, "pppppppppp", "3"), ...done(braced)]),
    ).toEqual(["done", "here", "ahead"]);
  });

  it("lets the golfer go on sooner, says so, and goes back with them", () => {
    const on = ladder(pivot, reps(braced, "n", "1"), {
      [wentOnKey(pivot.id, braced)]: "2026-11-03",
    });
    expect(on.map((s) => [s.is, s.wentOn])).toEqual([
      ["done", "2026-11-03"],
      ["here", null],
      ["ahead", null],
    ]);
    // What is done by its reps is not done by decision.
    expect(
      ladder(pivot, done(braced), { [wentOnKey(pivot.id, braced)]: "2026-11-03" })[0],
    ).toMatchObject({ is: "done", wentOn: null });
    expect(is(reps(braced, "n", "1"))).toEqual(["here", "ahead", "ahead"]);
  });

  it("tells which reps it goes by, the latest first", () => {
    expect(ladder(pivot, reps(turn, "pnfp", "3"))[1]!.last).toEqual(["pass", "fail", "pass"]);
  });

  it("counts reps that were not judged neither way", () => {
    const s = ladder(pivot, [...reps(turn, "nnnpn", "3")])[1]!;
    expect([s.judged, s.passed, s.days, s.back]).toEqual([1, 1, 1, false]);
  });

  it("sends back at three passes of the last ten, and not at fewer reps", () => {
    const back = (letters: string) => ladder(pivot, reps(turn, letters, "3"))[1]!.back;
    expect(back("pppfffffff")).toBe(true);
    expect(back("ppppffffff")).toBe(false);
    expect(back("fffffffff")).toBe(false);
  });

  it("lets a stage that was done without the one before it stand, and keeps the golfer where the gap is", () => {
    expect(is([...reps(turn, "pppppp", "3"), ...reps(turn, "pppp", "2")])).toEqual([
      "here",
      "done",
      "ahead",
    ]);
    expect(joined).toBe("joined-fo");
  });

  it("goes on from every drill whose main stages are done, judged or not", () => {
    for (const d of DRILLS.filter((x) => x.group !== "baseline")) {
      const all = d.stages.flatMap((s) =>
        isJudged(s)
          ? [...reps(s.id, "ppppp", "2"), ...reps(s.id, "ppppp", "1")]
          : [
              ...reps(s.id, "n".repeat(d.dose.sets * d.dose.reps), "2"),
              ...reps(s.id, "n".repeat(d.dose.sets * d.dose.reps), "1"),
            ],
      );
      expect(isThrough(d, ladder(d, all)), d.id).toBe(true);
    }
  });
});
