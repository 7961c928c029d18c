/** The background and the light are looked at once in this many ms. */
export const STILL_MS = 100;

/**
 * Which pictures the background and the light are looked at in.
 *
 * @returns to be asked of each picture in order: its number and its time, ms
 */
export function stillPictures(step: number): (i: number, t: number) => boolean {
  let next = -Infinity;
  return (i, t) => {
    const still = i % step === 0 && t >= next;
    if (still) next = t + STILL_MS - 1;
    return still;
  };
}
