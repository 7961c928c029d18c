"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { toast } from "sonner";
import { against, fromRows } from "@/core/practice";
import { overruledBy } from "@/core/reps";
import { eventTimes } from "@/core/analysis";
import type { RepDetail } from "@/server/reps/queries";
import { Button } from "@/ui/kit/button";
import { longTime } from "@/ui/kit/dates";
import { useAttempt } from "@/ui/kit/useAttempt";
import { glyphOf, VerdictGlyph, WORDS } from "@/ui/kit/glyphs";
import { AlsoMeasured } from "./alsoMeasured";
import { CorrectPanel } from "./correctPanel";
import { InsolesPanel } from "./insolesPanel";
import { DoubtAnswer } from "./doubtAnswer";
import { Next } from "./next";
import { repFileName } from "./repFileName";
import { download, pngFile, svgFile } from "./saveStrip";
import { StripPanel } from "./stripPanel";
import { useCorrecting } from "./useCorrecting";
import { useTrack } from "./useTrack";
import { Viewer } from "./viewer";

/**
 * A rep: film with joints, the strip on the same clock, checks at their gates, the cue, what to do
 * next, and what to put right.
 *
 * @param best the golfer's best rep of that stage, another one than this
 */
export function RepReview({
  rep: first,
  best,
  bin,
}: {
  rep: RepDetail;
  best: string | null;
  bin(what: "rep", id: string, gone: boolean): Promise<void>;
}) {
  const loaded = useTrack(first);
  const correcting = useCorrecting(first, loaded?.bytes ?? null);
  const { rep } = correcting;
  const events = eventTimes(rep.events);
  const cueCheck = first.verdict?.checks.find((c) => c.id === first.verdict?.cue?.id);
  const [start] = useState(
    (cueCheck && first.measures[cueCheck.measure]?.at) ?? events.impact ?? first.series.t[0]!,
  );
  const [ms, setMs] = useState(start);
  const [wanted, setWanted] = useState<{ ms: number } | null>(null);
  const seek = (to: number) => setWanted({ ms: to });
  const zero = events.top ?? rep.series.t[0]!;
  const [laid, setLaid] = useState(first.insoles);
  // The page is drawn for every picture that is shown; this hangs on none of them.
  const insoles = useMemo(() => laid && fromRows(laid.rows), [laid]);
  const insoleShare = useMemo(
    () => (insoles ? against(insoles, rep.series, rep.hand).leadShare : undefined),
    [insoles, rep.series, rep.hand],
  );
  return (
    <>
      <Heading rep={rep} best={best} />
      <DoubtAnswer rep={rep} busy={correcting.busy} correct={correcting.correct} />
      <div className="mt-4 grid gap-x-6 gap-y-8 lg:grid-cols-[minmax(320px,400px)_1fr]">
        <div>
          {loaded ? (
            <Viewer
              rep={rep}
              insoles={insoles}
              track={loaded.track}
              filmRate={loaded.filmRate}
              scale={correcting.scale}
              start={start}
              wanted={wanted}
              shown={setMs}
              undo={correcting.undo}
            />
          ) : (
            <div className="grid aspect-square w-full max-w-[440px] place-items-center bg-silt text-ink-2">
              Fetching the track…
            </div>
          )}
          <Next rep={rep} />
        </div>
        <StripPanel
          rep={rep}
          events={events}
          ms={ms}
          busy={correcting.busy}
          seek={seek}
          correct={correcting.correct}
          insoleShare={insoleShare}
        />
      </div>
      <Out rep={rep} bin={bin} />
      <CorrectPanel
        rep={rep}
        ms={ms}
        zero={zero}
        busy={correcting.busy}
        seek={seek}
        correct={correcting.correct}
        undo={correcting.undo}
      />
      {!rep.series.behind && <InsolesPanel rep={rep} laid={laid} changed={setLaid} />}
      <AlsoMeasured rep={rep} />
    </>
  );
}

