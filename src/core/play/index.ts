/** A drill's target movement, played by the figure. */
export { type Brief, briefOf } from "./brief";
export { FIGURE_POINTS, type FigurePoint } from "./figurePoints";
export type { Movement } from "./movement";
export { playedMovement } from "./played";
