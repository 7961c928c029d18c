import type { MovementScript } from "../../src/core/figure/script";
import type { Outfit } from "./golferMesh";

type View = "face-on" | "down-the-line";
export type Place = "range" | "hall" | "carport" | "room";
export type Light = "day" | "backlight" | "dusk" | "dark";

/** The phone: where it stands and how it films. Lengths in cm, angles in degrees, times in s. */
export interface PhoneCamera {
  distance: number;
  height: number;
  /** Horizontal field of view of the long side. */
  fov: number;
  roll: number;
  /**
   * Turned off square to its view, + toward the target (face-on) or toward the ball (down the
   * line).
   */
  yaw: number;
  /** Aimed this much too high. */
  pitch?: number;
  width: number;
  height_px: number;
  fps: number;
  /** Time for which each picture is exposed, s. */
  shutter?: number;
  /** Strength of the sensor's noise against an ordinary phone in daylight. */
  noise?: number;
  /** H.264 quality (constant rate factor): 26 is a phone's usual. */
  crf?: number;
  /** The phone sags slowly from `at` on, degrees a second; or is knocked then, degrees. */
  sag?: { at: number; perSecond: number };
  knock?: { at: number; pitch: number; roll: number; yaw: number };
}

/** Someone who walks through the picture. */
interface Passer {
  from: number;
  /** Distance behind the golfer, cm; negative = between golfer and phone. */
  behind: number;
  direction: 1 | -1;
}

/** Everything that makes one rendered clip: who, what movement, where the phone stands. */
export interface ClipSpec {
  id: string;
  about: string;
  golfer: {
    name: string;
    stature: number;
    sex: "female" | "male";
    hand: "left" | "right";
    build: number;
  };
  /** A drill's id, or none. */
  drill: string;
  /** A stage of the drill, where it is not the main one of its view. */
  stage?: string;
  view: View;
  script: MovementScript;
  outfit: Outfit;
  place: Place;
  light?: Light;
  camera: PhoneCamera;
  passer?: Passer;
  /** Loudness of the wind against the strike, 0 = still air. */
  wind?: number;
  seed: number;
}
