import type { MovementScript } from "../../src/core/figure/script";
import type { Outfit } from "./golferMesh";

/** Everything that makes one rendered clip: who, what movement, where the phone stands. Lengths in cm, angles in degrees. */
export interface ClipSpec {
  id: string;
  about: string;
  golfer: { name: string; stature: number; sex: "female" | "male"; hand: "left" | "right"; build: number };
  drill: "double-step" | "none";
  script: MovementScript;
  outfit: Outfit;
  place: "range" | "hall" | "carport";
  camera: {
    distance: number;
    height: number;
    /** Horizontal field of view of the long side. */
    fov: number;
    roll: number;
    /** Turned off square to the target line, + toward the target. */
    yaw: number;
    width: number;
    height_px: number;
    fps: number;
  };
  seed: number;
}
