import { at, POINT, POINTS, type Track } from "../../src/core/track/track";

const OTHER_SIDE = new Map<number, number>(
  Object.entries(POINT).flatMap(([name, p]) => {
    const other = name.startsWith("left")
      ? name.replace("left", "right")
      : name.startsWith("right")
        ? name.replace("right", "left")
        : name;
    return [[p, POINT[other as keyof typeof POINT]]];
  }),
);

/** The film as a mirror shows it: left is right. */
export function mirrored(track: Track): Track {
  const { width } = track.video;
  const n = track.times.length;
  const landmarks = track.landmarks.slice();
  for (let i = 0; i < n; i++)
    for (let p = 0; p < POINTS; p++) {
      const from = at(i, OTHER_SIDE.get(p) ?? p);
      landmarks.set(track.landmarks.subarray(from, from + 4), at(i, p));
      landmarks[at(i, p)] = width - track.landmarks[from]!;
    }
  // Edges come in pairs, the left one first; a mirror swaps them. Of a shoe: left, right, lowest.
  const outline = track.outline.map((_, i) => width - track.outline[i % 2 ? i - 1 : i + 1]!);
  const footEdges = track.footEdges.map((_, i) => {
    const [frame, k] = [Math.floor(i / 6), i % 6];
    const foot = k < 3 ? 3 : 0;
    const of = (edge: number) => track.footEdges[frame * 6 + foot + edge]!;
    return k % 3 === 2 ? of(2) : width - of(k % 3 === 0 ? 1 : 0);
  });
  return {
    ...track,
    landmarks,
    outline,
    footEdges,
    crop: { ...track.crop, cx: width - track.crop.cx },
    others: track.others.map((o) => ({ ...o, x: width - o.x })),
    footPaths: track.footPaths.map((p) => ({
      ...p,
      foot: p.foot === "left" ? "right" : "left",
      dx: p.dx.map((v) => -v),
    })),
    handsPaths: track.handsPaths.map((p) => ({ ...p, x: p.x.map((v) => width - v) })),
  };
}
