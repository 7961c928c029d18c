import type { RepSeries } from "@/core/analysis";
import { readAt, sidesOf, type InsoleReading, type Joints } from "@/core/practice";
import { sides, targetSign, type SidePoints, at, POINT, type Track } from "@/core/track";
import { sampleAt } from "@/ui/charts/strip/geometry";
import { FONT, label, type Canvas2d, type Pen } from "./pen";

/** Where in the film the golfer is shown: a square of it, px of the film. */
export interface OverlayView {
  left: number;
  top: number;
  size: number;
}

export const viewOf = (track: Track): OverlayView => {
  const size = Math.min(track.crop.size * 1.12, Math.max(track.video.width, track.video.height));
  return { left: track.crop.cx - size / 2, top: track.crop.cy - size / 2, size };
};

const FEET = [
  POINT.leftAnkle,
  POINT.rightAnkle,
  POINT.leftHeel,
  POINT.rightHeel,
  POINT.leftToe,
  POINT.rightToe,
];
/** Left free round the feet, a share of what they take. */
const ROUND = 0.2;

/** The square in which both feet are from one picture of a track to another. */
export function feetView(track: Track, from: number, to: number): OverlayView {
  const of = (axis: 0 | 1) =>
    Array.from({ length: to - from + 1 }, (_, k) =>
      FEET.map((p) => track.landmarks[at(from + k, p) + axis]!),
    )
      .flat()
      .filter(Number.isFinite);
  const [x, y] = [of(0), of(1)];
  const [left, right, top, bottom] = [
    Math.min(...x),
    Math.max(...x),
    Math.min(...y),
    Math.max(...y),
  ];
  const size = Math.max(right - left, bottom - top) * (1 + 2 * ROUND);
  return { left: (left + right - size) / 2, top: (top + bottom - size) / 2, size };
}

/** What can be drawn over the film. */
export const PARTS = ["joints", "feet", "weight", "insoles", "ways", "start", "limits"] as const;
export type OverlayPart = (typeof PARTS)[number];

/** What an overlay is drawn from. */
export interface Drawn {
  track: Track;
  hand: "left" | "right";
  series: RepSeries;
  /** Picture of the still address, and from which the ways of hips and head are drawn. */
  address: number;
  /**
   * How far the hips may go, cm along T from where they were at address, with what each limit is
   * called; and how large a pixel is.
   */
  limits: readonly { cm: number; name: string }[];
  cmPerPx: number | null;
  /** What insoles measured, on the film's clock. */
  insoles?: InsoleReading | null;
}

const DARK = "#0a242f";
const CASE = "rgba(10,36,47,.75)";
const LEAD = "#4fa5fa";
const TRAIL = "#f98a3c";
const STREAM = "#cbe9f0";

/**
 * Draws over one picture of a film what is asked for: trunk and arms white, the lead leg blue, the
 * trail leg orange.
 */
export function drawOverlay(
  ctx: Canvas2d,
  drawn: Drawn,
  frame: number,
  parts: ReadonlySet<OverlayPart>,
  view: OverlayView,
  px: number,
): void {
  const { track, hand } = drawn;
  const k = px / view.size;
  const s = sides(hand);
  const pen: Pen = {
    ctx,
    px,
    place: (f, p) => [
      (track.landmarks[at(f, p)]! - view.left) * k,
      (track.landmarks[at(f, p) + 1]! - view.top) * k,
    ],
    x: (filmX) => (filmX - view.left) * k,
    y: (filmY) => (filmY - view.top) * k,
  };
  if (parts.has("start")) ghost(pen, drawn.address, s);
  if (parts.has("limits")) limits(pen, drawn);
  if (parts.has("ways")) ways(pen, drawn.address, frame);
  if (parts.has("joints")) joints(pen, frame, s);
  if (parts.has("feet")) feet(pen, drawn, frame, s);
  if (parts.has("insoles")) loads(pen, drawn, frame, s);
  if (parts.has("weight")) weight(pen, drawn, frame, s);
  const leadRight = targetSign(hand);
  label(pen, frame, s.trail, "▲ trail", "#ffa061", -leadRight);
  label(pen, frame, s.lead, "lead ●", "#74baff", leadRight);
}

type Sides = ReturnType<typeof sides>;

function line(
  { ctx }: Pick<Pen, "ctx">,
  points: readonly [number, number][],
  colour: string,
  width = 3,
  dash: number[] = [],
): void {
  for (const [w, style] of [
    [width + 3, CASE],
    [width, colour],
  ] as const) {
    ctx.beginPath();
    points.forEach(([x, y], i) => (i ? ctx.lineTo(x, y) : ctx.moveTo(x, y)));
    ctx.lineWidth = w;
    ctx.strokeStyle = style;
    ctx.lineJoin = "round";
    ctx.setLineDash(dash);
    // A dash shorter than the pen is a dot, and only a round pen paints it.
    ctx.lineCap = dash.length ? "round" : "butt";
    ctx.stroke();
  }
  ctx.setLineDash([]);
}

