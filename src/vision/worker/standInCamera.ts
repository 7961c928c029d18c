import { ALL_FORMATS, AudioSampleSink, BlobSource, Input, VideoSampleSink } from "mediabunny";
import type { SoundBlock } from "../sound";
import type { CameraSize, StandIn } from "./liveProtocol";

/**
 * How often all films are played, and how long the first picture of each stands before it and the
 * last one after it, s.
 */
export interface Repeat {
  times: number;
  waitS: number;
  restS: number;
}

/**
 * A stand-in for a phone's camera: films played at their own rate, picture by picture, on one
 * clock; it ends with its worker.
 */
export class StandInCamera implements StandIn {
  private begin = () => {};
  /** What takes its pictures may still be loading when it is opened. */
  private readonly begins = new Promise<void>((resolve) => (this.begin = resolve));
  private shown = true;

  constructor(private readonly repeat: Repeat = { times: 1, waitS: 0, restS: 0 }) {}

  shows(on: boolean): void {
    this.shown = on;
  }

  play(): void {
    this.begin();
  }

  async open(
    films: string[],
    pictures: MessagePort,
    preview: OffscreenCanvas | null,
    sound: MessagePort | null,
  ): Promise<CameraSize> {
    const inputs = await Promise.all(films.map(openFilm));
    void this.playAll(inputs, pictures, preview, sound);
    return inputs[0]!.size;
  }

  private async playAll(
    films: readonly Film[],
    pictures: MessagePort,
    preview: OffscreenCanvas | null,
    sound: MessagePort | null,
  ): Promise<void> {
    await this.begins;
    const { times, waitS, restS } = this.repeat;
    const began = performance.now();
    let base = 0;
    for (const film of Array.from({ length: times }, () => films).flat()) {
      await Promise.all([
        this.show(film, base, began, pictures, preview),
        sound && playSound(film, base + waitS, began, sound),
      ]);
      base += waitS + film.durationS + restS;
    }
    pictures.postMessage("ended");
  }

  private async show(
    { sink, size, durationS }: Film,
    baseS: number,
    began: number,
    pictures: MessagePort,
    preview: OffscreenCanvas | null,
  ): Promise<void> {
    const { waitS, restS } = this.repeat;
    const every = Math.max(1, Math.round(size.fps / PREVIEW_HZ));
    const context = preview?.getContext("2d") ?? null;
    if (preview) [preview.width, preview.height] = [size.width / 2, size.height / 2];
    let n = 0;
    let last: VideoFrame | null = null;
    const post = async (atS: number, decoded: VideoFrame) => {
      const wait = (baseS + atS) * 1000 - (performance.now() - began);
      if (wait > 1) await new Promise((r) => setTimeout(r, wait));
      if (context && this.shown && n++ % every === 0)
        context.drawImage(decoded, 0, 0, preview!.width, preview!.height);
      const frame = new VideoFrame(decoded, { timestamp: Math.round((baseS + atS) * 1e6) });
      pictures.postMessage(frame, [frame]);
    };
    const stands = async (fromS: number, forS: number, picture: VideoFrame) => {
      for (let k = 0; k < Math.round(forS * size.fps); k++)
        await post(fromS + k / size.fps, picture);
    };
    for await (const sample of sink.samples()) {
      last?.close();
      // A camera goes on while the golfer waits, and while they rest.
      const first = last === null;
      last = sample.toVideoFrame();
      if (first) await stands(0, waitS, last);
      await post(waitS + sample.timestamp, last);
      sample.close();
    }
    if (last) await stands(waitS + durationS, restS, last);
    last?.close();
  }
}

interface Film {
  size: CameraSize;
  durationS: number;
  sink: VideoSampleSink;
  /** Null when it is silent. */
  sound: AudioSampleSink | null;
}

async function openFilm(url: string): Promise<Film> {
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

/** What its microphone hears of a film, each block when it is over, as a real one's come. */
async function playSound(
  { sound }: Film,
  baseS: number,
  began: number,
  to: MessagePort,
): Promise<void> {
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
