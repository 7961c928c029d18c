import { readFileSync } from "node:fs";
import { beforeAll, describe, expect, it } from "vitest";
import { readTrack, TrackFileError, writeTrack } from "../formats/trackFile";
import { finishTrack } from "./finishTrack";
import { mendSides } from "./mendSides";
import { plantedSpells } from "./plantedSpells";
import { at, POINT, STRIDE, type Track } from "./track";

let bytes: Uint8Array;
let track: Track;
beforeAll(() => {
  bytes = readFileSync("demo/tracks/double-step-good.track");
  track = readTrack(bytes);
});

/** The same track with the legs exchanged in some frames, as the network sometimes has them. */
function swapped(frames: number[]): Track {
  const landmarks = finishTrack(track, true).landmarks.slice();
  for (const i of frames)
    for (const [l, r] of [
      [POINT.leftKnee, POINT.rightKnee],
      [POINT.leftAnkle, POINT.rightAnkle],
      [POINT.leftHeel, POINT.rightHeel],
      [POINT.leftToe, POINT.rightToe],
    ] as const)
      for (let k = 0; k < STRIDE; k++)
        [landmarks[at(i, l) + k], landmarks[at(i, r) + k]] = [
          landmarks[at(i, r) + k]!,
          landmarks[at(i, l) + k]!,
        ];
  return { ...track, landmarks };
}

describe("legs", () => {
  it("that were swapped in a tenth of the frames are put right in every one", () => {
    const frames = [
      0, 1, 40, 41, 42, 43, 44, 45, 46, 47, 48, 90, 131, 132, 133, 180, 181, 182, 183, 184, 250,
      251, 252, 253, 254, 255,
    ];
    expect(mendSides(swapped(frames), true).landmarks).toEqual(finishTrack(track, true).landmarks);
  });

  it("drawn one over the other for a while do not end a spell on the ground", () => {
    const spells = plantedSpells(finishTrack(track, true), "left");
    const collapsed = finishTrack(track, true).landmarks.slice();
    for (let i = 20; i < 45; i++)
      for (const [l, r] of [
        [POINT.leftAnkle, POINT.rightAnkle],
        [POINT.leftHeel, POINT.rightHeel],
        [POINT.leftToe, POINT.rightToe],
      ] as const)
        for (let k = 0; k < 2; k++) collapsed[at(i, l) + k] = collapsed[at(i, r) + k]!;
    const found = plantedSpells({ ...track, landmarks: collapsed }, "left");
    expect(found.map((s) => s.to)).toEqual(spells.map((s) => s.to));
    // The network's own place of a standing foot wanders by about a centimetre (2.4 px here) with
    // the pose.
    expect(Math.abs(found[0]!.ankle[0] - spells[0]!.ankle[0])).toBeLessThan(2.4);
  });
});

describe("a track file", () => {
  it("comes back as it went, from a plain array or from a buffer that shares its memory", () => {
    const shared = Buffer.concat([Buffer.alloc(3), bytes]).subarray(3);
    for (const source of [new Uint8Array(bytes), shared]) {
      const again = readTrack(source);
      expect(again.landmarks).toEqual(track.landmarks);
      expect(again.footPaths).toEqual(track.footPaths);
      expect(Buffer.from(writeTrack(again)).equals(Buffer.from(bytes))).toBe(true);
    }
  });

  it("that was cut short, damaged or is something else says so", () => {
    expect(() => readTrack(bytes.subarray(0, bytes.length - 100))).toThrow(/ends too early/);
    expect(() => readTrack(new TextEncoder().encode("GIF89a, not a track"))).toThrow(
      TrackFileError,
    );
    const damaged = new Uint8Array(bytes);
    damaged.fill(0, 20, 60);
    expect(() => readTrack(damaged)).toThrow(/damaged/);
  });
});
