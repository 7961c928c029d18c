import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { findStage } from "@/core/drills";
import { swing } from "@/core/figure/scripts/swing";
import { lensOf, type Lens } from "@/core/film/lens";
import { planFilm, type FilmPlan, type PhonePlace } from "@/core/film/plan";
import { resolves, type Resolved } from "@/core/film/resolves";
import { roomOf, type Room } from "@/core/film/room";
import type { Vec3 } from "@/core/maths/vec3";
import type { View } from "@/core/scene/view";
import { pinhole, toWorld } from "../../tools/clips/camera";

const PHONE: Lens = { fovDeg: 67, long: 1920, short: 1080, fps: 60 };
const ANYWHERE: PhonePlace = { depth: null, width: null, ceiling: null };
const fullSwing = new Map([150, 178, 200].map((cm) => [cm, roomOf(swing(), cm)]));
const planned = (room: Room, view: View, lens: Lens, place: PhonePlace): FilmPlan => {
  const p = planFilm(room, view, lens, place);
  if (!p.fits) throw new Error(`needs ${p.depthNeeded} cm`);
  return p.plan;
};

/**
 * Points in the picture of a phone that stands as planned, by the camera that draws the clips;
 * shares of the picture.
 */
function pictured(
  points: Vec3[],
  view: View,
  lens: Lens,
  { height, portrait }: FilmPlan,
  distance: number,
  toes = 0,
): [number, number][] {
  const [width, height_px] = portrait ? [lens.short, lens.long] : [lens.long, lens.short];
  // That camera looks at hip height above a point before the golfer: turned up again it is level.
  const ahead = view === "face-on" ? 5 : 25;
  const off = view === "face-on" ? distance - ahead : distance;
  const pitch = (Math.atan2(height - 88, off) * 180) / Math.PI;
  const cam = pinhole({
    view,
    golfer: { hand: "right" },
    camera: {
      distance: off,
      height,
      fov: lens.fovDeg,
      roll: 0,
      yaw: 0,
      pitch,
      width,
      height_px,
      fps: lens.fps,
    },
  } as never);
  // From behind it stands 25 cm before the feet's middle, the plan on the line of the toes.
  const shift = view === "face-on" ? 0 : 25 - toes;
  return points
    .map((p) => cam.project(toWorld([p[0], p[1], p[2] + shift], "right")))
    .map(([x, y]) => [x / width, y / height_px]);
}
const outside = (at: [number, number][], edge: number) =>
  at.filter(([x, y]) => x < edge || x > 1 - edge || y < edge || y > 1 - edge).length;

