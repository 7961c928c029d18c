import { ClipError } from "./clipError";

/**
 * The smallest picture that phones film (sub-QCIF, 128 × 96; 3GPP TS 26.234) and the largest (8K
 * UHD), px: the shorter and the longer side.
 */
const SHORTER = [96, 4320] as const;
const LONGEST = 8192;

/** @throws ClipError size, for a picture that no phone films */
export function checkSize(width: number, height: number): void {
  const [shorter, longer] = [Math.min(width, height), Math.max(width, height)];
  if (!(shorter >= SHORTER[0] && shorter <= SHORTER[1] && longer <= LONGEST))
    throw new ClipError("size", `${width} × ${height}`);
}
