import type { Seeded } from "../../src/core/maths/seeded";
import type { ClipSpec } from "./clip";
import type { ClothPattern } from "./cloth";
import type { Outfit } from "./golferMesh";

type Golfer = ClipSpec["golfer"];

/**
 * Bodies of the study: those that constants are fitted on and those that figures are reported on
 * share nobody, and no clothes.
 */
export const FIT_GOLFERS: readonly Golfer[] = [
  { name: "Orla Tamsin", stature: 163, sex: "female", hand: "right", build: 0.9 },
  { name: "Bram Hollis", stature: 181, sex: "male", hand: "right", build: 1.02 },
  { name: "Sunniva Park", stature: 172, sex: "female", hand: "left", build: 1.1 },
  { name: "Corwin Dace", stature: 190, sex: "male", hand: "right", build: 0.94 },
  { name: "Petra Quill", stature: 156, sex: "female", hand: "right", build: 1.04 },
  { name: "Anselm Rook", stature: 175, sex: "male", hand: "left", build: 1.2 },
];

export const REPORT_GOLFERS: readonly Golfer[] = [
  { name: "Maren Loft", stature: 167, sex: "female", hand: "right", build: 0.86 },
  { name: "Idris Vane", stature: 178, sex: "male", hand: "right", build: 1 },
  { name: "Tove Sandell", stature: 152, sex: "female", hand: "right", build: 0.95 },
  { name: "Hector Brill", stature: 196, sex: "male", hand: "right", build: 1.06 },
  { name: "Yara Finch", stature: 171, sex: "female", hand: "left", build: 1.12 },
  { name: "Casper Thorn", stature: 184, sex: "male", hand: "left", build: 0.97 },
  { name: "Rufus Amble", stature: 174, sex: "male", hand: "right", build: 1.22 },
  { name: "Lene Hazel", stature: 160, sex: "female", hand: "right", build: 1.05 },
];

const SHIRTS: Record<"fit" | "report", ClothPattern[]> = {
  fit: [
    { base: "#3c6f9e", second: "#e7dfc8", kind: "stripes" },
    { base: "#7a2f3c", second: "#a35b64", kind: "leaves" },
    { base: "#d9d3c2", second: "#74806e", kind: "checks" },
    { base: "#2f5e4e", second: "#2f5e4e", kind: "plain" },
    { base: "#c58b3a", second: "#8a5a1e", kind: "leaves" },
    { base: "#47506e", second: "#b9bfd1", kind: "checks" },
  ],
  report: [
    { base: "#b54d6a", second: "#f0dfe2", kind: "stripes" },
    { base: "#5b7f3a", second: "#3d5a24", kind: "leaves" },
    { base: "#e8e2d0", second: "#4f6f94", kind: "stripes" },
    { base: "#6a4c86", second: "#6a4c86", kind: "plain" },
    { base: "#2e3b46", second: "#8b9aa6", kind: "checks" },
    { base: "#c7643b", second: "#f0c9a6", kind: "checks" },
    { base: "#8fa7b5", second: "#5f7786", kind: "leaves" },
  ],
};
const TROUSERS: Record<"fit" | "report", ClothPattern[]> = {
  fit: [
    { base: "#3a3f46", second: "#565d66", kind: "checks" },
    { base: "#b09b70", second: "#8f7b54", kind: "checks" },
    { base: "#2f3a52", second: "#2f3a52", kind: "plain" },
    { base: "#7d7468", second: "#9d9488", kind: "stripes" },
  ],
  report: [
    { base: "#4b4a57", second: "#6c6b7a", kind: "checks" },
    { base: "#cfc4a8", second: "#a89c7e", kind: "checks" },
    { base: "#22303c", second: "#33475a", kind: "stripes" },
    { base: "#5d5446", second: "#5d5446", kind: "plain" },
    { base: "#8a8f94", second: "#6c7176", kind: "leaves" },
  ],
};
const SHOES = {
  fit: ["#f0eee8", "#4a4f55", "#8a6b4a"],
  report: ["#e3e0d8", "#2f3338", "#a3583e", "#c9ccd0"],
};
const CAPS = { fit: ["#f3efe4", null, "#23485e"], report: ["#dfe6ea", null, "#7a2a2a", null] };
const HAIR = ["#4a3220", "#2c241e", "#8a6a42", "#9a9590"];
const SKIN = ["#e0b091", "#d9a383", "#b98362", "#8a5a3c"];

export function outfit(fold: "fit" | "report", random: Seeded): Outfit {
  const one = <T>(list: readonly T[]): T => list[Math.floor(random.uniform() * list.length)]!;
  return {
    shirt: one(SHIRTS[fold]),
    trousers: one(TROUSERS[fold]),
    shoes: one(SHOES[fold]),
    cap: one(CAPS[fold]),
    hair: one(HAIR),
    skin: one(SKIN),
    loose: 1 + 0.14 * random.uniform() ** 2,
  };
}