/** One side's joints: as the network's points, or as places. */
type Side<T> = Readonly<
  Record<"shoulder" | "elbow" | "wrist" | "hip" | "knee" | "ankle" | "heel" | "toe", T>
>;
const legOf = <T>(p: Side<T>): T[] => [p.hip, p.knee, p.ankle, p.heel, p.toe, p.ankle];
const trunkOf = <T>({ lead, trail }: { lead: Side<T>; trail: Side<T> }): T[][] => [
  [trail.shoulder, trail.elbow, trail.wrist],
  [lead.shoulder, lead.elbow, lead.wrist],
  [trail.hip, trail.shoulder, lead.shoulder, lead.hip, trail.hip],
];

function joints(pen: Pen, frame: number, s: Sides): void {
  for (const bones of trunkOf(s))
    line(
      pen,
      bones.map((p) => pen.place(frame, p)),
      "#fff",
    );
  for (const [p, colour] of [
    [s.trail, TRAIL],
    [s.lead, LEAD],
  ] as const) {
    line(
      pen,
      legOf(p).map((q) => pen.place(frame, q)),
      colour,
    );
    for (const joint of [p.hip, p.knee, p.ankle]) dot(pen, pen.place(frame, joint), 4.2, colour);
  }
}

/** Another figure over the picture, told apart by its dashes. @param joints px of the film */
export function drawFigure(
  ctx: Canvas2d,
  joints: Joints,
  dash: readonly number[],
  view: OverlayView,
  px: number,
): void {
  const k = px / view.size;
  const bones = (points: readonly (readonly [number, number])[], colour: string) =>
    line(
      { ctx },
      points.map(([x, y]) => [(x - view.left) * k, (y - view.top) * k]),
      colour,
      3,
      [...dash],
    );
  for (const part of trunkOf(joints)) bones(part, "#fff");
  for (const [side, colour] of [
    [joints.trail, TRAIL],
    [joints.lead, LEAD],
  ] as const)
    bones(legOf(side), colour);
}

function dot(
  { ctx }: Pen,
  [x, y]: [number, number],
  r: number,
  fill: string | null,
  stroke = DARK,
  width = 1.6,
): void {
  ctx.beginPath();
  ctx.arc(x, y, r, 0, 7);
  if (fill) {
    ctx.fillStyle = fill;
    ctx.fill();
  }
  ctx.lineWidth = width;
  ctx.strokeStyle = stroke;
  ctx.stroke();
}

/** How they stood at address. */
function ghost({ ctx, place }: Pen, address: number, s: Sides): void {
  ctx.globalAlpha = 0.55;
  for (const bones of [...trunkOf(s), legOf(s.trail), legOf(s.lead)]) {
    ctx.beginPath();
    bones.forEach((p, i) =>
      i ? ctx.lineTo(...place(address, p)) : ctx.moveTo(...place(address, p)),
    );
    ctx.lineWidth = 2;
    ctx.setLineDash([3, 4]);
    ctx.strokeStyle = "#fff";
    ctx.stroke();
  }
  ctx.setLineDash([]);
  ctx.globalAlpha = 1;
}

const middle = (pen: Pen, frame: number, a: number, b: number): [number, number] => {
  const [p, q] = [pen.place(frame, a), pen.place(frame, b)];
  return [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];
};

/** The ways of hips (dashed, as in the strip) and head since address. */
function ways(pen: Pen, address: number, frame: number): void {
  for (const [a, b, dash] of [
    [POINT.leftHip, POINT.rightHip, [6, 4]],
    [POINT.leftEar, POINT.rightEar, []],
  ] as const) {
    const way = Array.from({ length: Math.max(0, frame - address) + 1 }, (_, i) =>
      middle(pen, Math.min(address, frame) + i, a, b),
    );
    line(pen, way, "#fff", 2, [...dash]);
    dot(pen, way.at(-1), 4, "#fff");
  }
}

/** Where the hips may go, beside them. */
function limits(pen: Pen, { track, hand, limits: all, cmPerPx, address }: Drawn): void {
  if (cmPerPx === null) return;
  const { ctx } = pen;
  const hipX =
    (track.landmarks[at(address, POINT.leftHip)]! + track.landmarks[at(address, POINT.rightHip)]!) /
    2;
  const [, y] = middle(pen, address, POINT.leftHip, POINT.rightHip);
  for (const { cm, name } of all) {
    const x = pen.x(hipX + (targetSign(hand) * cm) / cmPerPx);
    line(
      pen,
      [
        [x, y - 0.12 * pen.px],
        [x, y + 0.12 * pen.px],
      ],
      "#fff",
      2.5,
    );
    ctx.font = FONT;
    const w = ctx.measureText(name).width + 12;
    const left = Math.min(Math.max(x - w / 2, 2), pen.px - w - 2);
    ctx.fillStyle = "rgba(10,36,47,.86)";
    ctx.fillRect(left, y - 0.12 * pen.px - 26, w, 22);
    ctx.fillStyle = "#fff";
    ctx.fillText(name, left + 6, y - 0.12 * pen.px - 10);
  }
}

