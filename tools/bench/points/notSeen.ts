import type { MovementCount } from "./pointRows";

/**
 * Movements that one phone does not show, by drill and movement: their pass says what it does not
 * cover, and the golfer is asked after the bout. Why, with figures: docs/decisions/17.
 */
const NOT_SEEN: Record<string, string> = {
  "trail-toe-behind": "heel-down",
  "lead-leg-only": "heel-down",
  "hanging-arms-turn": "hands-first",
  "big-toe-brace": "sole-up",
  "trail-foot-pivot": "drags",
  "hip-burst": "late",
};

export const isNamed = ({ drill, movement }: Pick<MovementCount, "drill" | "movement">): boolean =>
  NOT_SEEN[drill] === movement;
