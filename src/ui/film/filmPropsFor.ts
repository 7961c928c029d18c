import { BASELINE, DRILLS, partOf, type Drill } from "@/core/drills";
import { swing } from "@/core/figure";
import {
  ASKED,
  bodyReach,
  leastDepth,
  lensOf,
  planFilm,
  resolves,
  roomOf,
  type Lens,
} from "@/core/film";
import { startsStill } from "@/core/live";
import { feedbackFor, ladder, type StageRep } from "@/core/practice";
import { hasStrike } from "@/core/reps";
import { CAMERA_PRIOR } from "@/core/scene";
import type { Golfer } from "@/server/golfers/golfers";
import type { DayBout } from "@/server/practice/dayDone";
import type { Props } from "./filmProps";
import type { FilmingPlace } from "./setUp";

/** Films that stand in for a camera, by drill. */
export const STAND_INS: Record<string, readonly string[]> = {
  "double-step": ["/samples/double-step-bout.mp4"],
};
const MOST_REPS = 60;

/** What of a golfer the page that films needs. */
type FilmedBy = Pick<
  Golfer,
  "id" | "statureCm" | "hand" | "keepFilm" | "units" | "body" | "sore" | "sample" | "wentOn"
>;

interface Asked {
  golfer: FilmedBy;
  drill: Drill;
  /** The main one where none is named. */
  stage: string | null | undefined;
  /** As many as belong to a set of the drill where none are named. */
  reps: number;
  /** The drill's reps as its ladder asks for them. */
  done: readonly StageRep[];
  /** What was said of the place where this device films. */
  place: FilmingPlace;
  today: string;
  day: readonly DayBout[];
  keepPlace: (place: FilmingPlace) => Promise<void>;
  say: Props["body"]["say"];
}

/** What the page that films shows of a drill's stage; on the computer and on a phone alone. */
export function filmPropsFor({ golfer, drill, place, ...asked }: Asked): Props {
  const stage =
    drill.stages.find((s) => s.id === asked.stage) ??
    drill.stages.find((s) => s.main) ??
    drill.stages[0]!;
  const standing = ladder(drill, asked.done, golfer.wentOn).find((s) => s.stage.id === stage.id)!;
  const room = roomOf(stage.target?.() ?? swing(), golfer.statureCm);
  const lens: Lens = {
    ...ASKED,
    fovDeg: place.fills === null ? CAMERA_PRIOR.hfovDeg[0] : lensOf(golfer.statureCm, place.fills),
  };
  const planned = planFilm(room, stage.view, lens, place);
  const other = stage.view === "face-on" ? "down-the-line" : "face-on";
  const wanted = asked.reps;
  return {
    golferId: golfer.id,
    drill: { id: drill.id, version: drill.version, own: drill.basedOn ? bare(drill) : null },
    stage: stage.id,
    drillName: drill.name,
    stageName: stage.name,
    view: stage.view,
    stillStart: startsStill(stage.rules),
    statureCm: golfer.statureCm,
    hand: golfer.hand,
    keepFilm: golfer.keepFilm,
    reach: bodyReach(room, stage.view),
    reps: Number.isInteger(wanted) && wanted > 0 && wanted <= MOST_REPS ? wanted : drill.dose.reps,
    feedback: feedbackFor(standing),
    hearing: stage.rules.prop ? "asked" : hasStrike(stage.rules) ? "helps" : null,
    part: partOf(drill, stage.id),
    baseline: drill.id === BASELINE,
    dose: drill.dose,
    day: asked.day,
    body: {
      asked: golfer.body,
      today: asked.today,
      sore: golfer.sore?.part ?? null,
      say: asked.say,
    },
    setUp: {
      planned,
      elsewhere: planned.fits
        ? null
        : {
            depth: leastDepth(room, other, lens),
            drills: DRILLS.filter((d) => d.stages.some((s) => s.main && s.view === other)).map(
              ({ id, name }) => ({ id, name }),
            ),
          },
      place,
      lens,
      view: stage.view,
      hand: golfer.hand,
      units: golfer.units,
      toes: room.toes,
      ball: room.club[0] ? [room.club[0][0], room.club[0][2]] : null,
      keepPlace: asked.keepPlace,
      resolved: planned.fits
        ? resolves(stage, planned.plan).map(({ check: { name }, resolution }) => ({
            check: { name },
            resolution,
          }))
        : [],
    },
    standIn: golfer.sample && drill.id in STAND_INS,
    films: STAND_INS[drill.id] ?? [],
  };
}

/** A drill without its movements: functions stay where they are. */
const bare = (drill: Drill): Drill => ({
  ...drill,
  stages: drill.stages.map(({ target: _, faults: __, ...stage }) => stage),
});
