import { scale, unit, type Vec3 } from "../../src/core/maths/vec3";
import type { ClipSpec, Light } from "./clip";
import { hex } from "./cloth";
import type { Lighting } from "./raster";

/** Light from the sky, the sun's strength and where it stands, brightness of what lies behind. */
const LIGHTS: Record<
  Light,
  { sky: number; sun: number; from: Vec3; behind: number; sunColour: string }
> = {
  day: { sky: 1.6, sun: 2, from: [-180, 480, 260], behind: 1, sunColour: "#fff4e0" },
  backlight: { sky: 0.8, sun: 2.4, from: [140, 380, -420], behind: 1.35, sunColour: "#fff4e0" },
  dusk: { sky: 0.5, sun: 0.35, from: [-320, 260, 160], behind: 0.34, sunColour: "#ffd2a0" },
  dark: { sky: 0.1, sun: 0.06, from: [-180, 480, 260], behind: 0.06, sunColour: "#fff4e0" },
};

export function lightOf(spec: Pick<ClipSpec, "light" | "place">) {
  const light = LIGHTS[spec.light ?? "day"];
  const outside = spec.place === "range";
  return {
    ...light,
    sun: light.sun * (outside ? 1.1 : 0.75),
    groundColour: outside ? "#5b6b45" : "#6b6256",
  };
}

export const skyColour = (spec: Pick<ClipSpec, "place">): string =>
  spec.place === "range" ? "#b8c6cd" : "#8b877c";

/** The same light for the people drawn into the place. */
export function lighting(spec: Pick<ClipSpec, "light" | "place">): Lighting {
  const { sky, sun, from, sunColour, groundColour } = lightOf(spec);
  return {
    sky: [sky, sky, sky],
    ground: scale(hex(groundColour), sky),
    sun: scale(hex(sunColour), sun),
    toSun: unit(from),
  };
}
