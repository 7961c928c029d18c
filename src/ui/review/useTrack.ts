"use client";

import { useEffect, useState } from "react";
import { readTrack } from "@/core/formats/trackFile";
import { finishTrack } from "@/core/track/finishTrack";
import { realTime } from "@/core/track/realTime";
import type { Track } from "@/core/track/track";
import type { RepDetail } from "@/server/reps/queries";

/** A rep's track: as kept, and as it is drawn. */
export interface LoadedTrack {
  bytes: Uint8Array;
  track: Track;
  /** How many times longer the film lasts than what happened. */
  filmRate: number;
}

/** Fetches a rep's track; null until it is there. */
export function useTrack({ trackSha256, captureFps }: Pick<RepDetail, "trackSha256" | "captureFps">): LoadedTrack | null {
  const [loaded, setLoaded] = useState<LoadedTrack | null>(null);
  useEffect(() => {
    let current = true;
    void fetch(`/api/tracks/${trackSha256}`).then(async (r) => {
      if (!r.ok || !current) return;
      const bytes = new Uint8Array(await r.arrayBuffer());
      const track = readTrack(bytes);
      if (current) setLoaded({ bytes, track: finishTrack(realTime(track, captureFps), true), filmRate: captureFps === null ? 1 : captureFps / track.video.fps });
    });
    return () => {
      current = false;
    };
  }, [trackSha256, captureFps]);
  return loaded;
}
