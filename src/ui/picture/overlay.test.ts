import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { openAnalysis } from "@/core/analysis";
import { readTrack } from "@/core/formats/trackFile";
import { finishTrack } from "@/core/track/finishTrack";
import { sides } from "@/core/track/sides";
import { at } from "@/core/track/track";
import { drawOverlay, feetView, viewOf, type Drawn, type OverlayPart } from "./overlay";

const raw = readTrack(readFileSync("demo/tracks/double-step-good.track"));
const track = finishTrack(raw, true);
const clip = openAnalysis(raw, {
  golfer: { statureCm: 170, hand: "right" },
  drill: "double-step",
  samples: 4,
});
const { series, events } = clip.analysis.reps[0]!;
const frameAt = (ms: number) => track.times.findIndex((t) => t >= ms);
const drawn: Drawn = {
  track,
  hand: "right",
  series,
  address: frameAt(events.address!.t),
  limits: [],
  cmPerPx: clip.scale.cmPerPx,
};

/** Where circles are drawn, px of the canvas. */
function circles(
  frame: number,
  part: OverlayPart,
  of: Drawn = drawn,
): [x: number, y: number, r: number][] {
  const out: [number, number, number][] = [];
  const ctx = new Proxy(
    {},
    {
      get: (_, name) =>
        name === "arc"
          ? (x: number, y: number, r: number) => out.push([x, y, r])
          : name === "measureText"
            ? () => ({ width: 40 })
            : () => undefined,
      set: () => true,
    },
  ) as unknown as CanvasRenderingContext2D;
  drawOverlay(ctx, of, frame, new Set([part]), viewOf(track), 440);
  return out;
}
const inFilm = ([x, y]: readonly number[]) => {
  const v = viewOf(track);
  return [v.left + (x! * v.size) / 440, v.top + (y! * v.size) / 440];
};
const point = (frame: number, p: number) => [
  track.landmarks[at(frame, p)]!,
  track.landmarks[at(frame, p) + 1]!,
];
const s = sides("right");

describe("what is drawn over the film", () => {
  it("has the centre of mass over the middle of the body, and the weight under the foot that carries it", () => {
    const frame = drawn.address;
    const all = circles(frame, "weight").map(inFilm);
    const [weight, mass] = [all[0]!, all[1]!];
    const cm = (px: number) => px * clip.scale.cmPerPx;
    const hips = (point(frame, s.lead.hip)[0]! + point(frame, s.trail.hip)[0]!) / 2;
    expect(Math.abs(cm(mass[0]! - hips))).toBeLessThan(8);
    const height = cm(
      (point(frame, s.lead.heel)[1]! + point(frame, s.trail.heel)[1]!) / 2 - mass[1]!,
    );
    expect(height / 170).toBeGreaterThan(0.45);
    expect(height / 170).toBeLessThan(0.62);
    const [lead, trail] = [s.lead, s.trail].map(
      (f) => (point(frame, f.heel)[0]! + point(frame, f.toe)[0]!) / 2,
    ) as [number, number];
    expect((weight[0]! - trail) / (lead - trail)).toBeCloseTo(
      series.leadShare[series.t.findIndex((t) => t >= track.times[frame]!)]! / 100,
      1,
    );
    // While the lead foot is in the air all of it is on the trail foot.
    const air = frameAt(series.t[series.leadAir.indexOf(1) + 4]!);
    const [x] = inFilm(circles(air, "weight")[0]!);
    expect(
      Math.abs(cm(x! - (point(air, s.trail.heel)[0]! + point(air, s.trail.toe)[0]!) / 2)),
    ).toBeLessThan(2);
  });

  it("leaves the weight out where no scale is known, and from behind", () => {
    expect(circles(drawn.address, "weight", { ...drawn, cmPerPx: null })).toEqual([]);
    const { com: _, ...without } = series;
    expect(circles(drawn.address, "weight", { ...drawn, series: without })).toEqual([]);
  });

  it("has what insoles measured as discs under heels and toes, each as large as its share; none where they measured nothing", () => {
    const t = Float64Array.of(0, 10_000);
    const both = (v: number) => Float64Array.of(v, v);
    // All of it on the right foot, a trail foot: three quarters under its toe.
    const insoles = {
      t,
      left: { heel: both(0), toe: both(0) },
      right: { heel: both(100), toe: both(300) },
    };
    const frame = drawn.address;
    const discs = circles(frame, "insoles", { ...drawn, insoles });
    const [leadHeel, leadToe, trailHeel, trailToe] = discs.map(([, , r]) => r);
    expect([leadHeel, leadToe]).toEqual([0, 0]);
    expect((trailToe! / trailHeel!) ** 2).toBeCloseTo(3);
    expect(inFilm(discs[3]!)[0]).toBeCloseTo(point(frame, s.trail.toe)[0]!, 1);
    expect(circles(frame, "insoles")).toEqual([]);
    expect(
      circles(frame, "insoles", {
        ...drawn,
        insoles: { ...insoles, t: Float64Array.of(60_000, 70_000) },
      }),
    ).toEqual([]);
  });

  it("shows both feet whole when they are shown larger", () => {
    const view = feetView(track, drawn.address, frameAt(events.finish!.t));
    for (let f = drawn.address; f <= frameAt(events.finish!.t); f++)
      for (const p of [s.lead.heel, s.lead.toe, s.trail.heel, s.trail.toe]) {
        const [x, y] = point(f, p);
        expect(
          x! >= view.left &&
            x! <= view.left + view.size &&
            y! >= view.top &&
            y! <= view.top + view.size,
        ).toBe(true);
      }
    expect(view.size).toBeLessThan(viewOf(track).size / 1.5);
  });
});
