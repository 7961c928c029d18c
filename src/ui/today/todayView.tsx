import Link from "next/link";
import { SYMPTOM_ROWS } from "@/core/choose";
import type { Drill } from "@/core/drills";
import type { DoseOfDay, Glance } from "@/core/practice";
import type { BoutCard } from "@/server/reps/bouts";
import { CARD } from "@/ui/charts/strip/geometry";
import { LazyStrip } from "@/ui/charts/strip/lazyStrip";
import { Button } from "@/ui/kit/button";
import { longTime } from "@/ui/kit/dates";
import { glyphOf, VerdictGlyph } from "@/ui/kit/glyphs";
import { inWords } from "@/ui/kit/inWords";
import type { PlanBout } from "@/ui/plan/planBout";
import { changeWords, passedWords } from "@/ui/reps/glanceWords";
import { repLabel } from "@/ui/reps/repLabel";
import { BodyQuestion } from "./bodyQuestion";

interface Props {
  day: string;
  bouts: readonly PlanBout[];
  /** The drill of the bout that is next. */
  next: { dose: Drill["dose"]; soFar: DoseOfDay } | null;
  last: { bout: BoutCard; glance: Glance } | null;
  sore: { part: string } | null;
  /** Whether the body is to be asked after now. */
  asks: "before" | "after" | null;
  say(when: "before" | "after", part: string | null): Promise<void>;
}

/** So many of the last bout's reps are shown. */
const SHOWN = 10;

