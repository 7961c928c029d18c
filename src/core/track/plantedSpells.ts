import { halfSampleMode, runningMedian } from "../maths";
import { statureInPx } from "./bodySize";
import { at, POINT, type Track } from "./track";

/**
 * A spell in which a foot stands in one place. Places are px, the densest place of each point over
 * the spell.
 */
export interface PlantedSpell {
  foot: "left" | "right";
  /** First and last frame. */
  from: number;
  to: number;
  ankle: [number, number];
  heel: [number, number];
  toe: [number, number];
}

const FOOT_POINTS = {
  left: { ankle: POINT.leftAnkle, heel: POINT.leftHeel, toe: POINT.leftToe },
  right: { ankle: POINT.rightAnkle, heel: POINT.rightHeel, toe: POINT.rightToe },
} as const;

/**
 * A foot seen to move slower than this may be standing (share of stature a second; the network's
 * points creep by less).
 */
const STANDING_SPEED = 0.08;
const SHORTEST_MS = 110;
/**
 * Two spells nearer than this are one (share of stature): a template then tells a small step from
 * none.
 */
const SAME_PLACE = 0.014;

/**
 * Finds where each foot stands, and when, from the network's (mended) points. Frames in which the
 * network drew one leg over the other do not end a spell: the foot is back at its place afterwards.
 */
export function plantedSpells(
  track: Pick<Track, "landmarks" | "times">,
  foot: "left" | "right",
): PlantedSpell[] {
  const { landmarks, times } = track;
  const n = times.length;
  const tall = statureInPx(track);
  const points = FOOT_POINTS[foot];
  const other = FOOT_POINTS[foot === "left" ? "right" : "left"];
  const middle = (p: typeof points | typeof other, axis: 0 | 1) => {
    const raw = new Float64Array(n);
    for (let i = 0; i < n; i++)
      raw[i] =
        (landmarks[at(i, p.ankle) + axis]! +
          landmarks[at(i, p.heel) + axis]! +
          landmarks[at(i, p.toe) + axis]!) /
        3;
    return runningMedian(raw, 3);
  };
  const x = middle(points, 0);
  const y = middle(points, 1);
  const otherX = middle(other, 0);
  const standing = (i: number) => {
    const a = Math.max(0, i - 3);
    const b = Math.min(n - 1, i + 3);
    const seconds = (times[b]! - times[a]!) / 1000;
    return Math.hypot(x[b]! - x[a]!, y[b]! - y[a]!) / seconds < STANDING_SPEED * tall;
  };
  let runs: [number, number][] = [];
  for (let i = 0; i < n; i++) {
    if (!standing(i)) continue;
    const last = runs[runs.length - 1];
    if (last && last[1] === i - 1) last[1] = i;
    else runs.push([i, i]);
  }
  runs = runs.filter(([a, b]) => times[b]! - times[a]! >= SHORTEST_MS);
  const placeOf = ([a, b]: [number, number]) =>
    [halfSampleMode(x.subarray(a, b + 1)), halfSampleMode(y.subarray(a, b + 1))] as const;
  // A leg drawn over the other one: the foot seems to stand where the other foot is, between two
  // spells at one place.
  for (let k = 1; k < runs.length - 1; k++) {
    const before = placeOf(runs[k - 1]!);
    const here = placeOf(runs[k]!);
    const after = placeOf(runs[k + 1]!);
    const otherPlace = halfSampleMode(otherX.subarray(runs[k]![0], runs[k]![1] + 1));
    const back = Math.hypot(before[0] - after[0], before[1] - after[1]) < 2 * SAME_PLACE * tall;
    if (back && Math.abs(here[0] - otherPlace) < Math.abs(here[0] - before[0])) runs.splice(k--, 1);
  }
  const merged: [number, number][] = [];
  for (const run of runs) {
    const last = merged[merged.length - 1];
    if (last) {
      const [ax, ay] = placeOf(last);
      const [bx, by] = placeOf(run);
      if (Math.hypot(ax - bx, ay - by) < SAME_PLACE * tall) {
        last[1] = run[1];
        continue;
      }
    }
    merged.push([...run]);
  }
  return merged.map(([from, to]) => {
    const place = (p: number): [number, number] => {
      const of = (axis: 0 | 1) => {
        const places = new Float64Array(to - from + 1);
        for (let k = 0; k < places.length; k++) places[k] = landmarks[at(from + k, p) + axis]!;
        return halfSampleMode(places);
      };
      return [of(0), of(1)];
    };
    return {
      foot,
      from,
      to,
      ankle: place(points.ankle),
      heel: place(points.heel),
      toe: place(points.toe),
    };
  });
}
