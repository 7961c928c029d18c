import type { Track } from "./track";

/**
 * The same track on a clock that began so much earlier, ms: of a film that begins before what was
 * seen of it.
 */
export function shiftTrack(track: Track, ms: number): Track {
  const later = <T extends { t: number }>(list: readonly T[]): T[] =>
    list.map((e) => ({ ...e, t: e.t + ms }));
  return {
    ...track,
    times: track.times.map((t) => t + ms),
    looks: later(track.looks),
    others: later(track.others),
    sounds: later(track.sounds),
    video: { ...track.video, durationMs: track.video.durationMs + ms },
  };
}
