"use client";

import { useEffect, useMemo, useState } from "react";
import { readTrack } from "@/core/formats";
import { finishTrack, realTime, type Track } from "@/core/track";
import type { RepDetail } from "@/server/reps/queries";
import { useKeptFiles, type KeptFiles } from "@/ui/kit/keptFiles";

/** A rep's track: as kept, and as it is drawn. */
export interface LoadedTrack {
  bytes: Uint8Array;
  track: Track;
  /** How many times longer the film lasts than what happened. */
  filmRate: number;
}

type Kept = Pick<RepDetail, "trackSha256" | "captureFps">;

async function fetched(
  files: KeptFiles,
  { trackSha256, captureFps }: Kept,
): Promise<LoadedTrack | null> {
  const file = await files("tracks", trackSha256);
  if (!file) return null;
  const bytes = new Uint8Array(await file.arrayBuffer());
  const track = readTrack(bytes);
  return {
    bytes,
    track: finishTrack(realTime(track, captureFps), true),
    filmRate: captureFps === null ? 1 : captureFps / track.video.fps,
  };
}

/**
 * Fetches the tracks of reps, in their order, null for one that can't be had; null until all are
 * told. @param reps the same array while they are the same reps
 */
export function useTracks(reps: readonly Kept[]): readonly (LoadedTrack | null)[] | null {
  const files = useKeptFiles();
  const [loaded, setLoaded] = useState<{
    of: readonly Kept[];
    tracks: readonly (LoadedTrack | null)[];
  } | null>(null);
  useEffect(() => {
    let current = true;
    void Promise.all(reps.map((r) => fetched(files, r).catch(() => null))).then(
      (tracks) => current && setLoaded({ of: reps, tracks }),
    );
    return () => {
      current = false;
    };
  }, [reps, files]);
  return loaded?.of === reps ? loaded.tracks : null;
}

/** Fetches a rep's track; null until it is there. */
export function useTrack({ trackSha256, captureFps }: Kept): LoadedTrack | null {
  const one = useMemo(() => [{ trackSha256, captureFps }], [trackSha256, captureFps]);
  return useTracks(one)?.[0] ?? null;
}
