/** Points of a drawn figure, in the order in which a frame lists them (x, y each). */
export const FIGURE_POINTS = [
  "head",
  "hands",
  "club",
  "leadShoulder",
  "leadElbow",
  "leadHip",
  "leadKnee",
  "leadAnkle",
  "leadHeel",
  "leadToe",
  "trailShoulder",
  "trailElbow",
  "trailHip",
  "trailKnee",
  "trailAnkle",
  "trailHeel",
  "trailToe",
] as const;
export type FigurePoint = (typeof FIGURE_POINTS)[number];
