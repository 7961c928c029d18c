/** Samples of a motion that hold one rep, and where in them to look. */
export interface RepWindow {
  from: number;
  to: number;
  /** Sample of the rough top (of the peak, of the turn in the middle). */
  about: number;
  /** Sample near a swing's lowest hands; swings only. */
  low?: number;
}
