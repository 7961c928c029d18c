import {
  AudioSampleSink,
  EncodedPacketSink,
  Input,
  MATROSKA,
  MP4,
  QTFF,
  VideoSampleSink,
  WEBM,
  type InputVideoTrack,
  type Source,
  type VideoSample,
} from "mediabunny";
import type { ReadAt } from "./boxes";
import { checkContainer } from "./checkContainer";
import { ClipError } from "./clipError";
import { codecName } from "./codecName";
import { storedRect, type Cutout } from "./cutout";
import { LARGEST_CLIP } from "./largestClip";
import { uprightSize, type Box, type Frame } from "./frame";
import { checkSize } from "./pictureSize";

/** A decoded picture whose samples have not been fetched yet. */
export interface Picture {
  /** ms from the clip's first picture. */
  timeMs: number;
  /**
   * Copies an area (of `cutoutArea`) of it, or all of it, out of the decoder.
   *
   * @param into gives memory for it, of `cutoutBytes` or more; not asked where what was wanted is
   * in memory already
   */
  cut(area: Box | null, into?: () => Uint8Array<ArrayBuffer>): Promise<Cutout>;
}

/** A clip opened for reading: what it is, and its pictures and sound in order. */
export interface OpenClip {
  width: number;
  height: number;
  rotation: Frame["rotation"];
  durationMs: number;
  /** Pictures in the file, and how many a second on average. */
  frames: number;
  fps: number;
  audio: boolean;
  /**
   * Decoded pictures in presentation order, between two times (ms) when they are given; each can be
   * cut until the next is asked for.
   */
  pictures(fromMs?: number, toMs?: number): AsyncGenerator<Picture, void, unknown>;
  /**
   * Pictures that stand alone (key frames), each at least so many ms after the one before; and how
   * many they are, told without decoding.
   */
  keyPictures(
    apartMs: number,
  ): Promise<{ count: number; pictures(): AsyncGenerator<Picture, void, unknown> }>;
  /**
   * Mono sound in blocks; none when there is no sound or it can't be decoded, and no more from
   * where it is damaged.
   */
  sound(): AsyncGenerator<{ timeMs: number; rate: number; samples: Float32Array }, void, unknown>;
  close(): void;
}

/**
 * Opens a clip from any mediabunny source (a browser File, a path in Node).
 *
 * @param bytes size of the file, checked before anything is read
 * @param read reads some of its bytes: its tables are looked at before the library reads them
 * @throws ClipError empty, tooBig, notVideo, truncated, damaged, noPicture, codec, size, tooLong,
 * tooShort
 */
// eslint-disable-next-line max-lines-per-function -- what an open clip can be asked, over one decoder
export async function openClip(source: Source, bytes: number, read: ReadAt): Promise<OpenClip> {
  if (bytes === 0) throw new ClipError("empty");
  if (bytes > LARGEST_CLIP) throw new ClipError("tooBig", `${(bytes / 1024 ** 3).toFixed(1)} GB`);
  const container = await checkContainer(read, bytes);
  const input = new Input({ source, formats: [MP4, QTFF, MATROSKA, WEBM] });
  try {
    if (!(await input.canRead())) throw new ClipError("notVideo");
    const track = await firstPicture(input);
    const codec = await track.getCodec();
    if (!(await track.canDecode())) throw new ClipError("codec", codecName(codec, container.codec));
    const stats = await track.computePacketStats();
    const start = await track.getFirstTimestamp();
    const durationMs = ((await track.computeDuration()) - start) * 1000;
    if (durationMs < 1000) throw new ClipError("tooShort", `${(durationMs / 1000).toFixed(1)} s`);
    const rotation = await track.getRotation();
    const sideways = rotation === 90 || rotation === 270;
    const [w, h] = [await track.getCodedWidth(), await track.getCodedHeight()];
    checkSize(w, h);
    // Tables that are damaged are not even looked at by the library.
    const soundTrack = container.sound ? await input.getPrimaryAudioTrack() : null;
    const audio = soundTrack !== null && (await soundTrack.canDecode());
    return {
      width: sideways ? h : w,
      height: sideways ? w : h,
      rotation,
      durationMs,
      frames: stats.packetCount,
      fps: stats.averagePacketRate,
      audio: soundTrack !== null,
      async *pictures(fromMs, toMs) {
        let count = 0;
        try {
          for await (const sample of new VideoSampleSink(track).samples(
            fromMs === undefined ? undefined : start + fromMs / 1000,
            toMs === undefined ? undefined : start + toMs / 1000,
          )) {
            yield* handedOut(sample, start, rotation);
            count++;
          }
        } catch (error) {
          if (error instanceof ClipError) throw error;
          throw new ClipError(
            "truncated",
            `after ${count} of ${stats.packetCount} pictures`,
            error,
          );
        }
        if (fromMs === undefined && toMs === undefined && count < stats.packetCount * 0.9)
          throw new ClipError("truncated", `after ${count} of ${stats.packetCount} pictures`);
      },
      async keyPictures(apartMs) {
        const times = await keyTimes(track, apartMs);
        return {
          count: times.length,
          async *pictures() {
            for await (const sample of new VideoSampleSink(track).samplesAtTimestamps(times))
              if (sample) yield* handedOut(sample, start, rotation);
          },
        };
      },
      async *sound() {
        if (!soundTrack || !audio) return;
        try {
          for await (const sample of new AudioSampleSink(soundTrack).samples()) {
            const samples = new Float32Array(sample.numberOfFrames);
            sample.copyTo(samples, { planeIndex: 0, format: "f32-planar" });
            const block = {
              timeMs: (sample.timestamp - start) * 1000,
              rate: sample.sampleRate,
              samples,
            };
            sample.close();
            yield block;
          }
        } catch {
          // What was heard before the damage is kept; the picture does not need the rest.
        }
      },
      close: () => input.dispose(),
    };
  } catch (error) {
    input.dispose();
    if (error instanceof ClipError) throw error;
    throw new ClipError("truncated", undefined, error);
  }
}