describe("the filming plan", () => {
  it("has the whole way of the club in the picture, and no farther off than that takes", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(150, 178, 200),
        fc.constantFrom<View>("face-on", "down-the-line"),
        fc.double({ min: 50, max: 85, noNaN: true }),
        (stature, view, fovDeg) => {
          const lens = { ...PHONE, fovDeg };
          const room = fullSwing.get(stature)!;
          const plan = planned(room, view, lens, ANYWHERE);
          const all = [...room.body, ...room.club];
          expect(outside(pictured(all, view, lens, plan, plan.distance, room.toes), 0.039)).toBe(0);
          expect(
            outside(pictured(all, view, lens, plan, plan.distance - 10, room.toes), 0.04),
          ).toBeGreaterThan(0);
        },
      ),
      { numRuns: 20 },
    );
  });

  it("says what a pixel and a picture are worth there", () => {
    const plan = planned(fullSwing.get(178)!, "face-on", PHONE, ANYWHERE);
    // Filmed so, a golfer of 178 cm is as tall in the picture as the pinhole makes him.
    const [[, head], [, feet]] = pictured(
      [
        [0, 178, 0],
        [0, 0, 0],
      ],
      "face-on",
      PHONE,
      plan,
      plan.distance,
    ) as [[number, number], [number, number]];
    expect(178 / ((feet - head) * PHONE.short)).toBeCloseTo(plan.cmPerPx, 3);
    expect(plan.msPerFrame).toBeCloseTo(16.67, 2);
  });

  it("goes lower, stands the phone up, and at last gives the club up, as the room gets shorter", () => {
    const room = fullSwing.get(178)!;
    const roomy = planned(room, "face-on", PHONE, ANYWHERE);
    expect(roomy).toMatchObject({ portrait: false, losses: [] });
    expect(roomy.height).toBe(room.hips);
    let [last, seen] = [roomy, [] as string[]];
    for (let depth = Math.floor(roomy.distance); ; depth -= 5) {
      const p = planFilm(room, "face-on", PHONE, { ...ANYWHERE, depth });
      if (!p.fits) {
        // What it asks for instead is just enough.
        expect(p.depthNeeded).toBeGreaterThan(depth);
        expect(
          planFilm(room, "face-on", PHONE, { ...ANYWHERE, depth: p.depthNeeded + 0.01 }).fits,
        ).toBe(true);
        break;
      }
      expect(p.plan.distance).toBeLessThanOrEqual(depth);
      seen = [...seen, `${p.plan.losses}`];
      last = p.plan;
    }
    expect(last.losses).toEqual(["club leaves the picture"]);
    // Once given up, the club does not come back in a shorter room.
    expect(seen.lastIndexOf("")).toBeLessThan(seen.indexOf("club leaves the picture"));
  });

  it("names a ceiling and walls that the club would meet, and not those that it clears", () => {
    const room = fullSwing.get(178)!;
    const { up, away, toward } = planned(room, "face-on", PHONE, ANYWHERE).reach;
    const losses = (place: Partial<PhonePlace>) =>
      planned(room, "face-on", PHONE, { ...ANYWHERE, ...place }).losses;
    expect([losses({ ceiling: up - 1 }), losses({ ceiling: up + 1 })]).toEqual([
      ["ceiling too low"],
      [],
    ]);
    expect([losses({ width: away + toward - 1 }), losses({ width: away + toward + 1 })]).toEqual([
      ["too narrow"],
      [],
    ]);
  });

  it("tells of each check what the accuracy bench lets it, less the larger a pixel and the time between pictures are", () => {
    const { stage } = findStage("double-step");
    const from = (cmPerPx: number, msPerFrame: number) => resolves(stage, { cmPerPx, msPerFrame });
    const musts = (list: readonly Resolved[]) => list.filter((r) => r.check.level === "must");
    expect(musts(from(0.4, 16.7)).map((r) => r.resolution)).not.toContain("can't");
    expect(musts(from(0.4, 16.7)).filter((r) => r.resolution === "tells").length).toBeGreaterThan(
      0,
    );
    const order = ["tells", "coarsely", "can't"];
    let last = from(0.3, 8);
    for (const [px, ms] of [
      [0.6, 33],
      [1.2, 33],
      [2.4, 66],
      [10, 400],
    ] as const) {
      const next = from(px, ms);
      next.forEach((r, k) => {
        expect(r.within).toBeGreaterThanOrEqual(last[k]!.within);
        expect(order.indexOf(r.resolution)).toBeGreaterThanOrEqual(
          order.indexOf(last[k]!.resolution),
        );
      });
      last = next;
    }
    expect(new Set(last.map((r) => r.resolution))).toEqual(new Set(["can't"]));
  });

  it("knows a lens by how far off somebody fills its picture", () => {
    const fovDeg = lensOf(178, 150);
    const long = 2 * Math.tan((fovDeg * Math.PI) / 360) * 150;
    expect(long).toBeCloseTo(178, 6);
  });

  it("needs less room for a drill without a club than for a full swing", () => {
    const pivot = roomOf(findStage("trail-foot-pivot").stage.target!(), 178);
    expect(pivot.club).toEqual([]);
    expect(planned(pivot, "face-on", PHONE, ANYWHERE).distance).toBeLessThan(
      planned(fullSwing.get(178)!, "face-on", PHONE, ANYWHERE).distance,
    );
  });
});
