import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { readTrack } from "../../src/core/formats/trackFile";
import { at, POINT } from "../../src/core/track/track";
import { decodeDetections } from "../../src/vision/network/detector";
import { readPoints } from "../../src/vision/network/points";
import { CROP_SIDE } from "../../src/vision/network/poseNetwork";
import { detectedIn } from "./detectedIn";
import { looksOfTracks } from "./looksFile";
import { readLooks } from "./recordedLooks";
import { recordedNetwork } from "./recordedNetwork";

const track = (name: string) => readTrack(readFileSync(`demo/tracks/${name}.track`));
const good = track("double-step-good");
const late = track("double-step-lead-late");
const looksOf = (bytes: Buffer) => readLooks(Uint8Array.from(bytes).buffer);

describe("a recorded network", () => {
  it("finds the golfer in the tile where they stand, and nobody in one beside", async () => {
    const looks = await looksOf(looksOfTracks([good]));
    const look = looks.look(0);
    const tile = { cx: 640, cy: 360, size: 720 };
    const { boxes, scores } = detectedIn(look, tile);
    const [found] = decodeDetections(boxes, scores, tile);
    expect(found!.square.cx).toBeCloseTo(look.square.cx, 2);
    expect(found!.square.cy).toBeCloseTo(look.square.cy, 2);
    expect(found!.square.size).toBeCloseTo(look.square.size, 2);
    const beside = { ...tile, cx: tile.cx + 2000 };
    const there = detectedIn(look, beside);
    expect(decodeDetections(there.boxes, there.scores, beside)).toEqual([]);
  });

  it("says the points of the picture that it is asked about, in whatever square it is asked", async () => {
    const looks = await looksOf(looksOfTracks([good]));
    const network = recordedNetwork(() => ({ looks, ms: 0 }));
    const points = new Float32Array(good.landmarks.length / good.times.length);
    for (const i of [0, 100, 200]) {
      const square = { cx: good.crop.cx + 30, cy: good.crop.cy - 20, size: good.crop.size * 1.2 };
      const output = await network.landmarks(new Float32Array(CROP_SIDE ** 2 * 3), {
        t: good.times[i]!,
        square,
      });
      readPoints(output, square, points);
      const ankle = at(0, POINT.leftAnkle);
      expect(points[ankle]).toBeCloseTo(good.landmarks[at(i, POINT.leftAnkle)]!, 1);
      expect(points[ankle + 1]).toBeCloseTo(good.landmarks[at(i, POINT.leftAnkle) + 1]!, 1);
    }
  });

  it("plays films one after another, each with its last picture standing for a while", async () => {
    const looks = await looksOf(looksOfTracks([good, late], { restS: 2 }));
    const [n, rests] = [good.times.length, Math.round(2000 / (1000 / 60))];
    expect(looks.times).toHaveLength(n + late.times.length + 2 * rests);
    expect(looks.look(n + 5)).toEqual({ ...looks.look(n - 1) });
    expect(looks.look(n + rests).points).not.toEqual(looks.look(n - 1).points);
    const waits = await looksOf(looksOfTracks([good], { waitS: 1 }));
    expect(waits.look(59).points).toEqual(looks.look(0).points);
    expect(waits.look(60 + 90).points).toEqual(looks.look(90).points);
    const began = looks.times[n + rests]!;
    expect(began).toBeCloseTo((n * 1000) / 60 + 2000, -2);
  });
});
