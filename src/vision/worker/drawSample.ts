import type { VideoSample } from "mediabunny";

/**
 * Draws a square of a film's picture, px of the upright film, over the first `px` × `px` of a
 * canvas; what lies beside the film is black.
 */
export function drawSample(
  context: OffscreenCanvasRenderingContext2D,
  sample: VideoSample,
  square: { left: number; top: number; size: number },
  px: number,
): void {
  const k = px / square.size;
  context.fillStyle = "#000";
  context.fillRect(0, 0, px, px);
  // Only what lies in the film can be cut out of it.
  const [left, top] = [Math.max(0, square.left), Math.max(0, square.top)];
  const [right, bottom] = [
    Math.min(sample.displayWidth, square.left + square.size),
    Math.min(sample.displayHeight, square.top + square.size),
  ];
  sample.draw(
    context,
    left,
    top,
    right - left,
    bottom - top,
    (left - square.left) * k,
    (top - square.top) * k,
    (right - left) * k,
    (bottom - top) * k,
  );
}
