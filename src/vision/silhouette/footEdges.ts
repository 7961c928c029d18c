import type { Square } from "../crop";
import { CROP_SIDE } from "../network";
import { edgeBetween, toMask, toPicture } from "./maskPlace";

/** Rows of one picture's mask round the feet, in steps of 1/16 logit. */
export interface MaskRows {
  /** First row in the mask. */
  top: number;
  rows: number;
  data: Int8Array;
}

const STEPS = 16;
/**
 * Inside and outside for certain, in logits; between them an edge may lie, but no wider than this
 * many columns.
 */
const SURE = 4;
const BLUR = 3;
/**
 * A row that fades may do so until this far beyond those that end at once, columns: a thin sole
 * fades a little, feet that touch far.
 */
const FADED = 3;

/** Copies the rows of a mask from which feet may be read later. */
export function maskRows(mask: Float32Array, square: Square, fromY: number, toY: number): MaskRows {
  const top = clamp(Math.floor(toMask(fromY, square.cy, square)), 0, CROP_SIDE - 1);
  const rows = Math.max(
    1,
    clamp(Math.ceil(toMask(toY, square.cy, square)), 0, CROP_SIDE - 1) - top + 1,
  );
  const data = new Int8Array(rows * CROP_SIDE);
  for (let i = 0; i < data.length; i++)
    data[i] = clamp(Math.round(mask[top * CROP_SIDE + i]! * STEPS), -127, 127);
  return { top, rows, data };
}

const clamp = (v: number, low: number, high: number) => Math.min(Math.max(v, low), high);

/**
 * Where a shoe's picture ends left, right and below, px: the mask followed down from the ankle, its
 * outermost edges in the lowest part. NaN for an edge that fades (feet that touch), or that lies
 * farther off than a shoe reaches.
 *
 * @param ankle and `heel` and `toe` as the network sees them, px
 * @param cm px of one centimetre, roughly
 */
export function footEdges(
  m: MaskRows,
  square: Square,
  ankle: readonly [number, number],
  heel: readonly [number, number],
  toe: readonly [number, number],
  cm: number,
): [left: number, right: number, bottom: number] {
  const perMask = square.size / CROP_SIDE;
  const at = (r: number, c: number) =>
    c < 0 || c >= CROP_SIDE ? -8 : m.data[r * CROP_SIDE + c]! / STEPS;
  const first = clamp(Math.round(toMask(ankle[1], square.cy, square)) - m.top, 0, m.rows - 1);
  let run = runAt(
    at,
    first,
    Math.round(toMask(ankle[0], square.cx, square)),
    Math.ceil((FIND * cm) / perMask),
  );
  if (!run) return [NaN, NaN, NaN];
  // The network's heel and toe, however dragged, are nearer to their own foot than to the other
  // one.
  const foot = (toMask(heel[0], square.cx, square) + toMask(toe[0], square.cx, square)) / 2;
  const runs: [row: number, left: number, right: number][] = [[first, ...run]];
  for (let r = first + 1; r < m.rows; r++) {
    const next = runBelow(at, r, run, foot);
    if (!next) break;
    runs.push([r, ...(run = next)]);
  }
  const [last, from, to] = runs[runs.length - 1]!;
  if (last === m.rows - 1) return [NaN, NaN, NaN];
  const deep = Math.max(
    ...Array.from({ length: to - from + 1 }, (_, k) => depth(at, last, from + k)),
  );
  const sole = runs.filter(([r]) => (last - r) * perMask <= LOWEST * cm);
  const limit = (REACH * cm) / perMask;
  const middle = toMask(heel[0], square.cx, square);
  const start = toMask(ankle[0], square.cx, square);
  const aside = (TURNED * cm) / perMask;
  const edge = (side: 0 | 1) => {
    const direction = side === 0 ? -1 : 1;
    let [out, faded, joined] = [-Infinity, -Infinity, false];
    for (const [r, l, g] of sole) {
      const { place, sure, gone } = crossing(at, r, side === 0 ? l : g, direction);
      if (Math.abs(place - middle) > limit) {
        joined = true;
        continue;
      }
      // A toe that points aside comes near the other shoe, and the mask between them never quite
      // ends: where it parts is the edge.
      const turned =
        (place - start) * direction > aside && parted(at, r, side === 0 ? l : g, direction);
      if (sure || turned) out = Math.max(out, place * direction);
      else faded = Math.max(faded, gone * direction);
    }
    // Of a shoe joined to the other one in some rows, what is left says where it ends only far out.
    if (faded > out + FADED || out === -Infinity || (joined && out - start * direction <= aside))
      return NaN;
    return toPicture(out * direction, square.cx, square);
  };
  return [edge(0), edge(1), toPicture(last + m.top + deep, square.cy, square)];
}

/** The ankle's run of mask is looked for within this of it, cm. */
const FIND = 6;
/** A shoe's picture is at its widest within this of its lowest row, cm: its toe is no thicker. */
const LOWEST = 5;
/** Only a shoe that points aside is seen to reach so far from its ankle, cm. */
const TURNED = 14;
/** No shoe reaches farther from its heel, cm. */
const REACH = 36;

type At = (row: number, column: number) => number;

function runAt(at: At, row: number, column: number, within: number): [number, number] | null {
  for (let d = 0; d <= within; d++)
    for (const c of [column - d, column + d]) if (at(row, c) > 0) return grown(at, row, c);
  return null;
}

function grown(at: At, row: number, column: number): [number, number] {
  let [l, r] = [column, column];
  while (at(row, l - 1) > 0) l--;
  while (at(row, r + 1) > 0) r++;
  return [l, r];
}

/**
 * The run of the next row that touches this one and lies nearest to a column: where legs are seen
 * as one, their feet part below.
 */
function runBelow(
  at: At,
  row: number,
  [l, r]: [number, number],
  column: number,
): [number, number] | null {
  let best: [number, number] | null = null;
  const away = (run: [number, number]) => Math.max(run[0] - column, column - run[1], 0);
  for (let c = l; c <= r; c++) {
    if (!(at(row, c) > 0)) continue;
    const run = grown(at, row, c);
    if (!best || away(run) < away(best)) best = run;
    c = run[1];
  }
  return best;
}

/**
 * Column (between columns by line) at which the mask ends, whether it does so at once, and the
 * first column that is surely outside.
 */
function crossing(
  at: At,
  row: number,
  column: number,
  direction: 1 | -1,
): { place: number; sure: boolean; gone: number } {
  let [inside, outside] = [0, 1];
  while (at(row, column - direction * inside) < SURE && inside <= BLUR) inside++;
  while (at(row, column + direction * outside) > -SURE) outside++;
  return {
    place: column + direction * edgeBetween(at(row, column), at(row, column + direction)),
    sure: inside + outside <= BLUR + 1,
    gone: column + direction * outside,
  };
}

/** Two shoes that nearly touch have a valley between them no wider than this, columns. */
const VALLEY = 8;

/** Whether beyond a run's end the mask falls and then surely begins again. */
function parted(at: At, row: number, column: number, direction: 1 | -1): boolean {
  let low = 0;
  for (let k = 1; k <= VALLEY; k++) {
    const v = at(row, column + direction * k);
    if (v >= SURE) return low < 0;
    low = Math.min(low, v);
  }
  return false;
}

/** How far below its last row a column of mask still goes, rows. */
function depth(at: At, row: number, column: number): number {
  const [a, b] = [at(row, column), at(row + 1, column)];
  return a > 0 && b < 0 ? edgeBetween(a, b) : 0;
}
