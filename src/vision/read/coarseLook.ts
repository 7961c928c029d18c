import { median } from "../../core/maths";
import { POINT, POINTS, PRESENT, STRIDE, type Track } from "../../core/track";
import { boxOf, Resampler, type Square } from "../crop";
import {
  ClipError,
  memoryForWhole,
  type Cutout,
  type Box,
  oneAhead,
  type OpenClip,
  handled,
} from "../decode";
import type { EarlyPictures } from "../pictures";
import {
  bodySquare,
  decodeDetections,
  type Found,
  proposedSquare,
  readPoints,
  DETECT_SIDE,
  type LandmarkOutput,
  type PoseNetwork,
} from "../network";
import type { ReadTimings } from "./readTimings";

/** One picture in this many ms is looked at; one in this many is searched for other people. */
export const COARSE_MS = 250;
const PEOPLE_MS = 500;
/**
 * The still crop against the network's usual square: tighter, so that the legs are larger and swap
 * less (a study before this code found 0.85).
 */
const TIGHT = 0.85;
/** Height of the body in a still crop, px: of what the network's usual square is made from. */
export const bodyIn = ({ size }: Square): number => size / TIGHT / 1.25 / 1.1;
/**
 * Looks under way at once, whatever the device: each takes its square from the look so many before
 * it, so that two networks both have work.
 */
const UNDER_WAY = 2;
/**
 * Looks whose square is nearer than this to the middle one (share of its size) are of the place
 * where the golfer practises.
 */
const SAME_PLACE = 0.35;

/** Cuts a square out of a picture for the network. */
type Crop = (picture: Cutout, square: Square) => Float32Array<ArrayBuffer>;

export interface CoarseLook {
  /** The one still crop for the whole clip. */
  square: Square;
  /** Other people: when they were seen, and where. */
  others: Track["others"];
  /** Where the golfer was seen in it, with room for a club. */
  golfer: Box;
  /** Usual middle of the feet there, px. */
  feet: [x: number, y: number];
}

/**
 * One picture in every quarter second: where the golfer practises (the middle of where they are
 * seen, so that walking in and out does not count), how much room the whole movement needs there,
 * and who else is in the picture.
 */
export async function coarseLook(
  clip: OpenClip,
  network: PoseNetwork,
  crop: Crop,
  timings: ReadTimings,
  meanwhile: (t: number) => void,
  early?: EarlyPictures,
): Promise<CoarseLook> {
  const seen = await follow(clip, network, crop, timings, meanwhile, null, early);
  const stays = somebodyStays(seen);
  // Who was taken for the golfer walked by, before somebody who stands there all the while.
  return summed(stays ? await follow(clip, network, crop, timings, meanwhile, stays) : seen);
}

/** Where the followed golfer was seen and what room they need there, and other people. */
interface Followed {
  wanted: { square: Square; box: Box; feet: [number, number] }[];
  others: Track["others"];
  /** Looks at which people were looked for. */
  looks: number;
}

/**
 * The place of somebody else who stood still in most looks and is no smaller than the one who was
 * followed, while that one went by; null when there is nobody.
 */
function somebodyStays({ wanted, others, looks }: Followed): Square | null {
  if (!wanted.length) return null;
  const size = median(wanted.map((w) => w.square.size));
  const xs = wanted.map((w) => w.square.cx);
  if (Math.max(...xs) - Math.min(...xs) < WENT_BY * size) return null;
  const [cx, cy] = [median(others.map((o) => o.x)), median(others.map((o) => o.y))];
  const there = others.filter((o) => Math.hypot(o.x - cx, o.y - cy) < 0.25 * o.size);
  if (there.length < looks * STAYED || median(there.map((o) => o.size)) < size * NOT_FAR)
    return null;
  return { cx, cy, size: median(there.map((o) => o.size)) };
}

/**
 * Shares: of a body's square that somebody who goes by covers; of the looks in which somebody who
 * stays is seen; of the other's size that they have.
 */
const WENT_BY = 0.7;
const STAYED = 0.5;
const NOT_FAR = 0.5;

/**
 * A film longer than this is looked over by its key frames, of which one in so many ms is enough:
 * decoding all of it twice would take minutes.
 */
export const LONG_MS = 120_000;
const KEY_MS = 2500;
/** Fewer key frames than this share of those wanted are too few. */
const ENOUGH_KEYS = 0.5;

/**
 * One whole picture in every `COARSE_MS`; of a long film fewer. Each is valid until the next but
 * one is asked for.
 */
