import { withId } from "@/core/maths";
import type { Metadata } from "next";
import Link from "next/link";
import { notFound } from "next/navigation";
import { cache } from "react";
import { copyDrill, goOn } from "@/app/drillActions";
import { keepReach, keepStance } from "@/app/golferActions";
import {
  conflicts,
  conflictWords,
  compareStances,
  STANCE_DRILL,
  STANCE_STAGES,
} from "@/core/choose";
import { DRILLS, isJudged, stageOf, type Drill, pathsThrough } from "@/core/drills";
import { isThrough, ladder, LAST, PASSES, type LadderStanding } from "@/core/practice";
import { requestDatabase } from "@/server/db/request";
import { drillOf, isOwn } from "@/server/drills/ownDrills";
import { playedMovement } from "@/core/play";
import { currentGolfer } from "@/server/golfers/golfers";
import { repsOfDrill } from "@/server/reps/ownSwings";
import { stageReps } from "@/server/reps/stageReps";
import { StanceTest } from "@/ui/drills/stanceTest";
import { AboutDrill } from "@/ui/drills/aboutDrill";
import { DrillHeading } from "@/ui/drills/drillHeading";
import { DrillView, Stages } from "@/ui/drills/drillView";
import { stageShown } from "@/ui/drills/stageShown";
import type { StandingShown } from "@/ui/drills/standing";
import { ANYBODY } from "@/ui/golfer/anybody";
import { Button } from "@/ui/kit/button";

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ stage?: string }>;
}

/** Title and page ask for the same drill: it is looked up once. */
const asked = cache(async (id: string): Promise<Drill | null> => {
  const db = await requestDatabase();
  return drillOf(db, (await currentGolfer(db))?.id ?? null, id);
});

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await asked((await params).id))?.name ?? "No such drill" };
}

/** Where the golfer is on each stage of a drill. */
const standingsOf = (drill: Drill, steps: readonly LadderStanding[]): StandingShown[] =>
  steps.map(({ stage, ...own }, i) => ({
    ...own,
    dose: isJudged(stage) ? null : drill.dose.sets * drill.dose.reps,
    before: drill.stages[i - 1]?.name ?? null,
  }));

// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export default async function DrillPage({ params, searchParams }: Props) {
  const drill = await asked((await params).id);
  if (!drill) notFound();
  const wanted = (await searchParams).stage;
  const stage = drill.stages.find((s) => s.id === wanted) ?? stageOf(drill);
  const db = await requestDatabase();
  const known = await currentGolfer(db);
  const turns =
    known && drill.id === STANCE_DRILL
      ? (await repsOfDrill(db, known.id, drill.id, 30)).flatMap((r) =>
          r.stageId && STANCE_STAGES[r.stageId]
            ? [{ stance: STANCE_STAGES[r.stageId]!, measures: r.measures }]
            : [],
        )
      : null;
  const mine =
    known !== null && drill.basedOn !== undefined && (await isOwn(db, known.id, drill.id));
  const golfer = known
    ? { statureCm: known.statureCm, hand: known.hand, units: known.units }
    : ANYBODY;
  const paths = pathsThrough(drill.id);
  const done = known
    ? await stageReps(db, known.id, [
        drill,
        ...DRILLS.filter((d) => d.id !== drill.id && paths.flat().includes(d.id)),
      ])
    : null;
  const steps = (d: Drill) => ladder(d, done?.get(d.id) ?? [], known?.wentOn);
  const standings = done ? standingsOf(drill, steps(drill)) : [];
  return (
    <>
      <DrillHeading drill={drill}>
        {known?.cautionsRead[drill.id] ? (
          <div className="flex gap-3">
            <Button look="main" asChild>
              <Link href={`/film?drill=${drill.id}&stage=${stage.id}`}>Film</Link>
            </Button>
            <Button asChild>
              <Link href={`/read?drill=${drill.id}`}>Read clips</Link>
            </Button>
          </div>
        ) : (
          <Button look="main" asChild>
            <Link href={known ? `/drills/${drill.id}/ready` : `/read?drill=${drill.id}`}>
              Begin
            </Link>
          </Button>
        )}
      </DrillHeading>
      <DrillView
        key={stage.id}
        drillId={drill.id}
        stage={stageShown(stage)}
        target={playedMovement(drill, stage.id, null, golfer)}
        golfer={golfer}
      >
        <section>
          <h2 className="mb-2 text-[23px]">Stages</h2>
          <Stages
            drillId={drill.id}
            stages={drill.stages.map((s, i) => stageShown(s, standings[i]))}
            here={stage.id}
            goOn={known ? goOn.bind(null, known.id) : null}
          />
          {stage.note && <p className="mt-2 side-note">{stage.note}</p>}
        </section>
      </DrillView>
      {known && turns && (
        <StanceTest
          statureCm={known.statureCm}
          units={known.units}
          armSpanCm={known.armSpanCm}
          stance={known.stance}
          compared={compareStances(turns)}
          keepReach={keepReach.bind(null, known.id)}
          keepStance={keepStance.bind(null, known.id)}
        />
      )}
      <AboutDrill drill={drill} stance={known?.stance ?? null} />
      {paths.length > 0 && (
        <section aria-labelledby="paths" className="mt-8 border-t border-hair pt-6">
          <h2 id="paths" className="mb-2 text-[23px]">
            {paths.length === 1 ? "Its path" : "Its paths"}
          </h2>
          <ul className="grid gap-2">
            {paths.map((path) => (
              <Path
                key={path.join()}
                path={path}
                here={drill.id}
                through={(d) => done !== null && isThrough(d, steps(d))}
                begun={path.some((id) => done?.has(id))}
              />
            ))}
          </ul>
          <p className="mt-2 max-w-prose side-note">
            The next drill opens when {PASSES} of the last {LAST} judged reps of the main stage
            pass, on two days: what one drill has taught, the next one builds on. You may go on
            sooner; it is your practice.
          </p>
        </section>
      )}
      <OwnCopy drill={drill} mine={mine} golferId={known?.id ?? null} />
      <PullsAgainst drill={drill} />
    </>
  );
}

