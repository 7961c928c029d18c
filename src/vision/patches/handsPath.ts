import type { HandsPath } from "../../core/track";
import type { LumaWindow } from "./lumaWindow";
import { match, template } from "./template";

/**
 * The hands' path round the top of the swing, chained from frame to frame: the network's wrists are
 * 5–10 cm off there, but the picture of the hands moves smoothly from one frame to the next.
 *
 * @param windows brightness round the hands for each frame, null where it is not at hand
 * @param hands network's mid-hands for each frame, px
 * @param top frame of the rough top; `span` frames each way are followed
 * @param side of the square that is followed, px
 */
export function handsPath(
  windows: readonly (LumaWindow | null)[],
  hands: { x: Float64Array; y: Float64Array },
  top: number,
  span: number,
  side: number,
): HandsPath {
  const from = Math.max(0, top - span);
  const to = Math.min(windows.length - 1, top + span);
  const n = to - from + 1;
  const x = new Float32Array(n).fill(NaN);
  const y = new Float32Array(n).fill(NaN);
  const half = side >> 1;
  for (const step of [1, -1] as const) {
    let cx = hands.x[top]!;
    let cy = hands.y[top]!;
    x[top - from] = cx;
    y[top - from] = cy;
    for (let i = top; step === 1 ? i < to : i > from; i += step) {
      const [here, next] = [windows[i], windows[i + step]];
      if (!here || !next) break;
      const t = template([here], Math.round(cx) - half, Math.round(cy) - half, side, side);
      const m = match(t, next, 0, 0, 7);
      if (!m) break;
      cx += m.dx;
      cy += m.dy;
      x[i + step - from] = cx;
      y[i + step - from] = cy;
    }
  }
  return { from, x, y };
}
