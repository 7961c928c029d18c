import { cutoutBytes, memoryForWhole, type Box, type Picture } from "../decode";
import type { LivePicture, LiveWant } from "./liveReaderOptions";

/**
 * Copies out of a camera's pictures what a live reader wants of them, before the camera takes them
 * back.
 */
export class Grabber {
  private want: LiveWant = { area: null, wholeEveryMs: 0 };
  private nextWhole = -Infinity;
  private readonly free: Uint8Array<ArrayBuffer>[] = [];

  wants(want: LiveWant): void {
    if (want.wholeEveryMs < this.want.wholeEveryMs) this.nextWhole = -Infinity;
    this.want = want;
  }

  /** Memory of a picture that was let go. */
  back(data: Uint8Array<ArrayBuffer>): void {
    if (this.free.length < MOST_FREE) this.free.push(data);
  }

  async grab(picture: Picture, size: { width: number; height: number }): Promise<LivePicture> {
    const { area, wholeEveryMs } = this.want;
    const t = picture.timeMs;
    const due = t >= this.nextWhole;
    if (due) this.nextWhole = t + wholeEveryMs - 1;
    const [part, whole] = await Promise.all([
      area ? picture.cut(area, () => this.memory(area)) : null,
      due ? picture.cut(null, () => memoryForWhole(size)) : null,
    ]);
    return { t, part, whole };
  }

  private memory(area: Box): Uint8Array<ArrayBuffer> {
    const bytes = cutoutBytes(area);
    const at = this.free.findIndex((f) => f.length >= bytes && f.length < 2 * bytes);
    return at < 0 ? new Uint8Array(bytes) : this.free.splice(at, 1)[0]!;
  }
}

const MOST_FREE = 60;
