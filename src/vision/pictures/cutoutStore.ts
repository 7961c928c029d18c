import { cutoutBytes, type Cutout, type Box, type OpenClip, type Picture } from "../decode";
import { Slabs } from "./slabs";

/** Bytes of picture that are kept at once: 13 s of a 720p clip at 60 pictures a second. */
export const KEPT_BYTES = 256 * 1024 ** 2;
/** A frame is the one at a time when it is this near, ms. */
const SAME_MS = 0.5;

/**
 * The part of the pictures that may be looked at again, within a bound of memory: what is not kept
 * any more is decoded anew, with all that lies between the frames asked for.
 */
export class CutoutStore {
  private readonly kept = new Map<number, Cutout>();
  private readonly memory: Slabs;
  private readonly most: number;

  /**
   * @param area of `cutoutArea`
   * @param most pictures kept at once, when fewer than there is memory for
   */
  constructor(
    private readonly clip: OpenClip,
    private readonly times: readonly number[],
    private readonly area: Box,
    most = Infinity,
  ) {
    const bytes = cutoutBytes(area);
    this.most = Math.max(1, Math.min(most, Math.floor(KEPT_BYTES / bytes)));
    this.memory = new Slabs(bytes, this.most);
  }

  /**
   * Keeps a picture's part, which stays valid until as many others are kept as there is room for.
   */
  async keep(i: number, picture: Picture): Promise<Cutout> {
    const part = await picture.cut(this.area, () => this.room());
    this.kept.set(i, part);
    return part;
  }

  /** Memory for one more: the oldest's when there is no more room. */
  private room(): Uint8Array<ArrayBuffer> {
    if (this.kept.size >= this.most) {
      const [oldest, part] = this.kept.entries().next().value!;
      this.kept.delete(oldest);
      return part.frame.data as Uint8Array<ArrayBuffer>;
    }
    return this.memory.next();
  }

  at(i: number): Cutout | null {
    return this.kept.get(i) ?? null;
  }

  /**
   * Sees to it that frames are at hand, as many of the first of them as there is room for. @param
   * stop throws when reading was cancelled
   */
  async ensure(frames: readonly number[], stop: () => void): Promise<void> {
    const missing = frames.filter((i) => !this.kept.has(i));
    if (!missing.length) return;
    const [first, last] = [missing[0]!, missing[missing.length - 1]!];
    let i = first;
    let room = this.most;
    for await (const picture of this.clip.pictures(
      this.times[first],
      this.times[last]! + SAME_MS,
    )) {
      stop();
      while (i <= last && this.times[i]! < picture.timeMs - SAME_MS) i++;
      if (i > last || room === 0) break;
      if (Math.abs(this.times[i]! - picture.timeMs) >= SAME_MS) continue;
      // Kept again, as the youngest.
      const known = this.kept.get(i);
      if (known) {
        this.kept.delete(i);
        this.kept.set(i, known);
      } else await this.keep(i, picture);
      room--;
    }
  }
}
