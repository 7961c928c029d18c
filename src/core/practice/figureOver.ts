import { mean, median, recordOf } from "../maths";
import { FIGURE_POINTS, type FigurePoint, type Movement } from "../play";
import { SCENE_FIT } from "../scene";
import {
  nearestFrame,
  sides,
  targetSign,
  type Hand,
  type SideName,
  type SidePoints,
  at,
  type Track,
} from "../track";

const PARTS = ["shoulder", "elbow", "wrist", "hip", "knee", "ankle", "heel", "toe"] as const;
type Part = (typeof PARTS)[number];

/** Places in a picture, px, x to the right, y down. */
export type Joints = Readonly<
  Record<SideName, Readonly<Record<Part, readonly [x: number, y: number]>>>
>;

/** A golfer moving in a picture of their own. */
export interface OverlaidFigure {
  /** Where they are at an instant of their own clock, ms. */
  at(ms: number): Joints;
  /**
   * How they stand at address: when; the middle of the feet, the ground under the heels, px; how
   * large a cm of them is; where the target is.
   */
  address: { ms: number; x: number; ground: number; pxPerCm: number; targetSign: 1 | -1 };
  /**
   * Its points were read of a film: hips and shoulders lie lower then, and heels higher, than a
   * drawn figure has them.
   */
  read: boolean;
}

/** The still address is looked at for so long on either side, ms. */
const AROUND_MS = 60;

const feetOf = ({ lead, trail }: Joints) => [lead.heel, lead.toe, trail.heel, trail.toe];
const heelsOf = ({ lead, trail }: Joints) => mean([lead.heel[1], trail.heel[1]]);

/**
 * The golfer of a film, by the points that were read of it; their size by stature, as the scene has
 * it (ears over heels at address).
 */
export function filmedFigure(
  track: Track,
  { hand, statureCm, addressMs }: { hand: Hand; statureCm: number; addressMs: number },
): OverlaidFigure {
  const s = sides(hand);
  const { landmarks, times } = track;
  const place = (i: number, p: number) => [landmarks[at(i, p)]!, landmarks[at(i, p) + 1]!] as const;
  const side = (i: number, p: SidePoints) =>
    Object.fromEntries(PARTS.map((part) => [part, place(i, p[part])])) as Joints["lead"];
  const joints = (i: number): Joints => ({ lead: side(i, s.lead), trail: side(i, s.trail) });
  const [from, to] = [
    nearestFrame(times, addressMs - AROUND_MS),
    nearestFrame(times, addressMs + AROUND_MS),
  ];
  const over = (get: (i: number) => number) =>
    median(Array.from({ length: to - from + 1 }, (_, k) => get(from + k)));
  const ground = over((i) => heelsOf(joints(i)));
  const ears = over((i) => mean([s.lead, s.trail].map(({ ear }) => place(i, ear)[1])));
  return {
    at: (ms) => joints(nearestFrame(times, ms)),
    read: true,
    address: {
      ms: addressMs,
      x: over((i) => mean(feetOf(joints(i)).map(([x]) => x))),
      ground,
      pxPerCm: (ground - ears) / (SCENE_FIT.earsOverHeels * statureCm),
      targetSign: targetSign(hand),
    },
  };
}

/** A drill's own movement: a pixel is a millimetre. */
export function playedFigure(
  { frames, fps, events, from }: Pick<Movement, "frames" | "fps" | "events" | "from">,
  hand: Hand,
): OverlaidFigure {
  const joints = (ms: number): Joints => {
    const frame = frames[Math.min(frames.length - 1, Math.max(0, Math.round((ms / 1000) * fps)))]!;
    const place = (name: FigurePoint) => {
      const k = 2 * FIGURE_POINTS.indexOf(name);
      return [frame[k]!, -frame[k + 1]!] as const;
    };
    const side = (of: SideName) =>
      Object.fromEntries(
        PARTS.map((part) => [
          part,
          place(
            part === "wrist"
              ? "hands"
              : (`${of}${part[0]!.toUpperCase()}${part.slice(1)}` as FigurePoint),
          ),
        ]),
      ) as Joints["lead"];
    return { lead: side("lead"), trail: side("trail") };
  };
  const addressMs = events.address ?? from;
  const address = joints(addressMs);
  return {
    at: joints,
    read: false,
    address: {
      ms: addressMs,
      x: mean(feetOf(address).map(([x]) => x)),
      ground: heelsOf(address),
      pxPerCm: 10,
      targetSign: targetSign(hand),
    },
  };
}

/**
 * One golfer's figure on another one's film: at address its feet stand where the film's golfer has
 * theirs, a centimetre is as long as there, and the target lies on the same side; a drawn figure's
 * parts begin as high as the film's are read. What differs afterwards is how they move.
 *
 * @returns px of the film for ms of the figure's own clock
 * @example laidOver(best, failed)(1200).lead.heel // where the best's lead heel would be in the
 * film that failed
 */
export function laidOver(figure: OverlaidFigure, film: OverlaidFigure): (ms: number) => Joints {
  const [from, to] = [figure.address, film.address];
  const k = to.pxPerCm / from.pxPerCm;
  const turn = from.targetSign * to.targetSign;
  const up = new Map<Part, number>();
  const moved = (s: Joints["lead"]) =>
    recordOf(PARTS, (part): Joints["lead"][Part] => [
      to.x + (s[part][0] - from.x) * k * turn,
      to.ground + (s[part][1] - from.ground) * k + (up.get(part) ?? 0),
    ]);
  const laid = (ms: number): Joints => {
    const { lead, trail } = figure.at(ms);
    return { lead: moved(lead), trail: moved(trail) };
  };
  if (figure.read !== film.read) {
    const [there, here] = [film.at(to.ms), laid(from.ms)];
    for (const part of PARTS)
      up.set(
        part,
        mean(
          (["lead", "trail"] as const).map((side) => there[side][part][1] - here[side][part][1]),
        ),
      );
  }
  return laid;
}
