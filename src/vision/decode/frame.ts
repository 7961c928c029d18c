/** One plane of a picture inside `Frame.data`: sample (x, y) is at offset + y·stride + x·step. */
export interface Plane {
  offset: number;
  stride: number;
  step: number;
}

/** A box in the upright picture, px. */
export interface Box {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** A decoded picture, 4:2:0, as the decoder gave it (not yet turned upright). */
export interface Frame {
  /** Presentation time, ms from the clip's first frame. */
  timeMs: number;
  data: Uint8Array;
  /** Coded picture without padding. */
  width: number;
  height: number;
  y: Plane;
  u: Plane;
  v: Plane;
  /** Clockwise turn that makes it upright. */
  rotation: 0 | 90 | 180 | 270;
  matrix: "bt709" | "bt601";
  fullRange: boolean;
}

/** Width and height of the upright picture. */
export const uprightSize = (f: Pick<Frame, "width" | "height" | "rotation">): [number, number] =>
  f.rotation === 90 || f.rotation === 270 ? [f.height, f.width] : [f.width, f.height];

/** Upright view of a plane: sample (X, Y) of the upright picture is at origin + X·dx + Y·dy. */
export function uprightPlane(
  plane: Plane,
  width: number,
  height: number,
  rotation: Frame["rotation"],
) {
  const { offset, stride, step } = plane;
  const last = offset + (height - 1) * stride;
  switch (rotation) {
    case 0:
      return { origin: offset, dx: step, dy: stride, width, height };
    case 90:
      return { origin: last, dx: -stride, dy: step, width: height, height: width };
    case 180:
      return { origin: last + (width - 1) * step, dx: -step, dy: -stride, width, height };
    case 270:
      return {
        origin: offset + (width - 1) * step,
        dx: stride,
        dy: -step,
        width: height,
        height: width,
      };
  }
}
