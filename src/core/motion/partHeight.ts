import { median } from "../maths";
import type { SideName } from "../track";
import type { Motion } from "./motion";

/** A likeness that fits this many times worse than at rest has lost the shoe. */
const LOST = 5;

/**
 * Height of a heel or toe over where it stood (cm, on the motion's clock): as followed in the
 * picture where it was, else by the network's point, which is worth a few centimetres.
 */
export function partHeight(
  m: Motion,
  side: SideName,
  part: "heel" | "toe",
  address: number,
): Float64Array {
  const network = m.joints[side][part].u;
  const from = Math.max(0, address - Math.round(0.3 / m.dt));
  const rest = median(Array.from(network.subarray(from, Math.max(address, from) + 1)));
  const out = network.map((u) => u - rest);
  for (const spell of m.feet[side].spells) {
    const f = spell[part];
    const still = median(
      Array.from(f.residual).filter(
        (r, k) => f.times[k]! >= spell.fromMs && f.times[k]! <= spell.toMs && !Number.isNaN(r),
      ),
    );
    f.times.forEach((ms, k) => {
      const i = Math.round((ms - m.startMs) / 1000 / m.dt);
      if (i < 0 || i >= m.n || Number.isNaN(f.u[k]!) || f.residual[k]! > LOST * still) return;
      out[i] = f.u[k]!;
    });
  }
  return out;
}