/** The drill as a file and as a copy of the golfer's own. */
function OwnCopy({
  drill,
  mine,
  golferId,
}: {
  drill: Drill;
  mine: boolean;
  golferId: string | null;
}) {
  return (
    <section className="mt-8 flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-hair pt-6">
      {mine ? (
        <Button asChild>
          <Link href={`/drills/${drill.id}/edit`}>Change it</Link>
        </Button>
      ) : (
        golferId !== null && (
          <form action={copyDrill.bind(null, golferId, drill.id)}>
            <Button type="submit">Make a copy of your own</Button>
          </form>
        )
      )}
      <Button look="quiet" asChild>
        <a href={`/api/drills/${drill.id}`} download>
          Save as a file
        </a>
      </Button>
      <p className="side-note">
        {drill.basedOn ? (
          <>
            Version {drill.version} of your own, made from <DrillLink id={drill.basedOn} />.
          </>
        ) : (
          "A copy has bands, words, stages and dose of your own; this one stays as it is."
        )}
      </p>
    </section>
  );
}

/** Drills that ask for the opposite; nothing where there are none. */
function PullsAgainst({ drill }: { drill: Drill }) {
  const against = DRILLS.filter((d) => d.group !== "baseline" && d.id !== drill.basedOn).flatMap(
    (other) =>
      conflicts(drill, other)
        .slice(0, 1)
        .map((c) => ({ other, words: conflictWords(c, drill.name, other.name) })),
  );
  if (!against.length) return null;
  return (
    <section className="mt-8 border-t border-hair pt-6">
      <h2 className="mb-2 text-[23px]">Pulls against</h2>
      <p className="mb-2 side-note">Not in one session without knowing it.</p>
      <ul className="grid gap-1 md:grid-cols-2 md:gap-x-12">
        {against.map(({ other, words }) => (
          <li key={other.id} className="text-[15px]">
            <DrillLink id={other.id} />: {words}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Drills that follow on each other, and where the golfer is among them. */
function Path({
  path,
  here,
  through,
  begun,
}: {
  path: readonly string[];
  here: string;
  through: (drill: Drill) => boolean;
  begun: boolean;
}) {
  const drills = path.map((id) => withId(DRILLS, id));
  const at = drills.findIndex((d) => !through(d));
  return (
    <li className="flex flex-wrap items-baseline gap-x-2">
      {drills.map((d, i) => (
        <span key={d.id}>
          {i > 0 && (
            <span aria-hidden className="mr-2 text-ink-2">
              →
            </span>
          )}
          {d.id === here ? <strong>{d.name}</strong> : <DrillLink id={d.id} />}
          <span className="side-note">
            {" "}
            {at < 0 || i < at
              ? "done"
              : i === at
                ? begun
                  ? "you are here"
                  : "begins it"
                : i === at + 1
                  ? "opens next"
                  : ""}
          </span>
        </span>
      ))}
    </li>
  );
}

function DrillLink({ id }: { id: string }) {
  return (
    <Link href={`/drills/${id}`} className="font-semibold text-link">
      {withId(DRILLS, id).name}
    </Link>
  );
}
