import { firstRunIn, MS, rangeOver, sampleCount } from "./search";
import { near, type Put, type RepCase } from "./repCase";

/** How long a position (or a finish) is held, and how steadily. */
export function holding({ x, e, rep, footEvents, from, to }: RepCase, put: Put): void {
  const { hands, hip } = x.speed;
  const taken =
    rep.kind === "hold"
      ? firstRunIn(
          (i) =>
            hands[i]! < 25 &&
            hip[i]! < 12 &&
            footEvents.some((f) => f.event === "liftOff" && f.t < i * MS),
          sampleCount(200),
          from,
          to,
        )
      : e.finish;
  if (taken === null || taken === undefined) return;
  const lostByMotion = firstRunIn(
    (i) => hands[i]! > 40 || hip[i]! > 12,
    sampleCount(200),
    near(taken),
    to,
  );
  const lostByFoot = footEvents.find(
    (f) => f.t > (taken + sampleCount(60)) * MS && (f.event === "landing" || f.event === "liftOff"),
  );
  const lost = Math.min(lostByMotion ?? Infinity, lostByFoot ? lostByFoot.t / MS : Infinity);
  const end = Math.min(lost, to);
  put("holdTime", ((end - taken) * MS) / 1000);
  const steady = taken + sampleCount(300);
  if (end - steady > sampleCount(200))
    put(
      "wobble",
      rangeOver(
        x.sim.com.map((p) => p[0]),
        near(steady),
        Math.floor(end),
      ),
    );
}
