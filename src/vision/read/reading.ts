import {
  statureInPx,
  finishTrack,
  midHands,
  plantedSpells,
  roughReps,
  at,
  edgeAt,
  EDGES,
  OUTLINE,
  POINT,
  POINTS,
  PRESENT,
  STRIDE,
  type FootPath,
  type HandsPath,
  type Track,
} from "../../core/track";
import type { Square } from "../crop";
import type { FeetArea } from "../pictures";
import { readPoints, type LandmarkOutput } from "../network";
import { footPaths, risePath, handsPath, type LumaWindow } from "../patches";
import { footEdges, maskRows, type MaskRows, readOutline } from "../silhouette";

/** The hands are followed for this long each way from a rough top, s: it may be 150 ms off. */
export const HANDS_S = 0.3;

/** Spells and tops whose frames differ by no more than this are the same. */
const SAME_FRAMES = 3;

/**
 * What one look at a picture told: body points (33 × x px, y px, visibility, σ px), the outline's
 * edges (px), how surely somebody is there, and the mask round the feet.
 */
export interface Seen {
  points: Float32Array;
  outline: Float32Array;
  presence: number;
  soles: MaskRows;
}

/** What the network's output tells of the square that it looked at. */
export function seenIn(
  output: LandmarkOutput,
  square: Square,
  feet: FeetArea,
  faceOn: boolean,
): Seen {
  const points = new Float32Array(POINTS * STRIDE);
  const outline = new Float32Array(OUTLINE);
  readPoints(output, square, points);
  readOutline(output.mask, points, square, outline, faceOn);
  return {
    points,
    outline,
    presence: output.presence,
    soles: maskRows(output.mask, square, feet.top, feet.top + feet.height),
  };
}

/** What a track says beside what was seen in its frames. */
export type AboutClip = Pick<Track, "video" | "crop" | "model" | "others" | "looks" | "sounds">;

/** What has been read of a clip so far, frame by frame; frames may be looked at in any order. */
export class Reading {
  readonly times: number[] = [];
  /** Brightness round the feet, of every frame that is not settled yet. */
  readonly feet: (LumaWindow | undefined)[] = [];
  private readonly landmarks: Float32Array;
  private readonly outline: Float32Array;
  private readonly presence: Float32Array;
  private readonly read: Uint8Array;
  private readonly footEdges: Float32Array;
  private readonly footPaths: FootPath[] = [];
  private readonly handsPaths: HandsPath[] = [];
  private readonly soles: (MaskRows | undefined)[] = [];
  private readonly followed: {
    key: readonly [foot: "left" | "right", ...frames: number[]];
    paths: FootPath[];
  }[] = [];

  constructor(
    total: number,
    private readonly square: Square,
    private readonly feetArea: FeetArea,
    private readonly faceOn: boolean,
  ) {
    this.landmarks = new Float32Array(total * POINTS * STRIDE).fill(NaN);
    this.outline = new Float32Array(total * OUTLINE).fill(NaN);
    this.presence = new Float32Array(total).fill(NaN);
    this.read = new Uint8Array(total);
    this.footEdges = new Float32Array(total * EDGES).fill(NaN);
  }

  /** Takes what the network said of a frame; its points, in the picture's px. */
  take(i: number, output: LandmarkOutput): Float32Array {
    const seen = seenIn(output, this.square, this.feetArea, this.faceOn);
    this.put(i, seen);
    return seen.points;
  }

  /** Takes what a look at a frame told. */
  put(i: number, { points, outline, presence, soles }: Seen): void {
    this.landmarks.set(points, at(i, 0));
    this.outline.set(outline, i * OUTLINE);
    this.presence[i] = presence;
    this.read[i] = 1;
    this.soles[i] = soles;
  }

  /** Share of the frames read in which the golfer was there. */
  get seen(): number {
    const read = Array.from(this.times.keys()).filter((i) => this.read[i]);
    return read.filter((i) => this.presence[i]! >= PRESENT).length / Math.max(1, read.length);
  }

  /** The track of what has been read of some frames, without what is followed in the picture. */
  track(about: AboutClip, from = 0, to = this.times.length): Track {
    const whole = this.read.subarray(from, to).every((r) => r === 1);
    return {
      ...about,
      times: Float64Array.from(this.times.slice(from, to)),
      ...(whole ? {} : { read: this.read.slice(from, to) }),
      landmarks: this.landmarks.slice(at(from, 0), at(to, 0)),
      outline: this.outline.slice(from * OUTLINE, to * OUTLINE),
      presence: this.presence.slice(from, to),
      footEdges: new Float32Array((to - from) * EDGES).fill(NaN),
      footPaths: [],
      handsPaths: [],
    };
  }

