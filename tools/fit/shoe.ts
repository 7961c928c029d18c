import { deviation, mean } from "../../src/core/maths/stats";
import { SHOE_FIT, shoeEdges, type Shoe } from "../../src/core/motion/shoe";
import { readScene } from "../../src/core/scene/scene";
import { finishTrack } from "../../src/core/track/finishTrack";
import { ownFoot } from "../../src/core/track/sides";
import { at, edgeAt, POINT } from "../../src/core/track/track";
import type { TruthClip } from "../study/truthClip";

/** An edge farther than this from where it should be is hidden by something, cm. */
const HIDDEN_CM = 4;

interface Seen {
  /**
   * Direction of the shoe in the picture, radians, + to the right; the edges from the network's
   * ankle, shares of stature; which way the other foot is.
   */
  angle: number;
  edges: [number, number];
  /** How far the network's ankle lies inward of the true one, cm. */
  ankle: number;
  inward: 1 | -1;
  statureCm: number;
}

/** Fits the outline of a shoe from above to the edges of its picture, in pivots with truth. */
export function fitShoe(list: readonly TruthClip[]): void {
  const seen = list.flatMap(edgesSeen);
  const misfit = (shoe: Shoe) => {
    const off = seen.flatMap((s) => {
      const edges = shoeEdges(shoe, s.angle, s.inward);
      return s.edges
        .map((e, k) => Math.min(Math.abs(e - edges[k]!) * s.statureCm, HIDDEN_CM) ** 2)
        .filter((v) => !Number.isNaN(v));
    });
    return Math.sqrt(mean(off));
  };
  let best = { ...SHOE_FIT };
  for (let step = 0.008; step > 1e-4;) {
    const tried = (Object.keys(best) as (keyof Shoe)[]).flatMap((key) =>
      [step, -step].map((d) => ({ ...best, [key]: best[key] + d })),
    );
    const next = tried.reduce((a, b) => (misfit(b) < misfit(a) ? b : a));
    if (misfit(next) < misfit(best)) best = next;
    else step /= 2;
  }
  // What is left at an edge is the ankle's error and its own.
  const ankle = deviation(seen.map((s) => s.ankle));
  console.log(
    `motion.footDirection edges ${Math.sqrt(misfit(best) ** 2 - ankle ** 2).toFixed(2)} ` +
      `cm, ankle ${ankle.toFixed(2)} cm`,
  );
  console.log(
    "motion.shoe " +
      `${JSON.stringify(Object.fromEntries(Object.entries(best).map(([key, v]) => [key, Number(v.toFixed(4))])))}: ` +
      `${misfit(best).toFixed(2)} cm rms, n ${seen.length} (now ` +
      `${misfit(SHOE_FIT).toFixed(2)} cm)`,
  );
}

function edgesSeen({ truth, track: load }: TruthClip): Seen[] {
  const { hand, stature: statureCm } = truth.golfer;
  const side = truth.reps[0]!.foot!;
  const foot = ownFoot(hand, side);
  const track = finishTrack(load(), true);
  const scene = readScene(track, { statureCm, hand }, "face-on");
  return Array.from(track.times).flatMap((_, i) => {
    const joints = truth.perFrame![i]?.joints;
    if (!joints) return [];
    const [heel, toe] = [joints[`${side}.heel`]!.cm, joints[`${side}.toe`]!.cm];
    const angle = Math.asin(
      ((toe[0] - heel[0]) / Math.hypot(toe[0] - heel[0], toe[2] - heel[2])) * scene.targetSign,
    );
    const ankle = track.landmarks[at(i, foot === "left" ? POINT.leftAnkle : POINT.rightAnkle)]!;
    const edge = (which: "left" | "right") =>
      ((track.footEdges[edgeAt(i, foot, which)]! - ankle) * scene.scale.cmPerPx) / statureCm;
    const off = (ankle - joints[`${side}.ankle`]!.px[0]) * scene.scale.cmPerPx;
    const inward = (side === "trail" ? scene.targetSign : -scene.targetSign) as 1 | -1;
    return [
      { angle, ankle: off * inward, edges: [edge("left"), edge("right")], inward, statureCm },
    ];
  });
}
