import { KEPT_BYTES } from "./cutoutStore";
import {
  cutoutArea,
  cutoutBytes,
  wholeBytes,
  type Box,
  type OpenClip,
  type Picture,
} from "../decode";
import { Slabs } from "./slabs";

/**
 * A short clip's pictures, kept while its golfer is being found, so that they need not be decoded a
 * second time: of each what lies round where the golfer was first seen, and some of them whole.
 * Nothing is kept when that would be too much.
 */
export class EarlyPictures {
  private readonly pictures: Picture[] = [];
  private area: Box | null = null;
  private parts: Slabs | null = null;
  private given = false;

  /**
   * @param whole whether a picture, of which the number and the time (ms) are told, will be wanted
   * whole
   * @param wholes how many of those there will be
   */
  constructor(
    private readonly clip: OpenClip,
    private readonly whole: (i: number, t: number) => boolean,
    private readonly wholes: number,
  ) {}

  /**
   * Told once, after the first look: where the golfer was seen, with all the room that they may
   * need; null when there was nobody.
   */
  around(box: Box | null): void {
    const { width, height, frames } = this.clip;
    this.area = box && cutoutArea([box], width, height);
    const bytes = this.area ? cutoutBytes(this.area) : Infinity;
    if (bytes * frames + wholeBytes(this.clip) * (this.wholes + this.pictures.length) > KEPT_BYTES)
      this.giveUp();
    else this.parts = new Slabs(bytes, frames);
  }

  private giveUp(): void {
    this.given = true;
    this.pictures.length = 0;
  }

  /** Keeps the next picture: whole while it is not known where the golfer is. */
  async keep(picture: Picture): Promise<void> {
    if (this.given) return;
    const whole = this.whole(this.pictures.length, picture.timeMs) || !this.parts;
    const { parts } = this;
    const kept = whole
      ? await picture.cut(null)
      : await picture.cut(this.area, () => parts!.next());
    if (this.given) return;
    this.pictures.push({
      timeMs: picture.timeMs,
      cut: (area) => {
        if (!area && !whole) throw new RangeError("this picture was not kept whole");
        return Promise.resolve(kept);
      },
    });
  }

  /**
   * All pictures of the clip, each of which can be cut within an area; null when they were not
   * kept, or not so far.
   */
  holding(area: Box): Picture[] | null {
    const a = this.area;
    const inside =
      a &&
      area.left >= a.left &&
      area.top >= a.top &&
      area.right <= a.right &&
      area.bottom <= a.bottom;
    return inside && !this.given && this.pictures.length ? this.pictures : null;
  }
}
