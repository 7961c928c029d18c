import { FEET, of } from "./exact";
import { MS, rangeOver, sampleCount } from "./search";
import { near, type Put, type RepCase } from "./repCase";
import type { TurnTruth } from "./turns";

/** One period of a to-and-fro. */
export function cycleMeasures({ x, turns, from, to, footEvents, feet }: RepCase, put: Put): void {
  const { poses } = x.sim;
  const inside = (t: TurnTruth) => t.at >= from - sampleCount(200) && t.at <= to + sampleCount(200);
  const hands = turns.filter((t) => t.of === "hands" && inside(t));
  const leads = hands
    .map((h) => {
      const before = turns
        .filter((t) => t.of === "pressure" && t.side === h.side)
        .sort((a, b) => Math.abs(a.at - h.at) - Math.abs(b.at - h.at))[0];
      return before && Math.abs(h.at - before.at) < 0.3 * (to - from)
        ? (h.at - before.at) * MS
        : NaN;
    })
    .filter((v) => !Number.isNaN(v));
  if (leads.length) put("groundLeadsHands", leads.reduce((s, v) => s + v, 0) / leads.length);
  const outer = of(x.sim, (p) => {
    const ends = FEET.flatMap((f) => [p[f].heel[0], p[f].toe[0]]);
    return Math.max(p.midHands[0] - Math.max(...ends), Math.min(...ends) - p.midHands[0]);
  });
  put("handRange", Math.max(...outer.subarray(near(from), near(to) + 1)));
  for (const [id, axis] of [
    ["handTravel", 0],
    ["handRise", 1],
  ] as const)
    put(
      id,
      rangeOver(
        of(x.sim, (p) => p.midHands[axis]),
        near(from),
        near(to),
      ),
    );
  put("thoraxRange", rangeOver(x.thoraxTurn, near(from), near(to)));
  put("pelvisRange", rangeOver(x.pelvisTurn, near(from), near(to)));
  const first = hands[0];
  const same = first && hands.find((h) => h !== first && h.side === first.side);
  if (first && same) put("cadence", 60000 / ((same.at - first.at) * MS));
  const landed = footEvents.filter(
    (f) => f.event === "landing" && f.t >= from * MS && f.t <= to * MS,
  );
  const waits = landed
    .map((f) => {
      const next = turns.find((t) => t.of === "hands" && t.at * MS > f.t - 300);
      return next ? next.at * MS - f.t : NaN;
    })
    .filter((v) => !Number.isNaN(v));
  if (waits.length) put("landBeforeTurnaround", waits.reduce((s, v) => s + v, 0) / waits.length);
  for (const foot of FEET) {
    let [most, start] = [0, -1];
    for (let i = near(from); i <= to; i++) {
      if (feet[foot].air[i]) start = -1;
      else if (start < 0) start = i;
      else
        most = Math.max(
          most,
          Math.hypot(
            poses[i]![foot].toe[0] - poses[start]![foot].toe[0],
            poses[i]![foot].toe[2] - poses[start]![foot].toe[2],
          ),
        );
    }
    put(`${foot}PlantedTravel`, most);
  }
}
