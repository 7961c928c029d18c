import { findStage } from "../../src/core/drills";
import type { ErrorTable } from "../../src/core/uncertainty/errors";
import { compare } from "../study/compare";
import type { TruthClip } from "../study/truthClip";

/** As much of the asked turn is a turn that was not made. */
const NOT_MADE = 0.36;

/**
 * What is told of turns of which only a part was made, as a share of the asked turn: the largest of
 * those not made and the smallest of the others. What a drill asks to be told lies between.
 *
 * @param clips the set `turns`; @param errors of the methods, as just fitted
 */
export function fitTurned(clips: readonly TruthClip[], errors: ErrorTable): void {
  const told = new Map<string, { about: string; share: number }[]>();
  for (const clip of clips) {
    const { drill, stage, about } = clip.truth;
    const [need] = findStage(drill, stage).stage.actions.flatMap((a) =>
      a.need.kind === "measure" ? [a.need.measure] : [],
    );
    if (!need) continue;
    const made = Number(about.split("-")[1]) / 100;
    for (const { rep, truth } of compare(clip, { samples: 2, errors }).found) {
      const value = rep.measures[need]?.value;
      const exact = truth.measures[need];
      if (value === undefined || value === null || exact === undefined) continue;
      const name = `${need} ${made <= NOT_MADE ? "not made" : "made"}`;
      told.set(name, [
        ...(told.get(name) ?? []),
        { about: `${drill} ${about}`, share: value / (exact / made) },
      ]);
    }
  }
  for (const [name, list] of [...told].sort(([a], [b]) => a.localeCompare(b)))
    console.log(
      `parts.TOLD, ${name}: ${list.map((t) => t.share.toFixed(2)).join(" ")} of the asked turn`,
    );
}
