import type { Track } from "../../src/core/track/track";

/** A track put behind itself so often; frames and times go on. */
export function repeated(one: Track, times: number): Track {
  const frames = one.times.length;
  const period = one.times[frames - 1]! + (one.times[frames - 1]! - one.times[0]!) / (frames - 1);
  const each = <T>(make: (k: number) => T) => Array.from({ length: times }, (_, k) => make(k));
  const floats = (channel: Float32Array) => {
    const all = new Float32Array(times * channel.length);
    for (let k = 0; k < times; k++) all.set(channel, k * channel.length);
    return all;
  };
  return {
    ...one,
    times: Float64Array.from(each((k) => Array.from(one.times, (t) => t + k * period)).flat()),
    landmarks: floats(one.landmarks),
    outline: floats(one.outline),
    presence: floats(one.presence),
    footEdges: floats(one.footEdges),
    footPaths: each((k) =>
      one.footPaths.map((p) => ({
        ...p,
        from: p.from + k * frames,
        plantedFrom: p.plantedFrom + k * frames,
        plantedTo: p.plantedTo + k * frames,
      })),
    ).flat(),
    handsPaths: each((k) =>
      one.handsPaths.map((p) => ({ ...p, from: p.from + k * frames })),
    ).flat(),
    looks: each((k) => one.looks.map((l) => ({ ...l, t: l.t + k * period }))).flat(),
    sounds: each((k) => one.sounds.map((s) => ({ ...s, t: s.t + k * period }))).flat(),
    others: each((k) => one.others.map((o) => ({ ...o, t: o.t + k * period }))).flat(),
    video: { ...one.video, frames: times * frames, durationMs: times * period },
  };
}
