import {
  BufferTarget,
  EncodedPacket,
  EncodedVideoPacketSource,
  Mp4OutputFormat,
  Output,
  type VideoCodec,
} from "mediabunny";

/** Encoded pictures are kept for this long, s: a rep's clip begins 4 s before its hands start. */
const KEPT_S = 24;
/** A picture that stands alone comes once in so many s: a clip begins with one. */
const KEY_S = 1;
/** Bits a picture's pixel gets: 4 Mbit/s at 720p60. */
const BITS_PER_PIXEL = 0.072;
/** Encodings in the order in which they are tried: what any player opens first. */
const CODECS: readonly { codec: VideoCodec; name: string }[] = [
  { codec: "avc", name: "avc1.42E02A" },
  { codec: "avc", name: "avc1.42E020" },
  { codec: "vp9", name: "vp09.00.41.08" },
  { codec: "vp8", name: "vp8" },
];

/**
 * Encodes a running camera into a ring, out of which each rep is cut as a small MP4 of its own: no
 * endless file, and nothing lost before the start.
 */
export class Recorder {
  private readonly ring: EncodedPacket[] = [];
  /** How the pictures are to be decoded, as the encoder said with its first one. */
  private meta: EncodedVideoChunkMetadata | undefined;
  private lastKey = -Infinity;
  private newest = -Infinity;
  private readonly waiting: { until: number; go: () => void }[] = [];

  private constructor(
    private readonly encoder: VideoEncoder,
    private readonly codec: VideoCodec,
  ) {}

  /** Null where this browser can't encode. */
  static async start(
    size: { width: number; height: number; fps: number },
    failed: (message: string) => void,
  ): Promise<Recorder | null> {
    if (typeof VideoEncoder === "undefined") return null;
    for (const { codec, name } of CODECS) {
      const config: VideoEncoderConfig = {
        codec: name,
        width: size.width - (size.width % 2),
        height: size.height - (size.height % 2),
        framerate: size.fps,
        latencyMode: "realtime",
        bitrate: Math.round(size.width * size.height * size.fps * BITS_PER_PIXEL),
        ...(codec === "avc" ? { avc: { format: "avc" as const } } : {}),
      };
      const { supported } = await VideoEncoder.isConfigSupported(config).catch(() => ({
        supported: false,
      }));
      if (!supported) continue;
      const box: { recorder?: Recorder } = {};
      const encoder = new VideoEncoder({
        output: (chunk, meta) => box.recorder?.keep(chunk, meta),
        error: (e) => failed(e.message),
      });
      encoder.configure(config);
      return (box.recorder = new Recorder(encoder, codec));
    }
    return null;
  }

  /** Encodes a picture; the frame stays whose it was. */
  take(frame: VideoFrame): void {
    if (this.encoder.state !== "configured") return;
    const s = frame.timestamp / 1e6;
    const keyFrame = s - this.lastKey >= KEY_S;
    if (keyFrame) this.lastKey = s;
    this.encoder.encode(frame, { keyFrame });
  }

  /** Pictures that wait to be encoded. */
  get queue(): number {
    return this.encoder.encodeQueueSize;
  }

  private keep(chunk: EncodedVideoChunk, meta: EncodedVideoChunkMetadata | undefined): void {
    if (meta?.decoderConfig) this.meta = meta;
    this.ring.push(EncodedPacket.fromEncodedChunk(chunk));
    this.newest = chunk.timestamp / 1000;
    while (this.ring.length && this.ring[0]!.timestamp < chunk.timestamp / 1e6 - KEPT_S)
      this.ring.shift();
    for (const w of this.waiting.splice(0))
      if (w.until <= this.newest) w.go();
      else this.waiting.push(w);
  }

  /**
   * The film between two times (ms on the camera's clock), as an MP4 that begins with the key
   * picture before the first; once the camera has come so far. Null when nothing of it is kept.
   */
  async clip(fromMs: number, toMs: number): Promise<{ file: Blob; fromMs: number } | null> {
    if (this.newest < toMs)
      await new Promise<void>((go) => {
        this.waiting.push({ until: toMs, go });
      });
    const keys = this.ring.flatMap((p, i) => (p.type === "key" ? [i] : []));
    const first = keys.filter((i) => this.ring[i]!.timestamp * 1000 <= fromMs).at(-1) ?? keys[0];
    if (first === undefined) return null;
    const packets = this.ring.slice(first).filter((p) => p.timestamp * 1000 <= toMs);
    if (packets.length < 2) return null;
    const start = packets[0]!.timestamp;
    const output = new Output({
      format: new Mp4OutputFormat({ fastStart: "in-memory" }),
      target: new BufferTarget(),
    });
    const source = new EncodedVideoPacketSource(this.codec);
    output.addVideoTrack(source);
    await output.start();
    for (const [i, packet] of packets.entries())
      await source.add(
        packet.clone({ timestamp: packet.timestamp - start, sequenceNumber: i }),
        i === 0 ? this.meta : undefined,
      );
    await output.finalize();
    return { file: new Blob([output.target.buffer!], { type: "video/mp4" }), fromMs: start * 1000 };
  }

  /** Lets those who wait for film have what there is: the camera has ended. */
  end(): void {
    for (const w of this.waiting.splice(0)) w.go();
    if (this.encoder.state !== "closed") this.encoder.close();
  }
}
