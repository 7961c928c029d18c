import { readFileSync } from "node:fs";
import { beforeAll, describe, expect, it } from "vitest";
import { readTrack } from "../formats/trackFile";
import { statureInPx } from "../track/bodySize";
import { at, POINT, type Track } from "../track/track";
import { during, pictureProblems } from "./problems";

let alone: Track;
let x: number;
let tall: number;
beforeAll(() => {
  alone = readTrack(readFileSync("demo/tracks/double-step-good.track"));
  tall = statureInPx(alone);
  x = alone.landmarks[at(60, POINT.leftHip)]!;
});
const withOthers = (others: [t: number, beside: number, size: number][]): Track => ({
  ...alone,
  others: others.map(([t, beside, size]) => ({
    t,
    x: x + beside * tall,
    y: 300,
    size: size * 1.42 * tall,
  })),
});
const codes = (track: Track) => pictureProblems(track).map((p) => `${p.code} ${p.touches}`);

describe("other people", () => {
  it("nearer to the phone who pass before the golfer spoil that while, even if hidden looks lie between", () => {
    const track = withOthers([
      [1000, -1.2, 1.4],
      [2000, 0.9, 1.4],
    ]);
    expect(codes(track)).toEqual(["secondPerson rep"]);
    const problems = pictureProblems(track);
    expect(during(problems, 1200, 1800)).toHaveLength(1);
    expect(during(problems, 3000, 3500)).toHaveLength(0);
  });

  it("farther off, or nearer but well to the side, are only said", () => {
    expect(
      codes(
        withOthers([
          [1000, -0.6, 0.6],
          [1500, 0.1, 0.6],
          [2000, 0.6, 0.6],
        ]),
      ),
    ).toEqual(["secondPerson nothing"]);
    expect(
      codes(
        withOthers([
          [1000, 1.6, 1.3],
          [1500, 1.6, 1.3],
        ]),
      ),
    ).toEqual(["secondPerson nothing"]);
  });

  it("are not the golfer found a second time, nor a hand, nor a shadow twice as large as anybody", () => {
    expect(
      codes(
        withOthers([
          [500, 0.02, 0.95],
          [1000, 0.05, 0.9],
          [1500, 0.1, 0.2],
          [2000, 0.3, 4],
        ]),
      ),
    ).toEqual([]);
  });
});

describe("the phone and the light", () => {
  it("a background that moved for good is a phone that moved; one look alone is not", () => {
    const looks = alone.looks.map((l) => ({ ...l, moved: 0.1 }));
    const last = looks.length - 1;
    expect(
      codes({ ...alone, looks: looks.map((l, i) => (i >= 10 ? { ...l, moved: 14 } : l)) }),
    ).toEqual(["movedCamera rep"]);
    expect(
      codes({ ...alone, looks: looks.map((l, i) => (i === 10 ? { ...l, moved: 14 } : l)) }),
    ).toEqual([]);
    expect(
      codes({ ...alone, looks: looks.map((l, i) => (i === last ? { ...l, moved: 14 } : l)) }),
    ).toEqual(["movedCamera rep"]);
  });

  it("in the dark nothing else is said", () => {
    const looks = alone.looks.map((l) => ({ ...l, moved: 40, luma: 20 }));
    expect(codes({ ...withOthers([[1000, 0.1, 1.4]]), looks })).toEqual(["dark rep"]);
  });
});
