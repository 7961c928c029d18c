import { expose } from "comlink";
import { ALL_FORMATS, BlobSource, Input, VideoSampleSink, type VideoSample } from "mediabunny";
import { drawSample } from "./drawSample";
import type { FramesWorker } from "./framesProtocol";

/**
 * Decodes every picture of a stretch of a film, cut to a square and made as small as it is shown.
 */
const frames: FramesWorker = {
  async read(film, asked, pictures) {
    const input = new Input({ source: new BlobSource(film), formats: ALL_FORMATS });
    try {
      const track = await input.getPrimaryVideoTrack();
      if (!track || !(await track.canDecode())) return "codec";
      const start = await track.getFirstTimestamp();
      const sink = new VideoSampleSink(track);
      const canvas = new OffscreenCanvas(asked.px, asked.px);
      // Drawn by the processor: bitmaps of a canvas that the graphics drew hold the decoder's own
      // pictures, and it waited seconds for one to come free (docs/performance.md).
      const context = canvas.getContext("2d", { alpha: false, willReadFrequently: true })!;
      const show = (sample: VideoSample) => {
        drawSample(context, sample, asked.square, asked.px);
        const bitmap = canvas.transferToImageBitmap();
        pictures.postMessage({ timeS: sample.timestamp - start, bitmap }, [bitmap]);
        sample.close();
      };
      // What is looked at comes first.
      const first = await sink.getSample(start + asked.firstS);
      if (first) show(first);
      for await (const sample of sink.samples(start + asked.fromS, start + asked.toS)) show(sample);
      pictures.postMessage(null);
      return "done";
    } finally {
      input.dispose();
    }
  },
};

expose(frames);
