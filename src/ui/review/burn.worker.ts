import { expose } from "comlink";
import {
  ALL_FORMATS,
  BlobSource,
  BufferTarget,
  CanvasSource,
  getFirstEncodableVideoCodec,
  Input,
  Mp4OutputFormat,
  Output,
  VideoSampleSink,
  type VideoSample,
} from "mediabunny";
import { nearestFrame } from "@/core/track";
import { drawOverlay, type Drawn, type OverlayPart, type OverlayView } from "@/ui/picture/overlay";
import { drawSample } from "@/vision/worker/drawSample";

/** A rep's film with what is drawn over it, as it is to be taken away. */
export interface Burn {
  film: Blob;
  drawn: Drawn;
  view: OverlayView;
  parts: readonly OverlayPart[];
  /** The film's own seconds for one ms of what happened. */
  filmSecondsPerMs: number;
  /** First and last picture of the track. */
  range: readonly [first: number, last: number];
  /** Of what happened: 0.25 is a quarter of its speed. */
  rate: number;
  /** Stands below every picture; and what is told of each one, from the first. */
  title: string;
  told: readonly string[];
  /** The page's own typeface, as a file. */
  font: string | null;
}

export interface BurnWorker {
  /** One picture as PNG; null where this browser can't decode the film. */
  still(burn: Burn): Promise<Blob | null>;
  /**
   * All pictures of the range as MP4, without sound; null where this browser can't decode it or
   * encode one. @param done told the share
   */
  clip(burn: Burn, done: (share: number) => void): Promise<Blob | null>;
}

/**
 * Pictures are so large, px, with a line of words below; what is drawn over them is made for
 * `DRAWN_PX`.
 */
const [PX, WORDS_PX, DRAWN_PX] = [720, 56, 440];
/**
 * For a square of this size at 60 pictures a second; the film's own grain is gone at half of it.
 */
const BITS_PER_S = 6e6;
const FAMILY = "Atkinson Hyperlegible Next Variable";
const [PAPER, INK] = ["#f8f6f0", "#0a242f"];

const worker: BurnWorker = {
  async still(burn) {
    for await (const { canvas } of pictures(burn))
      return canvas.convertToBlob({ type: "image/png" });
    return null;
  },
  async clip(burn, done) {
    const codec = await getFirstEncodableVideoCodec(["avc", "vp9", "av1"], {
      width: PX,
      height: PX + WORDS_PX,
    });
    if (!codec) return null;
    const output = new Output({
      format: new Mp4OutputFormat({ fastStart: "in-memory" }),
      target: new BufferTarget(),
    });
    let source: CanvasSource | null = null;
    const { times } = burn.drawn.track;
    const [first, last] = burn.range;
    const second = (frame: number) => (times[frame]! - times[first]!) / 1000 / burn.rate;
    for await (const { canvas, frame } of pictures(burn)) {
      if (!source) {
        source = new CanvasSource(canvas, { codec, bitrate: BITS_PER_S });
        output.addVideoTrack(source);
        await output.start();
      }
      await source.add(
        second(frame),
        second(Math.min(frame + 1, times.length - 1)) - second(frame),
      );
      done((frame - first + 1) / (last - first + 1));
    }
    if (!source) return null;
    await output.finalize();
    return new Blob([output.target.buffer!], { type: "video/mp4" });
  },
};

/**
 * The range's pictures with all that is drawn, on one canvas, in order; none where the film can't
 * be decoded.
 */
async function* pictures(burn: Burn): AsyncGenerator<{ canvas: OffscreenCanvas; frame: number }> {
  if (burn.font) await loadFont(burn.font);
  const { times } = burn.drawn.track;
  const [first, last] = burn.range;
  const input = new Input({ source: new BlobSource(burn.film), formats: ALL_FORMATS });
  try {
    const track = await input.getPrimaryVideoTrack();
    if (!track || !(await track.canDecode())) return;
    const start = await track.getFirstTimestamp();
    const half = (times[1]! - times[0]!) / 2;
    const at = (frame: number, by: number) =>
      start + Math.max(0, (times[frame]! + by) * burn.filmSecondsPerMs);
    const canvas = new OffscreenCanvas(PX, PX + WORDS_PX);
    const context = canvas.getContext("2d", { alpha: false })!;
    let before = first - 1;
    for await (const sample of new VideoSampleSink(track).samples(
      at(first, -half),
      at(last, half),
    )) {
      const frame = nearestFrame(times, (sample.timestamp - start) / burn.filmSecondsPerMs);
      if (frame > before && frame <= last) {
        draw(context, sample, burn, frame);
        before = frame;
        yield { canvas, frame };
      }
      sample.close();
    }
  } finally {
    input.dispose();
  }
}

function draw(
  context: OffscreenCanvasRenderingContext2D,
  sample: VideoSample,
  { drawn, view, parts, range, title, told }: Burn,
  frame: number,
): void {
  drawSample(context, sample, view, PX);
  context.save();
  context.scale(PX / DRAWN_PX, PX / DRAWN_PX);
  drawOverlay(context, drawn, frame, new Set(parts), view, DRAWN_PX);
  context.restore();
  context.fillStyle = PAPER;
  context.fillRect(0, PX, PX, WORDS_PX);
  context.fillStyle = INK;
  context.textBaseline = "middle";
  context.font = `400 20px '${FAMILY}', sans-serif`;
  const when = told[frame - range[0]] ?? "";
  const right = context.measureText(when).width;
  context.fillText(when, PX - right - 14, PX + WORDS_PX / 2);
  context.font = `700 20px '${FAMILY}', sans-serif`;
  context.fillText(title, 14, PX + WORDS_PX / 2, PX - right - 42);
}

/** A worker has no typefaces of its own page. */
async function loadFont(url: string): Promise<void> {
  const font = new FontFace(FAMILY, `url(${url})`, { weight: "200 800" });
  await font.load().then(
    (f) => void (self as unknown as { fonts: FontFaceSet }).fonts.add(f),
    () => undefined,
  );
}

expose(worker);
