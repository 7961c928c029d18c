import type { SidePoints } from "@/core/track";

export type Canvas2d = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** A canvas with what puts points of the film on it, px. */
export interface Pen {
  ctx: Canvas2d;
  /** The canvas is so wide and high. */
  px: number;
  /** A landmark of a frame. */
  place: (frame: number, point: number) => [x: number, y: number];
  x: (filmX: number) => number;
  y: (filmY: number) => number;
}

export const FONT = "600 15px 'Atkinson Hyperlegible Next Variable', sans-serif";

/** A word beside a foot, within the picture. */
export function label(
  pen: Pen,
  frame: number,
  p: SidePoints,
  text: string,
  colour: string,
  side: number,
): void {
  const { ctx, px } = pen;
  const [x, y] = pen.place(frame, p.toe);
  ctx.font = FONT;
  const w = ctx.measureText(text).width + 16;
  const left = Math.min(Math.max(x + side * (w / 2 + 10) - w / 2, 2), px - w - 2);
  const top = Math.min(y + 10, px - 26);
  ctx.fillStyle = "rgba(10,36,47,.86)";
  ctx.fillRect(left, top, w, 24);
  ctx.fillStyle = colour;
  ctx.fillText(text, left + 8, top + 17);
}
