import { describe, expect, it } from "vitest";
import { POINT, POINTS, STRIDE } from "../../core/track/track";
import { decodeDetections } from "./detector";
import { readPoints } from "./points";

describe("the detector's output", () => {
  /** Raw output with people at given cells of the first (28 × 28 × 2) grid. */
  const raw = (people: { cell: [number, number]; logit: number; shift?: number }[]) => {
    const boxes = new Float32Array(2254 * 12);
    const scores = new Float32Array(2254).fill(-50);
    for (const {
      cell: [x, y],
      logit,
      shift = 0,
    } of people) {
      const i = (y * 28 + x) * 2;
      scores[i] = logit;
      // Box 0.2 wide; mid-hip at the anchor, the body's circle 56 px (a quarter of the tile) above
      // it.
      boxes.set([shift, 0, 44.8, 44.8, shift, 0, shift, -56, 0, 0, 0, 0], i * 12);
    }
    return { boxes, scores };
  };

  it("becomes a body's square in the picture, 2.5 times the distance of its two points", () => {
    const { boxes, scores } = raw([{ cell: [14, 14], logit: 4 }]);
    const [found, ...others] = decodeDetections(boxes, scores, { cx: 500, cy: 300, size: 448 });
    expect(others).toEqual([]);
    expect(found!.score).toBeCloseTo(0.982, 3);
    expect(found!.square.cx).toBeCloseTo(500 + (14.5 / 28 - 0.5) * 448, 3);
    expect(found!.square.size).toBeCloseTo(2.5 * 0.25 * 448, 3);
  });

  it("averages overlapping boxes by score, keeps people apart, and drops the unsure", () => {
    const { boxes, scores } = raw([
      { cell: [7, 14], logit: 3 },
      { cell: [8, 14], logit: 3, shift: -4 },
      { cell: [22, 14], logit: 2 },
      { cell: [15, 5], logit: -0.1 },
    ]);
    const found = decodeDetections(boxes, scores, { cx: 112, cy: 112, size: 224 });
    expect(found.length).toBe(2);
    expect(found[0]!.square.cx).toBeCloseTo((7.5 * 8 + (8.5 * 8 - 4)) / 2, 3);
  });
});

describe("the landmark network's output", () => {
  const square = { cx: 640, cy: 360, size: 512 };
  const output = (rawX: number, peakX: number, peakLogit = 4) => {
    const points = new Float32Array(195);
    points[POINT.nose * 5] = rawX;
    points[POINT.nose * 5 + 1] = 102;
    points[POINT.nose * 5 + 3] = points[POINT.nose * 5 + 4] = 20;
    const heat = new Float32Array(64 * 64 * 39).fill(-20);
    heat[(25 * 64 + peakX) * 39 + POINT.nose] = peakLogit;
    return { points, presence: 1, mask: new Float32Array(0), heat };
  };
  const read = (o: ReturnType<typeof output>) => {
    const out = new Float32Array(POINTS * STRIDE);
    readPoints(o, square, out);
    return [out[0]!, out[1]!, out[2]!];
  };
  const place = (crop: number, centre: number) => centre + (crop / 256 - 0.5) * 512;

  it("is moved to its heat's peak and placed in the picture", () => {
    const [x, y, visibility] = read(output(101, 26));
    expect(x).toBeCloseTo(place(26 * 4, 640), 1);
    expect(y).toBeCloseTo(place(25 * 4, 360), 1);
    expect(visibility).toBeCloseTo(1, 5);
  });

  it("stays where the network put it when the peak is another foot's, or none at all", () => {
    expect(read(output(101, 28))[0]).toBeCloseTo(place(101, 640), 1);
    expect(read(output(101, 26, -1))[0]).toBeCloseTo(place(101, 640), 1);
  });
});