async function* wholePictures(
  clip: OpenClip,
  early: EarlyPictures | undefined,
): AsyncGenerator<Cutout, void, unknown> {
  const memory = [0, 1, 2].map(() => memoryForWhole(clip));
  let count = 0;
  const keys = clip.durationMs > LONG_MS ? await clip.keyPictures(KEY_MS) : null;
  let next = 0;
  for await (const picture of keys && keys.count >= (ENOUGH_KEYS * clip.durationMs) / KEY_MS
    ? keys.pictures()
    : clip.pictures()) {
    if (picture.timeMs >= next) {
      next = picture.timeMs + COARSE_MS;
      yield await picture.cut(null, () => memory[count++ % memory.length]!);
    }
    await early?.keep(picture);
  }
}

/** @param start where the golfer stands, when known; else the largest person is the golfer */
async function follow(
  clip: OpenClip,
  network: PoseNetwork,
  crop: Crop,
  timings: ReadTimings,
  meanwhile: (t: number) => void,
  start: Square | null,
  early?: EarlyPictures,
): Promise<Followed> {
  const wanted: Followed["wanted"] = [];
  const people: Promise<Track["others"]>[] = [];
  let square: Square | null = start;
  let looks = 0;
  let nextPeople = 0;
  const points = new Float32Array(POINTS * STRIDE);
  const look = (picture: Cutout, square: Square) =>
    handled(network.landmarks(crop(picture, square), { t: picture.frame.timeMs, square }));
  const under: { of: Square; said: Promise<LandmarkOutput> }[] = [];
  const ask = (picture: Cutout, of: Square) => under.push({ of, said: look(picture, of) });
  const settle = async () => {
    const { of, said } = under.shift()!;
    const output = await said;
    if (output.presence < PRESENT) square = start;
    else {
      const proposal = bodySquare(...proposedSquare(output, of));
      readPoints(output, of, points);
      // Somebody who passes before a golfer whose place is known is not followed away from it.
      const strayed = start && !samePerson(proposal, start);
      if (!strayed) wanted.push(roomFor(points, proposal));
      square = strayed ? start : proposal;
    }
    network.done(output);
  };
  const asked = performance.now();
  let inside = 0;
  for await (const frame of oneAhead(wholePictures(clip, early))) {
    const t = frame.frame.timeMs;
    meanwhile(t);
    const t0 = performance.now();
    while (under.length >= (square ? UNDER_WAY : 1)) await settle();
    const lost = !square;
    if (square) ask(frame, square);
    if (lost || t >= nextPeople) {
      nextPeople = t + PEOPLE_MS;
      looks++;
      const found = handled(findPeople(frame, network, timings, lost));
      let own = square;
      if (lost) {
        const [first] = await found;
        own = square = first?.square ?? null;
        // The detector's square is a first guess: the landmark network's own proposal is looked at
        // twice before it counts.
        for (let k = 0; square && k < 2; k++)
          square = bodySquare(...proposedSquare(await look(frame, square), square));
        if (square) ask(frame, square);
        if (looks === 1) early?.around(square && roomRound(square));
      }
      // Who else is there decides nothing about the next look: it is heard when all looks are over.
      if (own) people.push(handled(found.then((all) => strangers(t, all, own))));
    }
    inside += performance.now() - t0;
  }
  while (under.length) await settle();
  timings.decodeMs += performance.now() - asked - inside;
  return { wanted, others: (await Promise.all(people)).flat(), looks };
}

function summed({ wanted, others }: Followed): CoarseLook {
  if (!wanted.length) throw new ClipError("noPerson");
  const middle = (of: (w: (typeof wanted)[number]) => number, list = wanted) =>
    median(list.map(of));
  const [cx, cy, size] = [
    middle((w) => w.square.cx),
    middle((w) => w.square.cy),
    middle((w) => w.square.size),
  ];
  const here = wanted.filter(
    ({ square: s }) =>
      Math.hypot(s.cx - cx, s.cy - cy) < SAME_PLACE * size &&
      s.size < 1.7 * size &&
      s.size > size / 1.7,
  );
  const sizes = here.map((w) => w.square.size).sort((a, b) => a - b);
  const span = (of: (s: Square) => number) => {
    const v = here.map((w) => of(w.square)).sort((a, b) => a - b);
    return (v[0]! + v[v.length - 1]!) / 2;
  };
  const edge = (pick: (...v: number[]) => number, key: keyof Box) =>
    pick(...here.map((w) => w.box[key]));
  return {
    square: {
      cx: Math.round(span((s) => s.cx)),
      cy: Math.round(span((s) => s.cy)),
      size: Math.round(sizes[Math.floor(sizes.length * 0.75)]!),
    },
    others,
    feet: [middle((w) => w.feet[0], here), middle((w) => w.feet[1], here)],
    golfer: {
      left: edge(Math.min, "left"),
      top: edge(Math.min, "top"),
      right: edge(Math.max, "right"),
      bottom: edge(Math.max, "bottom"),
    },
  };
}

