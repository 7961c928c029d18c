import { expose } from "comlink";
import { ALL_FORMATS, AudioSampleSink, BlobSource, Input, VideoSampleSink } from "mediabunny";
import type { SoundBlock } from "../sound/onsets";
import type { CameraSize, StandIn } from "./liveProtocol";

/**
 * A stand-in for a phone's camera: films played at their own rate, picture by picture, on one
 * clock; it ends with its worker.
 */
let drawn = true;
let begin = () => {};
/** What takes its pictures may still be loading when it is opened. */
const begins = new Promise<void>((resolve) => (begin = resolve));

const standIn: StandIn = {
  shows: (on) => void (drawn = on),
  play: () => begin(),
  async open(films, { times, restS }, pictures, preview, sound) {
    const inputs = await Promise.all(films.map(open));
    void (async () => {
      await begins;
      const began = performance.now();
      let base = 0;
      for (const film of Array.from({ length: times }, () => inputs).flat()) {
        await Promise.all([
          show(film, base, restS, began, pictures, preview),
          sound && play(film, base, began, sound),
        ]);
        base += film.durationS + restS;
      }
      pictures.postMessage("ended");
    })();
    return inputs[0]!.size;
  },
};

interface Film {
  size: CameraSize;
  durationS: number;
  sink: VideoSampleSink;
  /** Null when it is silent. */
  sound: AudioSampleSink | null;
}

async function open(url: string): Promise<Film> {
  const response = await fetch(url);
  if (!response.ok) throw new Error(`${url}: ${response.status}`);
  const input = new Input({ source: new BlobSource(await response.blob()), formats: ALL_FORMATS });
  const track = (await input.getPrimaryVideoTrack())!;
  const [stats, heard] = [await track.computePacketStats(), await input.getPrimaryAudioTrack()];
  return {
    size: {
      width: await track.getCodedWidth(),
      height: await track.getCodedHeight(),
      fps: stats.averagePacketRate,
    },
    durationS: stats.packetCount / stats.averagePacketRate,
    sink: new VideoSampleSink(track),
    sound: heard && new AudioSampleSink(heard),
  };
}

/** The preview is drawn so often, Hz. */
const PREVIEW_HZ = 20;

async function show(
  { sink, size, durationS }: Film,
  baseS: number,
  restS: number,
  began: number,
  pictures: MessagePort,
  preview: OffscreenCanvas | null,
): Promise<void> {
  const every = Math.max(1, Math.round(size.fps / PREVIEW_HZ));
  const context = preview?.getContext("2d") ?? null;
  if (preview) [preview.width, preview.height] = [size.width / 2, size.height / 2];
  let n = 0;
  let last: VideoFrame | null = null;
  const post = async (atS: number, decoded: VideoFrame) => {
    const wait = (baseS + atS) * 1000 - (performance.now() - began);
    if (wait > 1) await new Promise((r) => setTimeout(r, wait));
    if (context && drawn && n++ % every === 0)
      context.drawImage(decoded, 0, 0, preview!.width, preview!.height);
    const frame = new VideoFrame(decoded, { timestamp: Math.round((baseS + atS) * 1e6) });
    pictures.postMessage(frame, [frame]);
  };
  for await (const sample of sink.samples()) {
    last?.close();
    last = sample.toVideoFrame();
    await post(sample.timestamp, last);
    sample.close();
  }
  // A camera goes on while the golfer rests.
  for (let k = 0; last && k < restS * size.fps; k++) await post(durationS + k / size.fps, last);
  last?.close();
}

/** What its microphone hears of a film, each block when it is over, as a real one's come. */
async function play({ sound }: Film, baseS: number, began: number, to: MessagePort): Promise<void> {
  for await (const sample of sound?.samples() ?? []) {
    const block: SoundBlock = {
      timeMs: (baseS + sample.timestamp) * 1000,
      rate: sample.sampleRate,
      samples: new Float32Array(sample.numberOfFrames),
    };
    sample.copyTo(block.samples, { planeIndex: 0, format: "f32-planar" });
    const wait = (baseS + sample.timestamp + sample.duration) * 1000 - (performance.now() - began);
    sample.close();
    if (wait > 1) await new Promise((r) => setTimeout(r, wait));
    to.postMessage(block, [block.samples.buffer]);
  }
}

expose(standIn);
