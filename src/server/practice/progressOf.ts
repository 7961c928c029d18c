import { bandFor, decides, type Drill, type Stage } from "../../core/drills";
import type { Measured } from "../../core/judge";
import { median } from "../../core/maths";
import { CATALOGUE, type MeasureId } from "../../core/measures";
import {
  feltBy,
  ladder,
  passRate,
  type PassRate,
  daysBetween,
  effects,
  feltAgainst,
  rateOf,
  sinceLastMonth,
  carriedStage,
  transferVerdict,
  trendOf,
  type Trend,
} from "../../core/practice";
import type { Db } from "../db/open";
import type { Golfer } from "../golfers/golfers";
import { groups } from "../reps/rows";
import { stageReps } from "../reps/stageReps";
import {
  boutDots,
  boutLines,
  boutMiddles,
  middlesByDay,
  normalSwings,
  type NormalSwing,
} from "./progress";

/** So many of the latest bouts are shown, and so many normal swings beside them. */
const [BOUTS, SWINGS] = [9, 60];
const EPOCH = "1970-01-01";

/** All that the page of one drill's stage shows, each figure from what is kept. */
export async function progressOf(
  db: Db,
  golfer: Golfer,
  drill: Drill,
  stage: Stage,
  today: string,
) {
  const [bouts, lines, reps] = await Promise.all([
    boutDots(db, golfer.id, drill.id, stage.id, BOUTS),
    boutLines(db, golfer.id, drill.id, stage.id),
    stageReps(db, golfer.id, [drill]),
  ]);
  const standing = ladder(drill, reps.get(drill.id) ?? [], golfer.wentOn).find(
    (s) => s.stage.id === stage.id,
  )!;
  const checks = stage.checks.filter(decides);
  const carried = carriedStage(stage);
  const normal = await normalSwings(
    db,
    golfer.id,
    [
      ...new Set([
        ...checks.filter((c) => carried?.checks.some((k) => k.id === c.id)).map((c) => c.measure),
      ]),
    ],
    SWINGS,
  );
  const middles = await middlesByDay(db, golfer.id, drill.id, stage.id, [
    ...new Set(checks.map((c) => c.measure)),
  ]);
  const shown = checks.map((check) => ({
    check,
    band: bandFor(check, golfer.statureCm),
    trend: trendOfDays(middles.get(check.measure) ?? []),
  }));
  return {
    bouts,
    normal,
    last: {
      judged: standing.judged,
      passed: standing.passed,
      days: standing.days,
      done: standing.is === "done",
    },
    checks: shown.map(({ check: { told: _, ...check }, ...rest }) => ({ check, ...rest })),
    month: sinceLastMonth(lines, today),
    effects: effects(lines),
    transfer: carried && transferOf(carried, normal, golfer.statureCm, rateOf(lines)),
    felt: await feltOf(db, golfer.id, drill.id, stage),
  };
}

/** Over the middles of its days. */
const trendOfDays = (bouts: readonly { day: string; middle: number }[]): Trend =>
  trendOf(
    [...groups(bouts, (b) => b.day)].map(([day, of]) => ({
      day: daysBetween(EPOCH, day),
      value: median(of.map((b) => b.middle)),
    })),
  );

function transferOf(
  carried: Stage,
  swings: readonly NormalSwing[],
  statureCm: number,
  drill: PassRate,
): { drill: PassRate; swing: PassRate } | null {
  const results = [...groups(swings, (s) => s.id).values()].map((of) =>
    transferVerdict(
      carried,
      Object.fromEntries(
        of.map((s) => [
          s.measureId,
          {
            value: s.value,
            u: s.u,
            unit: CATALOGUE[s.measureId as MeasureId].unit,
            state: "measured",
          } satisfies Measured,
        ]),
      ),
      statureCm,
    ),
  );
  const swing = passRate(results);
  return swing.judged && drill.judged ? { drill, swing } : null;
}

/** Felt share against the estimate of the first share that the stage asks for. */
async function feltOf(db: Db, golferId: string, drillId: string, stage: Stage) {
  const by = feltBy(stage);
  if (!by) return null;
  const rows = (await boutMiddles(db, golferId, drillId, stage.id, by.measure, BOUTS)).map((r) => ({
    ...r,
    film: by.onLead(r.middle),
  }));
  const apart = feltAgainst(
    rows.flatMap((r) =>
      r.feltShare === null ? [] : [{ felt: r.feltShare, estimated: r.film, u: r.u }],
    ),
  );
  return (
    apart && {
      name: `On the lead foot, ${by.when}`,
      apart,
      rows: rows.map((r) => ({
        id: r.boutId,
        at: new Date(`${r.day}T12:00:00Z`),
        felt: r.feltShare,
        film: r.film,
        u: r.u,
      })),
    }
  );
}