async function firstPicture(input: Input): Promise<InputVideoTrack> {
  let track: InputVideoTrack | null;
  try {
    track = await input.getPrimaryVideoTrack();
  } catch (error) {
    throw new ClipError("truncated", "its list of pictures is missing", error);
  }
  if (track) return track;
  throw (await input.getPrimaryAudioTrack())
    ? new ClipError("noPicture")
    : new ClipError("truncated", "its list of pictures is missing");
}

/** Times of key frames, s, each at least so many ms after the one before. */
async function keyTimes(track: InputVideoTrack, apartMs: number): Promise<number[]> {
  const packets = new EncodedPacketSink(track);
  const times: number[] = [];
  for (
    let packet = await packets.getFirstPacket({ metadataOnly: true });
    packet;
    packet = await packets.getNextKeyPacket(packet, { metadataOnly: true })
  )
    if ((packet.timestamp - (times[times.length - 1] ?? -Infinity)) * 1000 >= apartMs)
      times.push(packet.timestamp);
  return times;
}

/** A decoded sample as a picture, for as long as whoever asked for it looks at it. */
function* handedOut(
  sample: VideoSample,
  start: number,
  rotation: Frame["rotation"],
): Generator<Picture, void, unknown> {
  const timeMs = (sample.timestamp - start) * 1000;
  try {
    yield pictureOf(sample, timeMs, rotation);
  } finally {
    sample.close();
  }
}

/** A decoded sample as a picture of some time (ms); valid until the sample is closed. */
export const pictureOf = (
  sample: VideoSample,
  timeMs: number,
  rotation: Frame["rotation"],
): Picture => ({ timeMs, cut: (area, into) => cut(sample, timeMs, rotation, area, into) });

async function cut(
  sample: VideoSample,
  timeMs: number,
  rotation: Frame["rotation"],
  area: Box | null,
  into?: () => Uint8Array<ArrayBuffer>,
): Promise<Cutout> {
  const { left, top, width: w, height: h } = sample.visibleRect;
  const [across, down] = uprightSize({ width: w, height: h, rotation });
  const { x, y, width, height } = area
    ? storedRect(rotation, area, across, down)
    : { x: 0, y: 0, width: w, height: h };
  const rect = { x: left + x, y: top + y, width, height };
  const base = {
    timeMs,
    width,
    height,
    rotation,
    // Untagged film: BT.709 from 720 lines up, BT.601 below, as encoders do.
    matrix: (sample.colorSpace.matrix ? sample.colorSpace.matrix !== "bt709" : Math.min(w, h) < 720)
      ? ("bt601" as const)
      : ("bt709" as const),
    fullRange: sample.colorSpace.fullRange ?? false,
  };
  const piece = (frame: Frame): Cutout => ({
    frame,
    left: area?.left ?? 0,
    top: area?.top ?? 0,
    of: { width: across, height: down },
  });
  if (sample.format === "I420" || sample.format === "I420A" || sample.format === "NV12") {
    const size = sample.allocationSize({ rect });
    const memory = into?.();
    const data = memory && memory.length >= size ? memory : new Uint8Array(size);
    const [luma, second, third] = await sample.copyTo(data, { rect });
    const chroma =
      sample.format === "NV12"
        ? { u: { ...second!, step: 2 }, v: { ...second!, offset: second!.offset + 1, step: 2 } }
        : { u: { ...second!, step: 1 }, v: { ...third!, step: 1 } };
    return piece({ ...base, data, y: { ...luma!, step: 1 }, ...chroma });
  }
  return piece({ ...base, ...(await fromRgba(sample, rect)), matrix: "bt709", fullRange: false });
}

/** Rare pixel formats (10-bit, RGB): by way of RGBA, once, to 4:2:0 BT.709. */
async function fromRgba(
  sample: VideoSample,
  rect: { x: number; y: number; width: number; height: number },
): Promise<Pick<Frame, "data" | "y" | "u" | "v">> {
  const { width, height } = rect;
  const rgba = new Uint8Array(width * height * 4);
  await sample.copyTo(rgba, { format: "RGBA", rect });
  const cw = width >> 1;
  const ch = height >> 1;
  const data = new Uint8Array(width * height + 2 * cw * ch);
  const uAt = width * height;
  const vAt = uAt + cw * ch;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = (y * width + x) * 4;
      const [r, g, b] = [rgba[i]!, rgba[i + 1]!, rgba[i + 2]!];
      const luma = 0.2126 * r + 0.7152 * g + 0.0722 * b;
      data[y * width + x] = 16 + (luma * 219) / 255;
      if (x % 2 === 0 && y % 2 === 0 && x >> 1 < cw && y >> 1 < ch) {
        data[uAt + (y >> 1) * cw + (x >> 1)] = 128 + (((b - luma) / 1.8556) * 224) / 255;
        data[vAt + (y >> 1) * cw + (x >> 1)] = 128 + (((r - luma) / 1.5748) * 224) / 255;
      }
    }
  return {
    data,
    y: { offset: 0, stride: width, step: 1 },
    u: { offset: uAt, stride: cw, step: 1 },
    v: { offset: vAt, stride: cw, step: 1 },
  };
}
