import { body } from "../../../src/core/figure/anthropometry";
import { simulate, TRUTH_HZ } from "../../../src/core/figure/simulate";
import { truths } from "../../../src/core/figure/truth/truth";
import { deviation, mean } from "../../../src/core/maths/stats";
import { seeded } from "../../../src/core/maths/seeded";
import * as move from "../../clips/movements";
import { show, table } from "./document";
import { dynamicPressure } from "./modelError";

/**
 * Points of lead share by which full dynamics differ from the plain pendulum, over swings of many
 * bodies.
 */
export function modelErrors(count = 24): string {
  const out: Record<string, number[]> = { Address: [], Top: [], Impact: [], Finish: [] };
  for (let k = 0; k < count; k++) {
    const random = seeded(700 + k);
    const sim = simulate(
      body(152 + random.uniform() * 46, k % 2 ? "female" : "male"),
      move.plainSwing(random),
    );
    const [truth] = truths(sim);
    const p = dynamicPressure(sim);
    for (const [name, list] of Object.entries(out)) {
      const t = truth!.events[name.toLowerCase() as "top"];
      const said = truth!.measures[`leadShare${name}`];
      if (t === undefined || said === undefined) continue;
      const i = Math.round((t / 1000) * TRUTH_HZ);
      const pose = sim.poses[i]!;
      const [lead, trail] = [
        (pose.lead.heel[0] + pose.lead.toe[0]) / 2,
        (pose.trail.heel[0] + pose.trail.toe[0]) / 2,
      ];
      list.push(100 * Math.min(1, Math.max(0, (p[i]! - trail) / (lead - trail))) - said);
    }
  }
  return table(
    ["plain swings", "bias, points", "spread, points", "n"],
    Object.entries(out).map(([name, list]) => [
      name.toLowerCase(),
      show(mean(list)),
      show(deviation(list)),
      String(list.length),
    ]),
  );
}
