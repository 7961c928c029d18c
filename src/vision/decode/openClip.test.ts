import { execFileSync } from "node:child_process";
import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { BlobSource } from "mediabunny";
import { describe, expect, it } from "vitest";
import { openClipFile } from "../node/loadNode";
import { lumaWindow } from "../patches/lumaWindow";
import { openClip } from "./openClip";

const dir = mkdtempSync(path.join(os.tmpdir(), "kingfisher-clips-"));
const make = (name: string, ...args: string[]) => {
  const file = path.join(dir, name);
  execFileSync("ffmpeg", ["-v", "error", "-y", ...args, file]);
  return file;
};
/** White on the left half, black on the right. */
const HALVES = [
  "-f",
  "lavfi",
  "-i",
  "color=white:size=160x240:rate=30:duration=1.5,pad=320:240:0:0:black",
  "-pix_fmt",
  "yuv420p",
];

const times = async (file: string) => {
  const clip = await openClipFile(file);
  const out: number[] = [];
  for await (const f of clip.pictures()) out.push(f.timeMs);
  clip.close();
  return out;
};

describe("opening a clip", () => {
  it("turns a phone's picture upright", async () => {
    const flat = make("flat.mp4", ...HALVES);
    const turned = make("turned.mp4", "-i", flat, "-c", "copy", "-metadata:s:v:0", "rotate=270");
    const clip = await openClipFile(turned);
    expect([clip.width, clip.height, clip.rotation]).toEqual([240, 320, 90]);
    for await (const picture of clip.pictures()) {
      const { frame } = await picture.cut(null);
      // What was left is now above.
      expect(lumaWindow(frame, 120, 20, 1, 1).data[0]).toBeGreaterThan(200);
      expect(lumaWindow(frame, 120, 300, 1, 1).data[0]).toBeLessThan(40);
      const piece = await picture.cut({ left: 100, top: 150, right: 140, bottom: 180 });
      expect(lumaWindow(piece.frame, 0, 0, 40, 30).data).toEqual(
        lumaWindow(frame, 100, 150, 40, 30).data,
      );
      break;
    }
    clip.close();
  });

  it("keeps the true times of a film whose pictures do not come evenly", async () => {
    const uneven = make(
      "uneven.mp4",
      ...HALVES,
      "-vf",
      "select='not(eq(n,3)+eq(n,10)+eq(n,11))'",
      "-fps_mode",
      "vfr",
    );
    const t = await times(uneven);
    expect(t.slice(0, 5).map((v) => Math.round(v))).toEqual([0, 33, 67, 133, 167]);
    expect(t.length).toBe(42);
  });

  it("reads HEVC on the computer", async () => {
    expect(
      (
        await times(
          make(
            "hevc.mp4",
            ...HALVES,
            "-c:v",
            "libx265",
            "-tag:v",
            "hvc1",
            "-x265-params",
            "log-level=none",
          ),
        )
      ).length,
    ).toBe(45);
  });

  it("reads 240 pictures a second", async () => {
    const t = await times(make("fast.mp4", ...HALVES, "-r", "240"));
    expect(t[1]! - t[0]!).toBeCloseTo(1000 / 240, 1);
  });

  it("goes from key frame to key frame, no nearer than asked", async () => {
    const clip = await openClipFile(make("keys.mp4", ...HALVES, "-g", "15", "-keyint_min", "15"));
    const { count, pictures } = await clip.keyPictures(700);
    const seen: number[] = [];
    for await (const picture of pictures()) {
      seen.push(Math.round(picture.timeMs));
      expect(lumaWindow((await picture.cut(null)).frame, 20, 120, 1, 1).data[0]).toBeGreaterThan(
        200,
      );
    }
    expect(seen).toEqual([0, 1000]);
    expect(count).toBe(2);
    clip.close();
  });

  it("refuses 4 GB before reading a byte, and says how to go on", async () => {
    await expect(
      openClip(new BlobSource(new Blob([])), 4 * 1024 ** 3, async () => new Uint8Array()),
    ).rejects.toMatchObject({ code: "tooBig", action: expect.stringContaining("Trim it") });
  });
});
