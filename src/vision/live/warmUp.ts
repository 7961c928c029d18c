import { analyse } from "../../core/analysis";
import { statureInPx, at, OUTLINE, POINT, type Track } from "../../core/track";
import { feetArea } from "../pictures";
import { SpanReadings } from "./spanReadings";

/** So often, until it has been compiled well. */
const TIMES = 4;

/**
 * Follows and judges a recorded rep before made-up pictures, so that the first real one is not the
 * slowest.
 */
export function warmUp(track: Track): void {
  const n = track.times.length;
  const ankles = [0, 1].map(
    (axis) =>
      (track.landmarks[at(0, POINT.leftAnkle) + axis]! +
        track.landmarks[at(0, POINT.rightAnkle) + axis]!) /
      2,
  );
  const feet = feetArea([ankles[0]!, ankles[1]!], statureInPx(track));
  // Every second picture is another speckle, the same at all times: something to follow that stands
  // still.
  const data = Uint8Array.from(
    { length: feet.width * feet.height },
    (_, i) => (i * 2654435761) >>> 24,
  );
  const window = { ...feet, data };
  for (let k = 0; k < TIMES; k++) {
    new SpanReadings(n).follow({
      key: "",
      square: track.crop,
      feet,
      faceOn: true,
      hands: [],
      about: track,
      frames: Array.from(track.times, (t, i) => ({
        i,
        t,
        feet: window,
        seen: {
          points: track.landmarks.slice(at(i, 0), at(i + 1, 0)),
          outline: track.outline.slice(i * OUTLINE, (i + 1) * OUTLINE),
          presence: track.presence[i]!,
          soles: { top: 0, rows: 1, data: new Int8Array(256).fill(-127) },
        },
      })),
    });
    analyse(track, {
      golfer: { statureCm: 175, hand: "right" },
      drill: "double-step",
      live: true,
      samples: 16,
    });
  }
}
