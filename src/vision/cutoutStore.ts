import { cutout, cutoutArea, cutoutBytes, type Cutout } from "./cutout";
import type { Frame } from "./decode/frame";
import type { OpenClip } from "./decode/openClip";
import type { Box } from "./still/background";

/** Bytes of picture that are kept at once: 13 s of a 720p clip at 60 pictures a second. */
const KEPT_BYTES = 256 * 1024 ** 2;
/** A frame is the one at a time when it is this near, ms. */
const SAME_MS = 0.5;

/**
 * The part of the pictures that may be looked at again, within a bound of memory: what is not kept any more is decoded anew,
 * with all that lies between the frames asked for.
 */
export class CutoutStore {
  private readonly kept = new Map<number, Cutout>();
  private readonly area: Box;
  private readonly most: number;

  constructor(private readonly clip: OpenClip, private readonly times: readonly number[], box: Box) {
    this.area = cutoutArea(box, clip.width, clip.height);
    this.most = Math.max(1, Math.floor(KEPT_BYTES / cutoutBytes(this.area)));
  }

  /** Keeps a frame's part; the oldest goes when there is no more room. */
  keep(i: number, frame: Frame): void {
    if (this.kept.size >= this.most) this.kept.delete(this.kept.keys().next().value!);
    this.kept.set(i, cutout(frame, this.area));
  }

  at(i: number): Cutout | null {
    return this.kept.get(i) ?? null;
  }

  /** Sees to it that frames are at hand, as many of the first of them as there is room for. @param stop throws when reading was cancelled */
  async ensure(frames: readonly number[], stop: () => void): Promise<void> {
    const missing = frames.filter((i) => !this.kept.has(i));
    if (!missing.length) return;
    const [first, last] = [missing[0]!, missing[missing.length - 1]!];
    let i = first;
    let room = this.most;
    for await (const frame of this.clip.pictures(this.times[first]!, this.times[last]! + SAME_MS)) {
      stop();
      while (i <= last && this.times[i]! < frame.timeMs - SAME_MS) i++;
      if (i > last || room === 0) break;
      if (Math.abs(this.times[i]! - frame.timeMs) >= SAME_MS) continue;
      // Kept again, as the youngest.
      this.kept.delete(i);
      this.keep(i, frame);
      room--;
    }
  }
}
