/** The area round the feet in which shoes are followed, px. */
export interface FeetArea {
  left: number;
  top: number;
  width: number;
  height: number;
}

/**
 * @param middle of the feet, px; @param body height of the golfer's square as the network has it,
 * px
 */
export const feetArea = ([x, y]: readonly [number, number], body: number): FeetArea => ({
  left: Math.round(x - body * 0.4),
  top: Math.round(y - body * 0.16),
  width: Math.round(body * 0.8),
  height: Math.round(body * 0.26),
});

/** The area as edges, px. */
export const feetBox = ({ left, top, width, height }: FeetArea) => ({
  left,
  top,
  right: left + width,
  bottom: top + height,
});
