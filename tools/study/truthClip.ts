import { existsSync, readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { brotliDecompressSync } from "node:zlib";
import { readTrack } from "../../src/core/formats/trackFile";
import type { RepKind } from "../../src/core/reps/rep";
import type { Track } from "../../src/core/track/track";

export interface TruthRep {
  kind: RepKind;
  from: number;
  to: number;
  clubAhead?: boolean;
  movingStart?: boolean;
  slow?: boolean;
  hipsOnly?: boolean;
  foot?: "lead" | "trail";
  strike?: number;
  events: Record<string, number>;
  footEvents: { foot: "lead" | "trail"; event: string; t: number }[];
  turns: { of: "pressure" | "hands" | "foot"; t: number; side: "target" | "away" }[];
  measures: Record<string, number>;
}

/** A rendered clip's exact truth, as tools/clips/make.ts writes it. */
export interface Truth {
  id: string;
  about: string;
  drill: string;
  /** Absent = the main stage of the view. */
  stage?: string;
  view: "face-on" | "down-the-line";
  place: string;
  light: string;
  golfer: { stature: number; hand: "left" | "right"; sex: string; name: string };
  camera: {
    distance: number;
    height: number;
    fov: number;
    width: number;
    height_px: number;
    fps: number;
    yaw: number;
    roll: number;
    knock?: { at: number };
  };
  reps: TruthRep[];
  /** Only beside the clips themselves, not in the small copies that the repository keeps. */
  perFrame?: {
    t: number;
    leadShare: number;
    joints: Record<string, { px: [number, number]; cm: [number, number, number] }>;
  }[];
}

export interface TruthClip {
  id: string;
  truth: Truth;
  track: () => Track;
}

/**
 * The clips of a set that have been read: truth from one folder, tracks (plain or packed) from
 * another.
 */
export function truthClips(clips: string, tracks = clips): TruthClip[] {
  if (!existsSync(tracks)) return [];
  return readdirSync(tracks)
    .filter((f) => /\.track(\.br)?$/.test(f))
    .sort()
    .map((f) => {
      const id = f.replace(/\.track(\.br)?$/, "");
      const bytes = () => readFileSync(path.join(tracks, f));
      const plain = path.join(clips, `${id}.json`);
      return {
        id,
        truth: JSON.parse(
          existsSync(plain)
            ? readFileSync(plain, "utf8")
            : brotliDecompressSync(readFileSync(`${plain}.br`)).toString(),
        ) as Truth,
        track: () => readTrack(f.endsWith(".br") ? brotliDecompressSync(bytes()) : bytes()),
      };
    });
}
