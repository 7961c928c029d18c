import type { Track } from "./track";

/** The track on the clock of what happened, when the film runs slower than that. */
export function realTime(track: Track, captureFps: number | null | undefined): Track {
  if (captureFps === undefined || captureFps === null) return track;
  const k = track.video.fps / captureFps;
  return {
    ...track,
    times: track.times.map((t) => t * k),
    sounds: track.sounds.map((s) => ({ ...s, t: s.t * k })),
    video: { ...track.video, fps: captureFps },
  };
}