/** What to do now: the day as a stream, its next bout large, what the last one asked for. */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function TodayView({ day, bouts, next, last, sore, asks, say }: Props) {
  const at = bouts.findIndex((b) => b.state === "planned");
  const bout = bouts[at];
  return (
    <>
      <div className="grid gap-x-12 gap-y-8 pt-6 md:grid-cols-[240px_1fr] xl:grid-cols-[260px_1fr_434px]">
        <section aria-label="Today">
          <p className="mb-5 side-note">{day}</p>
          {bouts.length ? (
            <Stream bouts={bouts} at={at} />
          ) : (
            <p className="text-[17px]">
              Nothing is planned today.{" "}
              <Link className="text-link" href="/plan">
                See the week
              </Link>
            </p>
          )}
        </section>
        <section aria-labelledby="now">
          <p className="side-note">What do you do now?</p>
          <h1 id="now" className="mt-2 text-[58px] leading-[0.95] md:text-[86px]">
            {bout ? bout.name : bouts.length ? "Done for today" : "Five normal swings"}
          </h1>
          {bout && next ? (
            <p className="mt-6 text-[23px] leading-snug">
              {bout.sets === 1
                ? `One set of ${inWords(bout.reps)}`
                : `Sets of ${inWords(bout.reps)}, ${inWords(bout.sets)} times`}
              {bout.stage && `, ${bout.stage.toLowerCase()}`}.
              {next.dose.note && ` ${next.dose.note}`}
              <br />
              {last?.bout.drillId === bout.drillId && last.glance.change ? (
                <>
                  One thing: <strong>{last.glance.change.words.toLowerCase()}</strong>.
                </>
              ) : (
                <span className="text-ink-2">Why: {bout.reason}.</span>
              )}
            </p>
          ) : (
            <p className="mt-6 text-[20px]">
              {bouts.length
                ? "What was planned is done. More is better tomorrow than now."
                : "Film them first: they say which drills would help, and the week can be planned."}
            </p>
          )}
          {bout && next && <SoFar {...next} />}
          {sore && bout && !asks && (
            <p className="mt-3 max-w-prose text-[17px]">
              Your {sore.part} is sore: half the minutes are planned, and only easy drills.{" "}
              <Link className="text-link" href="/plan">
                Change that
              </Link>
            </p>
          )}
          {asks && (bout || asks === "after") && (
            <BodyQuestion when={asks} sore={sore?.part ?? null} say={say} />
          )}
          <div className="mt-6 flex flex-wrap gap-3">
            {bout ? (
              <>
                <Button look="main" className="min-h-16 px-8 text-[22px]" asChild>
                  <Link href={`/film?drill=${bout.drillId}&stage=${bout.stageId}`}>
                    Start the bout
                  </Link>
                </Button>
                <Button className="min-h-16 px-6 text-[18px]" asChild>
                  <Link href={`/drills/${bout.drillId}`}>See the drill</Link>
                </Button>
              </>
            ) : (
              <Button look="main" className="min-h-16 px-8 text-[22px]" asChild>
                <Link href={bouts.length ? "/progress" : "/film?drill=normal-swing"}>
                  {bouts.length ? "Is it holding?" : "Film five swings"}
                </Link>
              </Button>
            )}
          </div>
          {bout && (
            <p className="mt-4 side-note">
              About {Math.round(bout.minutes)} minutes,{" "}
              {bout.place === "home" ? "at home" : "on the range"}. Or{" "}
              <Link className="text-link" href={`/read?drill=${bout.drillId}`}>
                read clips
              </Link>{" "}
              that are filmed already.
            </p>
          )}
        </section>
        {last && (
          <section aria-label="The last bout" className="md:col-span-2 xl:col-span-1">
            <p className="side-note">
              What is the one thing to change?{" "}
              <Link className="text-link" href={`/bouts/${last.bout.id}`}>
                {last.bout.drill ?? "Measured"}, {longTime(last.bout.startedAt)}
              </Link>
            </p>
            <h2 className="mt-2 text-[29px]">
              {last.glance.change ? (
                <>
                  {changeWords(last.glance)} {last.glance.change.words.toLowerCase()}
                </>
              ) : (
                passedWords(last.glance, last.bout.reps.length)
              )}
            </h2>
            <ul className="mt-4 grid grid-cols-5 gap-x-5 gap-y-4">
              {last.bout.reps.slice(0, SHOWN).map((r) => (
                <li key={r.id}>
                  <Link
                    prefetch={false}
                    href={`/reps/${r.id}`}
                    aria-label={repLabel(r)}
                    className="block hover:bg-silt"
                  >
                    <span className="mb-1 flex items-center gap-2 font-bold">
                      {r.number}
                      {r.result && <VerdictGlyph name={glyphOf(r.result)} size={14} />}
                    </span>
                    <LazyStrip
                      id={r.id}
                      size={CARD}
                      few
                      className="h-[132px] [&>svg]:h-full [&>svg]:w-full"
                    />
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
      <section
        aria-labelledby="notice"
        className="mt-10 grid gap-x-12 gap-y-3 border-t border-hair pt-6 md:grid-cols-[240px_1fr] xl:grid-cols-[260px_1fr]"
      >
        <div>
          <h2 id="notice" className="text-[29px]">
            What do you notice?
          </h2>
          <p className="side-note">
            Say it in your words. You get the drills that answer it, with reasons.
          </p>
        </div>
        <div>
          <form action="/drills">
            <input
              name="q"
              aria-labelledby="notice"
              placeholder="The ball, the strike, your feet …"
              className="min-h-14 w-full rounded-control border-[1.5px] border-edge bg-paper px-4 text-[20px]"
            />
          </form>
          <ul className="mt-3 flex flex-wrap gap-x-6 gap-y-1">
            {SYMPTOM_ROWS.map((s) => (
              <li key={s.id}>
                <Link
                  className="inline-flex min-h-11 items-center font-semibold text-link"
                  href={`/drills?notice=${s.id}`}
                >
                  {s.name}
                </Link>
              </li>
            ))}
          </ul>
        </div>
      </section>
    </>
  );
}

/** What is done already of the dose of the day. */
function SoFar({ dose, soFar: { sets, of, into, missed } }: NonNullable<Props["next"]>) {
  if (!sets && !into && !missed) return null;
  const counted = dose.school === "counted sets";
  return (
    <p className="mt-2 text-[17px]">
      Today {inWords(sets)} of {inWords(of)} sets {counted ? "are clean" : "are done"}
      {into > 0 && `, and ${inWords(into)} ${into === 1 ? "rep" : "reps"} of the next`}.
      {missed > 0 && ` A set with a miss does not count: ${inWords(missed)} so far.`}
    </p>
  );
}

const ROW = 104;

/** The day from top to bottom: a gate a bout, the line drawn as far as it is done. */
function Stream({ bouts, at }: { bouts: readonly PlanBout[]; at: number }) {
  const height = ROW * bouts.length + 30;
  const reached = at < 0 ? height : at * ROW + 44;
  const way =
    "M14 " +
    `0${Array.from({ length: Math.ceil(reached / 60) }, (_, i) => `C${8 + 12 * (i % 2)} ${Math.min(reached, i * 60 + 20)} ${8 + 12 * (i % 2)} ${Math.min(reached, i * 60 + 40)} 14 ${Math.min(reached, (i + 1) * 60)}`).join("")}`;
  return (
    <div className="relative" style={{ minHeight: height }}>
      <svg width={28} height={height} className="absolute top-0 left-0" aria-hidden>
        <rect x={5} width={18} height={height} fill="var(--water)" />
        <path d={way} stroke="var(--stream)" strokeWidth={4} fill="none" />
        <circle cx={14} cy={reached} r={6.5} fill="var(--stream)" />
        {bouts.map((b, i) => (
          <path
            key={b.id}
            d={`M2.5 ${i * ROW + 28}v32M25.5 ${i * ROW + 28}v32`}
            stroke={b.state === "done" ? "var(--pass)" : i === at ? "var(--ink)" : "var(--unsure)"}
            strokeWidth={i === at ? 5 : 3.5}
          />
        ))}
      </svg>
      <ol>
        {bouts.map((b) => (
          <li key={b.id} className="pl-11" style={{ minHeight: ROW }}>
            <strong className="block pt-5 text-[18px] leading-tight">{b.name}</strong>
            <span className="block side-note">
              {b.state === "done"
                ? "done"
                : `${b.sets} × ${b.reps}${b.stage ? `, ${b.stage.toLowerCase()}` : ""}`}
            </span>
            <span className="block side-note">
              {b.place === "home" ? "At home" : "On the range"}
            </span>
          </li>
        ))}
      </ol>
    </div>
  );
}