/** Which part of each foot is down: filled; in the air: a ring. */
function feet(pen: Pen, { track, series }: Drawn, frame: number, s: Sides): void {
  const ms = track.times[frame]!;
  const i = series.t.findIndex((t) => t >= ms);
  if (i < 0) return;
  for (const [p, colour, air, heelUp] of [
    [s.lead, LEAD, series.leadAir, series.leadHeelUp],
    [s.trail, TRAIL, series.trailAir, series.trailHeelUp],
  ] as const) {
    const up = air[i] === 1;
    dot(pen, pen.place(frame, p.toe), 6, up ? null : colour, up ? colour : "#fff", up ? 2.5 : 1.6);
    const off = up || heelUp[i] === 1;
    dot(
      pen,
      pen.place(frame, p.heel),
      6,
      off ? null : colour,
      off ? colour : "#fff",
      off ? 2.5 : 1.6,
    );
  }
}

/** A foot's middle in the picture. */
const soleOf = (pen: Pen, frame: number, { heel, toe }: SidePoints): [number, number] =>
  middle(pen, frame, heel, toe);

/**
 * The centre of mass with its plumb line, and the weight on the ground between the feet, as broad
 * as it is unsure.
 */
function weight(
  pen: Pen,
  { track, hand, series, cmPerPx, address }: Drawn,
  frame: number,
  s: Sides,
): void {
  if (!series.com || cmPerPx === null) return;
  const i = sampleAt(series, track.times[frame]!);
  const { landmarks } = track;
  const filmAt = (axis: 0 | 1) =>
    [s.lead.heel, s.lead.toe, s.trail.heel, s.trail.toe].reduce(
      (sum, p) => sum + landmarks[at(address, p) + axis]! / 4,
      0,
    );
  const groundY =
    (landmarks[at(address, s.lead.heel) + 1]! + landmarks[at(address, s.trail.heel) + 1]!) / 2;
  const x = pen.x(
    filmAt(0) + (targetSign(hand) * (series.comT[i]! + series.com.fromFeet)) / cmPerPx,
  );
  const y = pen.y(groundY - series.com.height[i]! / cmPerPx);
  const [[leadX, leadY], [trailX, trailY]] = [
    soleOf(pen, frame, s.lead),
    soleOf(pen, frame, s.trail),
  ];
  const onGround = (share: number): [number, number] => {
    const k = Math.min(Math.max(share, 0), 100) / 100;
    return [trailX + k * (leadX - trailX), trailY + k * (leadY - trailY)];
  };
  const share = series.leadShare[i]!;
  const oneFoot = series.leadAir[i] === 1 || series.trailAir[i] === 1;
  const u = oneFoot ? 0 : series.leadShareU[i]!;
  const [px, py] = onGround(share);
  line(
    pen,
    [
      [x, y],
      [x, pen.y(groundY)],
    ],
    "#fff",
    1.5,
    [2, 5],
  );
  line(pen, [onGround(0), onGround(100)], STREAM, 1.5);
  if (u > 0) line(pen, [onGround(share - u), onGround(share + u)], STREAM, 7);
  dot(pen, [px, py], 5.5, STREAM);
  dot(pen, [x, y], 8, "#fff");
  // The sign of a centre of mass: two dark quarters.
  pen.ctx.fillStyle = DARK;
  for (const from of [0, Math.PI]) {
    pen.ctx.beginPath();
    pen.ctx.moveTo(x, y);
    pen.ctx.arc(x, y, 8, from, from + Math.PI / 2);
    pen.ctx.fill();
  }
}

/** A whole golfer on one heel is a disc of this radius, a share of the picture. */
const WHOLE = 0.075;

/**
 * The load under each heel and toe as insoles measured it: discs whose areas are shares of all of
 * it.
 */
function loads(pen: Pen, { track, hand, insoles }: Drawn, frame: number, s: Sides): void {
  if (!insoles) return;
  const ms = track.times[frame]!;
  const own = sidesOf(insoles, hand);
  const parts = (["lead", "trail"] as const).flatMap((side) =>
    (["heel", "toe"] as const).map((end) => ({
      side,
      end,
      load: readAt(insoles.t, own[side][end], ms),
    })),
  );
  const all = parts.reduce((sum, p) => sum + p.load, 0);
  if (!(all > 0)) return;
  pen.ctx.globalAlpha = 0.8;
  for (const { side, end, load } of parts)
    dot(
      pen,
      pen.place(frame, s[side][end]),
      WHOLE * pen.px * Math.sqrt(load / all),
      side === "lead" ? LEAD : TRAIL,
      "#fff",
    );
  pen.ctx.globalAlpha = 1;
}
