import type { Obstacle } from "../../core/live";
import type { Problem } from "../../core/scene";

/** What keeps reps from being judged, the worst first; null where nothing does. */
export const obstacleOf = (problems: readonly Problem[]): Obstacle | null =>
  problems.some((p) => p.code === "movedCamera")
    ? "phone moved"
    : problems.some((p) => p.code === "dark")
      ? "dark"
      : problems.some((p) => p.code === "secondPerson" && p.touches === "rep")
        ? "somebody in the way"
        : null;
