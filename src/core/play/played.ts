import { stageOf, type Drill } from "../drills";
import { movementOf, type Movement } from "./movement";

/**
 * Movements kept ready: simulating one takes a tenth of a second, and the same ones are asked for
 * again.
 */
const ready = new Map<string, Movement>();
const MOST = 120;

/**
 * A stage's target, or one of its faults, for a golfer; null where there is none.
 *
 * @throws RangeError for a stage that does not exist
 */
export function playedMovement(
  drill: Drill,
  stageId: string,
  faultId: string | null,
  golfer: { statureCm: number; hand: "left" | "right" },
): Movement | null {
  const stage = stageOf(drill, stageId);
  const script =
    faultId === null ? stage.target : stage.faults?.find((f) => f.id === faultId)?.script;
  if (!script) return null;
  const key = [
    drill.id,
    drill.version,
    stageId,
    faultId,
    Math.round(golfer.statureCm),
    golfer.hand,
  ].join(" ");
  const known = ready.get(key);
  if (known) return known;
  const movement = movementOf(stage, script(), golfer);
  if (ready.size >= MOST) ready.delete(ready.keys().next().value!);
  ready.set(key, movement);
  return movement;
}
