import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { readTrack } from "../src/core/formats/trackFile";
import type { Track } from "../src/core/track/track";

/** A rendered clip's truth beside its track, as tools/clips/make.ts and tracks.ts write them. */
export interface TruthClip {
  id: string;
  track: Track;
  truth: {
    drill: string;
    golfer: { stature: number; hand: "left" | "right"; sex: string; name: string };
    camera: { distance: number; fov: number; width: number; fps: number };
    events: Record<string, number>;
    footEvents: { foot: "lead" | "trail"; event: string; t: number }[];
    measures: Record<string, number>;
    perFrame: { t: number; leadShare: number; joints: Record<string, { px: [number, number]; cm: [number, number, number] }> }[];
  };
}

export function truthClips(clips = "demo/clips", tracks = "demo/tracks"): TruthClip[] {
  return readdirSync(tracks)
    .filter((f) => f.endsWith(".track"))
    .sort()
    .map((f) => {
      const id = f.replace(/\.track$/, "");
      return { id, track: readTrack(readFileSync(path.join(tracks, f))), truth: JSON.parse(readFileSync(path.join(clips, `${id}.json`), "utf8")) as TruthClip["truth"] };
    });
}
