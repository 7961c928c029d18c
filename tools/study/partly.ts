import { finishTrack } from "../../src/core/track/finishTrack";
import { plantedSpells } from "../../src/core/track/plantedSpells";
import { EDGES, OUTLINE, POINTS, STRIDE, type Track } from "../../src/core/track/track";
import type { Asked } from "../../src/vision/anytime/asked";
import { firstLook } from "../../src/vision/anytime/plan";
import { lookInRounds } from "../../src/vision/anytime/rounds";

/**
 * A whole track as if the network had looked at some of its frames only; shoes as followed hang on
 * the spells that these give.
 */
export function partly(track: Track, read: Uint8Array, faceOn: boolean): Track {
  const wiped = (x: Float32Array, width: number) => {
    const out = x.slice();
    read.forEach((r, i) => !r && out.fill(NaN, i * width, (i + 1) * width));
    return out;
  };
  const part = {
    ...track,
    read: read.slice(),
    landmarks: wiped(track.landmarks, POINTS * STRIDE),
    outline: wiped(track.outline, OUTLINE),
    footEdges: wiped(track.footEdges, EDGES),
    presence: wiped(track.presence, 1),
  };
  const finished = finishTrack(part, faceOn);
  const footPaths = (["left", "right"] as const).flatMap((foot) =>
    plantedSpells(finished, foot).flatMap((s) =>
      (["whole", "heel", "toe", "rise"] as const).flatMap((name) => {
        const shared = (p: Track["footPaths"][number]) =>
          Math.min(p.plantedTo, s.to) - Math.max(p.plantedFrom, s.from);
        const own = track.footPaths
          .filter((p) => p.foot === foot && p.part === name && shared(p) > 0)
          .sort((a, b) => shared(b) - shared(a));
        return (name === "rise" ? own : own.slice(0, 1)).map((p) => ({
          ...p,
          plantedFrom: s.from,
          plantedTo: s.to,
        }));
      }),
    ),
  );
  return { ...part, footPaths };
}

/**
 * Reads a whole track by the plan, as if its frames came from film; and how many were looked at.
 */
export async function readByPlan(
  track: Track,
  asked: Asked,
  faceOn: boolean,
): Promise<{ track: Track; runs: number }> {
  const read = new Uint8Array(track.times.length);
  const lookAt = async (frames: readonly number[]) => frames.forEach((i) => (read[i] = 1));
  const soFar = () => partly(track, read, faceOn);
  await lookAt(firstLook(track.times));
  return {
    track: (await lookInRounds(asked, faceOn, { looks: soFar, followed: soFar, lookAt })).track,
    runs: read.reduce((sum, r) => sum + r, 0),
  };
}
