import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { startsStill } from "@/core/live";
import { hasStrike } from "@/core/reps";
import { sayBody } from "@/app/planActions";
import { whoever } from "@/app/whoever";
import { dayDone } from "@/server/practice/dayDone";
import { localDay } from "@/server/practice/localDay";
import { BASELINE } from "@/server/reps/ownSwings";
import { drillOf } from "@/server/drills/ownDrills";
import { DRILLS, type Drill, partOf } from "@/core/drills";
import { swing } from "@/core/figure";
import {
  ASKED,
  lensOf,
  type Lens,
  bodyReach,
  leastDepth,
  planFilm,
  resolves,
  roomOf,
} from "@/core/film";
import { CAMERA_PRIOR } from "@/core/scene";
import { feedbackFor, ladder } from "@/core/practice";
import { stageReps } from "@/server/reps/stageReps";
import { keepPlace } from "./actions";
import { readPlace } from "./place";
import { FilmView } from "@/ui/film/filmView";

export const metadata: Metadata = { title: "Film" };

/** Films that stand in for a camera, by drill. */
const STAND_INS: Record<string, readonly string[]> = {
  "double-step": ["/samples/double-step-bout.mp4"],
};

// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export default async function FilmPage({
  searchParams,
}: {
  searchParams: Promise<{ drill?: string; stage?: string; reps?: string }>;
}) {
  const { db, golfer } = await whoever();
  const { drill: id = "double-step", stage: stageId, reps } = await searchParams;
  const drill = await drillOf(db, golfer.id, id);
  if (!drill) notFound();
  const stage =
    drill.stages.find((s) => s.id === stageId) ??
    drill.stages.find((s) => s.main) ??
    drill.stages[0]!;
  const wanted = Number(reps);
  const standing = ladder(
    drill,
    (await stageReps(db, golfer.id, [drill])).get(drill.id) ?? [],
    golfer.wentOn,
  ).find((s) => s.stage.id === stage.id)!;
  const place = await readPlace();
  const today = localDay(new Date());
  const room = roomOf(stage.target?.() ?? swing(), golfer.statureCm);
  const lens: Lens = {
    ...ASKED,
    fovDeg: place.fills === null ? CAMERA_PRIOR.hfovDeg[0] : lensOf(golfer.statureCm, place.fills),
  };
  const planned = planFilm(room, stage.view, lens, place);
  const other = stage.view === "face-on" ? "down-the-line" : "face-on";
  const elsewhere = planned.fits
    ? null
    : {
        depth: leastDepth(room, other, lens),
        drills: DRILLS.filter((d) => d.stages.some((s) => s.main && s.view === other)).map(
          ({ id, name }) => ({ id, name }),
        ),
      };
  return (
    <FilmView
      key={`${golfer.id} ${drill.id} ${stage.id}`}
      golferId={golfer.id}
      drill={{ id: drill.id, version: drill.version, own: drill.basedOn ? bare(drill) : null }}
      stage={stage.id}
      drillName={drill.name}
      stageName={stage.name}
      view={stage.view}
      stillStart={startsStill(stage.rules)}
      statureCm={golfer.statureCm}
      hand={golfer.hand}
      keepFilm={golfer.keepFilm}
      reach={bodyReach(room, stage.view)}
      reps={
        Number.isInteger(wanted) && wanted > 0 && wanted <= MOST_REPS ? wanted : drill.dose.reps
      }
      feedback={feedbackFor(standing)}
      hearing={stage.rules.prop ? "asked" : hasStrike(stage.rules) ? "helps" : null}
      part={partOf(drill, stage.id)}
      baseline={drill.id === BASELINE}
      dose={drill.dose}
      day={await dayDone(db, golfer.id, today)}
      body={{
        asked: golfer.body,
        today,
        sore: golfer.sore?.part ?? null,
        say: sayBody.bind(null, golfer.id),
      }}
      setUp={{
        planned,
        elsewhere,
        place,
        lens,
        view: stage.view,
        hand: golfer.hand,
        units: golfer.units,
        toes: room.toes,
        ball: room.club[0] ? [room.club[0][0], room.club[0][2]] : null,
        keepPlace,
        resolved: planned.fits
          ? resolves(stage, planned.plan).map(({ check: { name }, resolution }) => ({
              check: { name },
              resolution,
            }))
          : [],
      }}
      standIn={golfer.sample && drill.id in STAND_INS}
      films={STAND_INS[drill.id] ?? []}
    />
  );
}

const MOST_REPS = 60;

/** A drill without its movements: functions stay on the server. */
const bare = (drill: Drill): Drill => ({
  ...drill,
  stages: drill.stages.map(({ target: _, faults: __, ...stage }) => stage),
});
