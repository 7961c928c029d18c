import { EDGES, OUTLINE, POINTS, STRIDE, type Track } from "../../src/core/track/track";

/**
 * A track as it was known at an instant (ms): all that was seen until then, and nothing of what
 * came after.
 */
export function cutShort(track: Track, atMs: number): Track {
  const n = track.times.findIndex((t) => t > atMs);
  if (n < 0) return track;
  const path = <
    P extends {
      from: number;
      dx: Float32Array;
      dy: Float32Array;
      residual: Float32Array;
      plantedTo: number;
    },
  >(
    p: P,
  ): P[] => {
    const left = n - p.from;
    return left < 2
      ? []
      : [
          {
            ...p,
            plantedTo: Math.min(p.plantedTo, n - 1),
            dx: p.dx.slice(0, left),
            dy: p.dy.slice(0, left),
            residual: p.residual.slice(0, left),
          },
        ];
  };
  return {
    ...track,
    times: track.times.slice(0, n),
    ...(track.read ? { read: track.read.slice(0, n) } : {}),
    landmarks: track.landmarks.slice(0, n * POINTS * STRIDE),
    outline: track.outline.slice(0, n * OUTLINE),
    footEdges: track.footEdges.slice(0, n * EDGES),
    presence: track.presence.slice(0, n),
    footPaths: track.footPaths.flatMap(path),
    handsPaths: track.handsPaths.flatMap((p) =>
      n - p.from < 2 ? [] : [{ ...p, x: p.x.slice(0, n - p.from), y: p.y.slice(0, n - p.from) }],
    ),
    looks: track.looks.filter((l) => l.t <= atMs),
    sounds: track.sounds.filter((s) => s.t <= atMs),
    others: track.others.filter((o) => o.t <= atMs),
    video: {
      ...track.video,
      frames: n,
      durationMs: track.times[n - 1]! + track.times[1]! - track.times[0]!,
    },
  };
}
