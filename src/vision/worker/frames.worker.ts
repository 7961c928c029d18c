import { expose } from "comlink";
import { ALL_FORMATS, BlobSource, Input, VideoSampleSink, type VideoSample } from "mediabunny";
import type { FramesAsked, FramesWorker } from "./framesProtocol";

/** Decodes every picture of a stretch of a film, cut to a square and made as small as it is shown. */
const frames: FramesWorker = {
  async read(film, asked, pictures) {
    const input = new Input({ source: new BlobSource(film), formats: ALL_FORMATS });
    try {
      const track = await input.getPrimaryVideoTrack();
      if (!track || !(await track.canDecode())) return "codec";
      const start = await track.getFirstTimestamp();
      const sink = new VideoSampleSink(track);
      const canvas = new OffscreenCanvas(asked.px, asked.px);
      const context = canvas.getContext("2d", { alpha: false })!;
      const show = (sample: VideoSample) => {
        const bitmap = drawn(sample, asked, canvas, context);
        pictures.postMessage({ timeS: sample.timestamp - start, bitmap }, [bitmap]);
        sample.close();
      };
      // What is looked at comes first.
      const first = await sink.getSample(start + asked.firstS);
      if (first) show(first);
      for await (const sample of sink.samples(start + asked.fromS, start + asked.toS)) show(sample);
      return "done";
    } finally {
      input.dispose();
    }
  },
};

function drawn(sample: VideoSample, { square, px }: FramesAsked, canvas: OffscreenCanvas, context: OffscreenCanvasRenderingContext2D): ImageBitmap {
  const k = px / square.size;
  context.fillStyle = "#000";
  context.fillRect(0, 0, px, px);
  // Only what lies in the film can be cut out of it.
  const [left, top] = [Math.max(0, square.left), Math.max(0, square.top)];
  const [right, bottom] = [Math.min(sample.displayWidth, square.left + square.size), Math.min(sample.displayHeight, square.top + square.size)];
  sample.draw(context, left, top, right - left, bottom - top, (left - square.left) * k, (top - square.top) * k, (right - left) * k, (bottom - top) * k);
  return canvas.transferToImageBitmap();
}

expose(frames);
