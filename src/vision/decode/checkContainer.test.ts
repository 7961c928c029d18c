import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { Bytes, boxAt, boxesIn } from "./boxes";
import { checkContainer } from "./checkContainer";
import { ClipError } from "./clipError";

const dir = mkdtempSync(path.join(os.tmpdir(), "kingfisher-container-"));
/** Two seconds of film with sound, as a phone or a program packs it. */
function film(name: string, ...args: string[]): Uint8Array<ArrayBuffer> {
  const file = path.join(dir, name);
  execFileSync("ffmpeg", [
    "-v",
    "error",
    "-y",
    "-f",
    "lavfi",
    "-i",
    "testsrc=size=320x240:rate=30:duration=2",
    "-f",
    "lavfi",
    "-i",
    "sine=440:duration=2",
    "-pix_fmt",
    "yuv420p",
    ...args,
    file,
  ]);
  return new Uint8Array(readFileSync(file));
}
const LAYOUTS = {
  "index first": film("a.mp4", "-movflags", "+faststart"),
  "index last": film("b.mp4"),
  fragments: film("c.mp4", "-movflags", "frag_keyframe+empty_moov", "-g", "15"),
  QuickTime: film("d.mov", "-c:a", "pcm_s16le"),
  "without sound": film("e.mp4", "-an"),
  uneven: film("f.mp4", "-vf", "select='not(eq(mod(n,5),2))'", "-fps_mode", "vfr"),
  "B-frames": film("g.mp4", "-bf", "3"),
  HEVC: film("h.mp4", "-c:v", "libx265", "-x265-params", "log-level=none", "-tag:v", "hvc1"),
};
const check = (data: Uint8Array) =>
  checkContainer(async (from, to) => data.subarray(from, to), data.length);
const plain = LAYOUTS["index last"];

/** The place of a table's first byte; of the picture, or of the sound. */
function tableAt(data: Uint8Array, type: string, track: 0 | 1 = 0): number {
  const bytes = new Bytes(data);
  const moov = boxAt(bytes, { from: 0, to: data.length }, "moov")!;
  const trak = [...boxesIn(bytes, moov.from, moov.to)].filter((b) => b.type === "trak")[track]!;
  return boxAt(bytes, trak, "mdia", "minf", "stbl", type)!.from;
}
/** A copy with a 32-bit number at a place. */
function withNumber(
  data: Uint8Array<ArrayBuffer>,
  at: number,
  value: number,
): Uint8Array<ArrayBuffer> {
  const out = data.slice();
  new DataView(out.buffer).setUint32(at, value);
  return out;
}

describe("a film's container", () => {
  it.each(Object.entries(LAYOUTS))(
    "is taken as phones and programs write it: %s",
    async (_, data) => {
      expect(await check(data)).toMatchObject({ sound: true });
    },
  );

  it.each([
    ["more samples than it has bytes", withNumber(plain, tableAt(plain, "stsz") + 8, 2 ** 20)],
    [
      "all samples of a size that no file has",
      withNumber(plain, tableAt(plain, "stsz") + 4, 2 ** 20),
    ],
    ["times of millions of pictures", withNumber(plain, tableAt(plain, "stts") + 8, 2 ** 24)],
    [
      "more runs of times than the table holds",
      withNumber(plain, tableAt(plain, "stts") + 4, 2 ** 20),
    ],
    [
      "chunks of more samples than there are",
      withNumber(plain, tableAt(plain, "stsc") + 12, 2 ** 30),
    ],
    ["chunks without a sample", withNumber(plain, tableAt(plain, "stsc") + 12, 0)],
    ["no time between pictures", withNumber(plain, tableAt(plain, "stts") + 12, 0)],
    ["more key pictures than pictures", withNumber(plain, tableAt(plain, "stss") + 4, 2 ** 16)],
  ])("is refused where its tables claim %s", async (_, data) => {
    await expect(check(data)).rejects.toMatchObject({ code: "damaged" });
  });

  it("is refused where a fragment claims more samples than the file can hold", async () => {
    const data = LAYOUTS.fragments;
    const trun = Buffer.from(data).indexOf("trun") + 4;
    await expect(check(withNumber(data, trun + 4, 2 ** 26))).rejects.toMatchObject({
      code: "damaged",
    });
  });

  it("is read without its sound where only the sound's tables are damaged", async () => {
    expect(await check(withNumber(plain, tableAt(plain, "stsz", 1) + 8, 2 ** 20))).toMatchObject({
      codec: "avc1",
      sound: false,
    });
  });

  it.each([
    [0, 240],
    [16, 4000],
    [9000, 240],
  ])("is refused with a picture of %i × %i", async (width, height) => {
    await expect(
      check(withNumber(plain, tableAt(plain, "stsd") + 8 + 32, width * 65536 + height)),
    ).rejects.toMatchObject({
      code: "size",
      message: expect.stringContaining(`${width} × ${height}`),
    });
  });

  it("that lacks its end says how many pictures are there, and without its index that it is missing", async () => {
    const first = LAYOUTS["index first"];
    await expect(check(first.subarray(0, Math.round(first.length * 0.7)))).rejects.toMatchObject({
      code: "truncated",
      message: expect.stringMatching(/\d+ of 60 pictures are there/),
    });
    await expect(check(plain.subarray(0, tableAt(plain, "stsd") - 500))).rejects.toMatchObject({
      code: "truncated",
      message: expect.stringContaining("list of pictures is missing"),
    });
  });

  it("whatever bytes of it are changed, is taken or refused as a clip, in no time", async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...Object.values(LAYOUTS)),
        fc.array(fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.nat(255)), {
          minLength: 1,
          maxLength: 30,
        }),
        fc.boolean(),
        async (data, changes, inIndex) => {
          const bytes = new Bytes(data);
          const moov = boxAt(bytes, { from: 0, to: data.length }, "moov")!;
          const out = data.slice();
          for (const [at, value] of changes)
            out[
              Math.floor(
                inIndex ? moov.from + at * (moov.to - moov.from - 1) : at * (data.length - 1),
              )
            ] = value;
          const began = performance.now();
          await check(out).catch((error: unknown) => expect(error).toBeInstanceOf(ClipError));
          expect(performance.now() - began).toBeLessThan(1000);
        },
      ),
      { numRuns: 400, seed: 3 },
    );
  });
});