  /**
   * Keeps what was followed in a track of the frames from `from` on, and lets go of what it was
   * followed in.
   */
  settle(track: Track, from: number): void {
    this.footEdges.set(track.footEdges, from * EDGES);
    for (const p of track.footPaths)
      this.footPaths.push({
        ...p,
        from: p.from + from,
        plantedFrom: p.plantedFrom + from,
        plantedTo: p.plantedTo + from,
      });
    for (const p of track.handsPaths) this.handsPaths.push({ ...p, from: p.from + from });
    for (let i = from; i < from + track.times.length; i++) this.feet[i] = this.soles[i] = undefined;
    this.followed.length = 0;
  }

  /** The track of all that was settled. */
  settled(about: AboutClip): Track {
    const footEdges = this.footEdges.slice(0, this.times.length * EDGES);
    return {
      ...this.track(about),
      footEdges,
      footPaths: this.footPaths,
      handsPaths: this.handsPaths,
    };
  }

  /**
   * What was followed once need not be followed again when a closer look moves a spell's end or a
   * top by a picture or two.
   */
  private once(
    key: readonly [foot: "left" | "right", ...frames: number[]],
    follow: () => FootPath[],
  ): FootPath[] {
    const near = (k: readonly (string | number)[]) =>
      k.length === key.length &&
      k[0] === key[0] &&
      k.slice(1).every((f, j) => Math.abs(Number(f) - Number(key[j + 1])) <= SAME_FRAMES);
    const known = this.followed.find((f) => near(f.key));
    if (known) return known.paths;
    const paths = follow();
    this.followed.push({ key, paths });
    return paths;
  }

  /**
   * Adds the shoes' edges, and shoes and hands as followed in the picture.
   *
   * @param from frame of the clip that is the track's first
   * @param handsAt brightness round a place in a frame of the clip; null where that frame is not at
   * hand
   */
  follow(
    track: Track,
    from: number,
    handsAt: (i: number, x: number, y: number) => LumaWindow | null,
  ): void {
    const first = finishTrack(track, this.faceOn);
    const cm = statureInPx(first) / 178;
    const point = (i: number, p: number) =>
      [first.landmarks[at(i, p)]!, first.landmarks[at(i, p) + 1]!] as const;
    const feet = this.feet.slice(from, from + track.times.length).filter((w) => w !== undefined);
    if (feet.length < track.times.length)
      throw new RangeError("frames that are settled can't be followed again");
    for (let i = 0; i < track.times.length; i++) {
      const mask = this.soles[from + i];
      if (!mask) continue;
      for (const foot of ["left", "right"] as const)
        track.footEdges.set(
          footEdges(
            mask,
            track.crop,
            point(i, POINT[`${foot}Ankle`]),
            point(i, POINT[`${foot}Heel`]),
            point(i, POINT[`${foot}Toe`]),
            cm,
          ),
          edgeAt(i, foot, "left"),
        );
    }
    const reps = roughReps(first);
    for (const foot of ["left", "right"] as const)
      for (const spell of plantedSpells(first, foot)) {
        const own = (paths: FootPath[]) =>
          paths.map((p) => ({ ...p, plantedFrom: spell.from, plantedTo: spell.to }));
        track.footPaths.push(
          ...own(
            this.once([foot, spell.from, spell.to], () => footPaths(spell, feet, track.times, cm)),
          ),
        );
        // From behind no likeness tells a heel from its shin (docs/decisions/12).
        for (const { top, low } of this.faceOn ? reps : [])
          track.footPaths.push(
            ...own(
              this.once([foot, spell.from, spell.to, top, low], () =>
                [risePath(spell, feet, track.times, cm, top, low)].filter((p) => p !== null),
              ),
            ),
          );
      }
    const hands = midHands(track.read ? first : track);
    for (const { top } of reps) {
      const span = Math.round(HANDS_S * track.video.fps);
      const windows = Array.from(track.times, (_, i) =>
        Math.abs(i - top) <= span ? handsAt(from + i, hands.x[i]!, hands.y[i]!) : null,
      );
      track.handsPaths.push(handsPath(windows, hands, top, span, Math.round(14 * cm)));
    }
  }
}