/** What can be taken away of it. */
function Out({
  rep,
  bin,
}: {
  rep: RepDetail;
  bin(what: "rep", id: string, gone: boolean): Promise<void>;
}) {
  const router = useRouter();
  const [pending, attempt] = useAttempt();
  const away = () =>
    attempt(async () => {
      await bin("rep", rep.id, true);
      toast(`Rep ${rep.number} is in the bin.`, {
        action: { label: "Undo", onClick: () => attempt(() => bin("rep", rep.id, false)) },
      });
      router.push("/reps");
    });
  const strip = () =>
    document.querySelector<SVGSVGElement>("[data-strip] svg[aria-label='Strip of the rep']");
  const name = repFileName(rep);
  return (
    <nav aria-label="Take away" className="mt-8 flex flex-wrap gap-3">
      <Button asChild>
        <Link href={`/reps/${rep.id}/report`}>Report for a teacher</Link>
      </Button>
      <Button asChild>
        <a href={`/api/reps/${rep.id}/measures`} download>
          Measures as CSV
        </a>
      </Button>
      <Button asChild>
        <a href={`/api/reps/${rep.id}/package`} download>
          All of it as one file
        </a>
      </Button>
      <Button
        onClick={() => {
          const s = strip();
          if (s) download(`${name}.svg`, new Blob([svgFile(s)], { type: "image/svg+xml" }));
        }}
      >
        Strip as SVG
      </Button>
      <Button
        onClick={() => {
          const s = strip();
          if (s) void pngFile(s).then((png) => download(`${name}.png`, png));
        }}
      >
        Strip as PNG
      </Button>
      <Button look="quiet" disabled={pending} onClick={away}>
        Put this rep into the bin
      </Button>
    </nav>
  );
}

/** What was said of it, and by whom. */
function Heading({ rep, best }: { rep: RepDetail; best: string | null }) {
  const v = rep.verdict;
  const own = overruledBy(rep.corrections);
  const at = rep.boutReps.indexOf(rep.id);
  const says = own ? `You say: ${WORDS[own.now].toLowerCase()}` : null;
  const title =
    says ??
    (v === null
      ? "Measured, not judged"
      : (v.cue?.words ?? (v.result === "pass" ? "Every check that counts passed" : "Not judged")));
  const before = rep.uncorrected;
  const shown = own?.now ?? v?.result ?? null;
  return (
    <>
      <div className="flex flex-wrap items-start justify-between gap-4 pt-5">
        <div className="flex gap-5" aria-live="polite">
          {shown && <VerdictGlyph name={glyphOf(shown)} size={62} className="mt-1" />}
          <div>
            <p className="side-note">
              {shown && `${WORDS[shown]} · `}rep {rep.number} of {rep.boutReps.length} ·{" "}
              {rep.drill ?? "no drill"} · {longTime(rep.boutStartedAt)}
              {rep.place && `, ${rep.place}`}
            </p>
            <h1 className="page-title">{title}</h1>
          </div>
        </div>
        <div className="flex flex-wrap gap-3">
          {rep.boutReps[at - 1] && (
            <Button asChild>
              <Link href={`/reps/${rep.boutReps[at - 1]}`}>← Rep {rep.number - 1}</Link>
            </Button>
          )}
          {rep.boutReps[at + 1] && (
            <Button asChild>
              <Link href={`/reps/${rep.boutReps[at + 1]}`}>Rep {rep.number + 1} →</Link>
            </Button>
          )}
          {best ? (
            <Button asChild>
              <Link href={`/compare?reps=${rep.id},${best}`}>Compare with the best</Link>
            </Button>
          ) : (
            rep.stage && (
              <Button asChild>
                <Link href={`/compare?reps=${rep.id}&target=1`}>Compare with the target</Link>
              </Button>
            )
          )}
        </div>
      </div>
      {own ? (
        <p className="mt-2 max-w-[760px] text-[17px]">
          {own.reason} The program says {sentence(v!)}.
        </p>
      ) : (
        v?.reason && <p className="mt-2 max-w-[760px] text-[17px]">{v.reason.message}</p>
      )}
      {before && !own && (
        <p className="mt-2 max-w-[760px] side-note">
          With what you changed; before that: {sentence(before)}.
        </p>
      )}
    </>
  );
}

const sentence = ({
  result,
  cue,
}: Pick<NonNullable<RepDetail["verdict"]>, "result" | "cue">): string =>
  `${WORDS[result].toLowerCase()}${cue ? `, ${cue.words.toLowerCase()}` : ""}`;