/**
 * A square's surroundings: a practising golfer stays within them, and with them their crop, which
 * is smaller than the network's own square.
 */
const roomRound = ({ cx, cy, size }: Square): Box => boxOf({ cx, cy, size: size * ROOM });

const ROOM = 1.15;

/** Those who were found and are not the one who is followed. */
export const strangers = (t: number, found: readonly Found[], own: Square): Track["others"] =>
  found
    .filter((f) => !samePerson(f.square, own))
    .map(({ square: { cx, cy, size } }) => ({ t, x: cx, y: cy, size }));

/** Whether a square that the detector found is round the one that is followed. */
const samePerson = (s: Square, own: Square): boolean =>
  Math.hypot(s.cx - own.cx, s.cy - own.cy) < 0.25 * own.size &&
  s.size < 1.3 * own.size &&
  s.size > own.size / 1.3;

/**
 * The tight square for one picture, opened if the hands or feet would not be in it; and the box of
 * the body with room for a club.
 */
function roomFor(
  points: Float32Array,
  proposal: Square,
): { square: Square; box: Box; feet: [number, number] } {
  const used = [
    POINT.leftWrist,
    POINT.rightWrist,
    POINT.leftToe,
    POINT.rightToe,
    POINT.leftEar,
    POINT.rightEar,
    POINT.leftHip,
    POINT.rightHip,
  ];
  const xs = used.map((p) => points[p * STRIDE]!);
  const ys = used.map((p) => points[p * STRIDE + 1]!);
  const [l, r, t, b] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const room = Math.max(r - l, b - t) * 1.16;
  const club = (b - t) * 0.3;
  const feet = [
    POINT.leftAnkle,
    POINT.rightAnkle,
    POINT.leftToe,
    POINT.rightToe,
    POINT.leftHeel,
    POINT.rightHeel,
  ];
  const mean = (axis: 0 | 1) =>
    feet.reduce((sum, p) => sum + points[p * STRIDE + axis]!, 0) / feet.length;
  return {
    feet: [mean(0), mean(1)],
    square: {
      cx: (l + r) / 2,
      cy: (t + b) / 2,
      size: Math.max(proposal.size * TIGHT * 0.94, room),
    },
    box: { left: l - club, right: r + club, top: t - club, bottom: b + club * 0.6 },
  };
}

/**
 * Looks for people in overlapping square tiles of the picture's shorter side; in half-size tiles
 * too when there is nobody and `thorough`.
 *
 * @param overlap of neighbouring tiles, share of their side; at least the whole picture is covered
 */
export async function findPeople(
  picture: Cutout,
  network: PoseNetwork,
  timings: Pick<ReadTimings, "detectorRuns">,
  thorough: boolean,
  overlap = 0.5,
): Promise<Found[]> {
  const { width, height } = picture.of;
  const cut = new Resampler(DETECT_SIDE, -1, 1, "black");
  for (const side of thorough
    ? [Math.min(width, height), Math.min(width, height) / 2]
    : [Math.min(width, height)]) {
    const looked: Promise<Found[]>[] = [];
    for (const cx of centres(width, side, overlap))
      for (const cy of centres(height, side, overlap)) {
        const tile = { cx, cy, size: side };
        looked.push(
          network
            .detect(cut.cut(picture, tile), { t: picture.frame.timeMs, square: tile })
            .then(({ boxes, scores }) => decodeDetections(boxes, scores, tile)),
        );
        timings.detectorRuns++;
      }
    const found = (await Promise.all(looked)).flat();
    found.sort((a, b) => b.score - a.score);
    const people: Found[] = [];
    for (const f of found)
      if (
        people.every(
          (p) =>
            Math.hypot(p.square.cx - f.square.cx, p.square.cy - f.square.cy) > 0.25 * p.square.size,
        )
      )
        people.push(f);
    // The golfer is the largest person that is surely one.
    if (people.length) return people.sort((a, b) => b.square.size - a.square.size);
  }
  return [];
}

function centres(length: number, side: number, overlap: number): number[] {
  const n = Math.max(1, Math.ceil((length - side) / (side * (1 - overlap)) - 1e-9) + 1);
  return n === 1
    ? [length / 2]
    : Array.from({ length: n }, (_, i) => side / 2 + (i * (length - side)) / (n - 1));
}
