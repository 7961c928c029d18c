import { median } from "../../src/core/maths/stats";
import { statureInPx } from "../../src/core/track/bodySize";
import { at, POINT } from "../../src/core/track/track";
import { LIVE_SQUARE } from "../../src/vision/live/fitted";
import type { TruthClip } from "../study/truthClip";

/** Frames from a clip's beginning in which the golfer stands. */
const STANDS = 20;

/**
 * What still square a clip got, of which all was known, against how its golfer stood at the start.
 */
export function fitLiveSquare(list: readonly TruthClip[]): void {
  const seen = list.map((clip) => {
    const { landmarks, times, crop, ...track } = clip.track();
    const tall = statureInPx({
      ...track,
      landmarks: landmarks.subarray(0, at(STANDS, 0)),
      times: times.subarray(0, STANDS),
    });
    const hip = median(
      Array.from(
        { length: STANDS },
        (_, i) =>
          (landmarks[at(i, POINT.leftHip) + 1]! + landmarks[at(i, POINT.rightHip) + 1]!) / 2,
      ),
    );
    return { size: crop.size / tall, below: (crop.cy - hip) / tall };
  });
  const of = (key: "size" | "below") => {
    const v = seen.map((s) => s[key]).sort((a, b) => a - b);
    return `${median(v).toFixed(3)} (${v[0]!.toFixed(2)} to ${v.at(-1).toFixed(2)}; now ${LIVE_SQUARE[key]})`;
  };
  console.log(`vision.live square: size ${of("size")}, below ${of("below")}, n ${seen.length}`);
}
