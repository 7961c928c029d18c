import { body } from "../../src/core/figure/anthropometry";
import type { Pose } from "../../src/core/figure/pose";
import { walk } from "../../src/core/figure/scripts/between";
import { simulate, type Simulation } from "../../src/core/figure/simulate";
import { dot, type Vec3 } from "../../src/core/maths/vec3";
import { cameraMoves, pinhole, toWorld, type Pinhole } from "./camera";
import type { ClipSpec } from "./clip";
import { GolferMesh, type Outfit } from "./golferMesh";
import { lighting } from "./light";
import { Raster } from "./raster";

/**
 * A picture of what stands still, with room round the filmed part for a phone that moves: RGB,
 * sRGB.
 */
export interface Background {
  rgb: Uint8Array;
  width: number;
  height: number;
}

/** Size of the background a clip needs, px: half as large again when the phone moves. */
export function backgroundSize({ camera }: ClipSpec): [number, number] {
  const k = camera.sag || camera.knock ? 1.5 : 1;
  return [Math.round(camera.width * k), Math.round(camera.height_px * k)];
}

/**
 * The pictures of a clip, one after another, RGB (each valid until the next), without the sensor's
 * noise.
 */
export function* frames(spec: ClipSpec, background: Background): Generator<Uint8ClampedArray> {
  const { width, height_px: height, fps, shutter = 0 } = spec.camera;
  const who = body(spec.golfer.stature, spec.golfer.sex, spec.golfer.build);
  const sim = simulate(who, spec.script);
  const { hand } = spec.golfer;
  const golfer = new GolferMesh(
    who,
    hand === "right" ? 1 : -1,
    spec.outfit,
    spec.script.club !== null,
  );
  const passer = spec.passer ? passerBy(spec) : null;
  const meshes = [...golfer.meshes, ...(passer?.mesh.meshes ?? [])];
  const raster = new Raster(width, height);
  const light = lighting(spec);
  const rgb = new Uint8ClampedArray(width * height * 3);
  const first = pinhole(spec);
  let cam = first;
  let still = seenBy(background, first, cam, width, height);
  const n = Math.floor(spec.script.duration * fps);
  for (let i = 0; i < n; i++) {
    const t = i / fps;
    if (cameraMoves(spec.camera, t)) {
      cam = pinhole(spec, t);
      still = seenBy(background, first, cam, width, height);
    }
    rgb.set(still);
    const instants = exposures(sim, t, shutter, hand, cam).map((at) => () => {
      golfer.update(sim.at(at));
      passer?.mesh.update(passer.at(at));
    });
    raster.draw(rgb, meshes, instants, cam, light);
    yield rgb;
  }
}

/**
 * Times drawn into one picture: more the farther hands, club and feet go while the shutter is open.
 */
function exposures(
  sim: Simulation,
  t: number,
  shutter: number,
  hand: "left" | "right",
  cam: Pinhole,
): number[] {
  if (shutter <= 0) return [t];
  const [a, b] = [sim.at(t), sim.at(t + shutter)];
  const way = (get: (p: Pose) => Vec3) => {
    const [p, q] = [cam.project(toWorld(get(a), hand)), cam.project(toWorld(get(b), hand))];
    return Math.hypot(p[0] - q[0], p[1] - q[1]);
  };
  const px = Math.max(
    way((p) => p.midHands) / 4,
    way((p) => p.clubHead) / 12,
    way((p) => p.lead.toe) / 3,
    way((p) => p.trail.toe) / 3,
  );
  const n = Math.min(6, Math.max(1, Math.ceil(px)));
  return Array.from({ length: n }, (_, k) => t + (shutter * (k + 0.5)) / n);
}

/**
 * The background as the phone sees it at this moment: it only turns about its lens, so a picture's
 * rays tell all.
 */
function seenBy(
  bg: Background,
  first: Pinhole,
  cam: Pinhole,
  width: number,
  height: number,
): Uint8Array {
  if (bg.width === width && bg.height === height) return bg.rgb;
  const out = new Uint8Array(width * height * 3);
  const f = cam.focalPx;
  const [r, u, w] = cam.axes;
  // The new picture's axes in the first one's: rays need no more than these nine numbers.
  const [rr, ru, rw] = first.axes.map((axis) => dot(r, axis)) as [number, number, number];
  const [ur, uu, uw] = first.axes.map((axis) => dot(u, axis)) as [number, number, number];
  const [wr, wu, ww] = first.axes.map((axis) => dot(w, axis)) as [number, number, number];
  const { rgb } = bg;
  const row = bg.width * 3;
  for (let y = 0, to = 0; y < height; y++) {
    const b = -(y + 0.5 - height / 2) / f;
    for (let x = 0; x < width; x++) {
      const a = (x + 0.5 - width / 2) / f;
      const z = rw * a + uw * b + ww;
      const sx = Math.min(
        Math.max(bg.width / 2 + (f * (rr * a + ur * b + wr)) / z - 0.5, 0),
        bg.width - 1.001,
      );
      const sy = Math.min(
        Math.max(bg.height / 2 - (f * (ru * a + uu * b + wu)) / z - 0.5, 0),
        bg.height - 1.001,
      );
      const [x0, y0] = [sx | 0, sy | 0];
      const [ax, ay] = [sx - x0, sy - y0];
      let i = y0 * row + x0 * 3;
      for (let k = 0; k < 3; k++, i++) {
        const upper = rgb[i]! + (rgb[i + 3]! - rgb[i]!) * ax;
        out[to++] = upper + (rgb[i + row]! + (rgb[i + row + 3]! - rgb[i + row]!) * ax - upper) * ay;
      }
    }
  }
  return out;
}

const PASSER: Outfit = {
  shirt: { base: "#6b5f7a", second: "#d7cfe0", kind: "stripes" },
  trousers: { base: "#2d2f33", second: "#44474d", kind: "checks" },
  shoes: "#222222",
  cap: null,
  hair: "#6d5a48",
  skin: "#d2a080",
};

/** So far outside somebody begins, cm; and is under way by then, s. */
const OUTSIDE_CM = 150;
const UNDER_WAY_S = 2;

/** Someone else on their way across the picture. */
function passerBy(spec: ClipSpec) {
  const { from, behind, direction } = spec.passer!;
  const across = spec.view === "face-on";
  // From outside the picture to outside.
  const aside = Math.max(
    330,
    (spec.camera.distance + behind) * Math.tan((spec.camera.fov * Math.PI) / 360) + OUTSIDE_CM,
  );
  const start: [number, number] = across
    ? [-aside * direction, -behind]
    : [behind, aside * direction];
  const end: [number, number] = across
    ? [aside * direction, -behind]
    : [behind, -aside * direction];
  const who = body(172, "female", 1.1);
  const sim = simulate(who, walk({ from: start, to: end, club: null }));
  return {
    mesh: new GolferMesh(who, 1, PASSER, false),
    at: (t: number) => sim.at(Math.max(t - from, UNDER_WAY_S)),
  };
}
