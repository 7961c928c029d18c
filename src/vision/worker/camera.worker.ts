import { Mutex } from "async-mutex";
import { expose } from "comlink";
import { sha256 } from "@noble/hashes/sha2.js";
import { bytesToHex } from "@noble/hashes/utils.js";
import { VideoSample } from "mediabunny";
import { pictureOf } from "../decode";
import { Grabber, Recorder } from "../live";
import type { CameraSize, CameraWorker, FromCamera, ToCamera } from "./liveProtocol";

/** A recorder that is behind by so many pictures leaves some out rather than hold the camera up. */
const MOST_BEHIND = 12;

let recorder: Recorder | null = null;
let stopped = false;

/**
 * Takes a camera's frames: copies out what is looked at, and records all. It judges nothing, so
 * that it never keeps the camera waiting.
 */
const camera: CameraWorker = {
  async start(frames, size, pictures, lost) {
    stopped = false;
    const grabber = new Grabber();
    recorder = await Recorder.start(size, () => (recorder = null));
    pictures.onmessage = ({ data }: MessageEvent<ToCamera>) =>
      data.type === "want" ? grabber.wants(data.want) : grabber.back(data.data);
    const each = (frame: VideoFrame) => take(frame, grabber, size, pictures);
    if (frames instanceof MessagePort) {
      // One after another: a picture's copies are made before the next one's.
      const copying = new Mutex();
      frames.onmessage = ({ data }: MessageEvent<VideoFrame | "ended">) =>
        copying
          .runExclusive(() => (data === "ended" ? lost("ended") : each(data)))
          .catch((e: unknown) => lost(why(e)));
    } else
      void readAll(frames, each).then(
        () => !stopped && lost("ended"),
        (e: unknown) => lost(why(e)),
      );
    return { records: recorder !== null };
  },
  async clip(fromMs, toMs) {
    const made = (await recorder?.clip(fromMs, toMs)) ?? null;
    return (
      made && { ...made, sha256: bytesToHex(sha256(new Uint8Array(await made.file.arrayBuffer()))) }
    );
  },
  stop() {
    stopped = true;
    recorder?.end();
    recorder = null;
  },
};

const why = (e: unknown) => (e instanceof Error ? e.message : String(e));

async function readAll(
  frames: ReadableStream<VideoFrame>,
  each: (frame: VideoFrame) => Promise<void>,
): Promise<void> {
  const reader = frames.getReader();
  for (let next = await reader.read(); !next.done; next = await reader.read()) {
    if (stopped) {
      next.value.close();
      await reader.cancel();
      return;
    }
    await each(next.value);
  }
}

async function take(
  frame: VideoFrame,
  grabber: Grabber,
  size: CameraSize,
  pictures: MessagePort,
): Promise<void> {
  const t = frame.timestamp / 1000;
  const sample = new VideoSample(frame);
  try {
    if (recorder && recorder.queue < MOST_BEHIND) recorder.take(frame);
    const picture = await grabber.grab(pictureOf(sample, t, 0), size);
    const message: FromCamera = {
      picture,
      clock: t - (performance.timeOrigin + performance.now()),
    };
    if (picture.part || picture.whole)
      pictures.postMessage(
        message,
        [picture.part, picture.whole].flatMap((p) =>
          p ? [p.frame.data.buffer as ArrayBuffer] : [],
        ),
      );
  } finally {
    sample.close();
  }
}

expose(camera);
