import { type Check, decides, type Drill, STYLES, type StyleId } from "../drills";
import { CATALOGUE, type MeasureId } from "../measures";
import { findStyle } from "./styles";

/** Why two drills pull against each other. */
export type Conflict =
  | {
      kind: "band";
      measure: MeasureId;
      name: string;
      unit: string;
      own: Check["band"];
      other: Check["band"];
    }
  | { kind: "style"; style: StyleId; own: string; other: string };

const inside = (v: number, [lo, hi]: Check["band"]) =>
  v >= (lo ?? -Infinity) && v <= (hi ?? Infinity);
/** Whether some value lies in both bands. */
export const overlap = (a: Check["band"], b: Check["band"]) =>
  Math.max(a[0] ?? -Infinity, b[0] ?? -Infinity) <= Math.min(a[1] ?? Infinity, b[1] ?? Infinity);

/**
 * Two drills pull against each other when for one measure their bands do not overlap, or each one's
 * target lies outside the other's band, or when they train opposite sides of a question of style.
 */
export function conflicts(a: Drill, b: Drill): Conflict[] {
  const out: Conflict[] = [];
  const asked = (d: Drill) =>
    d.stages
      .filter((s) => s.main)
      .flatMap((s) => s.checks)
      .filter(decides);
  for (const own of asked(a))
    for (const other of asked(b)) {
      if (
        own.measure !== other.measure ||
        out.some((c) => c.kind === "band" && c.measure === own.measure)
      )
        continue;
      if (
        overlap(own.band, other.band) &&
        (inside(own.target, other.band) || inside(other.target, own.band))
      )
        continue;
      const { name, unit } = CATALOGUE[own.measure];
      out.push({
        kind: "band",
        measure: own.measure,
        name,
        unit,
        own: own.band,
        other: other.band,
      });
    }
  for (const style of Object.keys(STYLES) as StyleId[]) {
    const [own, other] = [a.styles[style], b.styles[style]];
    if (own && other && own !== other) out.push({ kind: "style", style, own, other });
  }
  return out;
}

const range = ([lo, hi]: Check["band"], unit: string) =>
  lo !== null && hi !== null
    ? `${lo} to ${hi} ${unit}`
    : lo !== null
      ? `${lo} ${unit} or more`
      : `${hi} ${unit} or less`;

/** One conflict as a sentence about two named drills. */
export const conflictWords = (c: Conflict, own: string, other: string): string =>
  c.kind === "band"
    ? `${c.name}: ${own} wants ${range(c.own, c.unit)}, ${other} ${range(c.other, c.unit)}.`
    : `${own} and ${other} take opposite sides on ${findStyle(c.style).about}: ${c.own}, and ${c.other}.`;
