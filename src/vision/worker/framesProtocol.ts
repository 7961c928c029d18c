/**
 * Which pictures of a film are wanted: s on the film's own clock; a square of it, px of the upright
 * film; and how large it is drawn, px.
 */
export interface FramesAsked {
  fromS: number;
  toS: number;
  /** This one before all others. */
  firstS: number;
  square: { left: number; top: number; size: number };
  px: number;
}

/** One picture as it comes. */
export interface FramePicture {
  timeS: number;
  bitmap: ImageBitmap;
}

export interface FramesWorker {
  /**
   * @param pictures each is posted here as a `FramePicture`, and null after the last one: what comes
   *   by two ways keeps no order
   * @returns how it ended; `codec`: this browser can't decode it
   */
  read(film: Blob, asked: FramesAsked, pictures: MessagePort): Promise<"done" | "codec">;
}
