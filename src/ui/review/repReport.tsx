import Link from "next/link";
import { overruledBy } from "@/core/reps";
import { CATALOGUE } from "@/core/measures";
import { eventTimes } from "@/core/analysis";
import type { RepDetail } from "@/server/reps/queries";
import { CARD } from "@/ui/charts/strip/geometry";
import { RepStrip } from "@/ui/charts/strip/repStrip";
import { captionOf, wordsOfEvent, StripEdges, stripEvents } from "@/ui/charts/strip/words";
import { Button } from "@/ui/kit/button";
import { fullTime } from "@/ui/kit/dates";
import { WORDS } from "@/ui/kit/glyphs";
import { shownNumber, shownStature, shownUnit, toldAs, wanted } from "@/ui/kit/units";
import { FOOT_WORDS } from "./eventWords";
import { PrintButton } from "./printButton";

const FAMILY_ORDER = ["weight", "sway", "feet", "order"] as const;
/** One page holds so many measures beside the checks. */
const MOST = 18;

/**
 * A rep on one page of paper, for a teacher: what was asked, what was measured with its
 * uncertainty, and how.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function RepReport({ rep }: { rep: RepDetail }) {
  const v = rep.verdict;
  const own = overruledBy(rep.corrections);
  const events = stripEvents(eventTimes(rep.events), rep.series);
  const at = Object.fromEntries(Object.entries(rep.measures).map(([id, m]) => [id, m.at]));
  const zero = events.top ?? rep.series.t[0]!;
  const names = new Map(rep.stage?.checks.map((c) => [c.id, c.name] as const));
  const judged = new Set<string>(v?.checks.map((c) => c.measure));
  const others = FAMILY_ORDER.flatMap((family) =>
    Object.entries(rep.measures).filter(
      ([id, m]) =>
        !judged.has(id) &&
        id in CATALOGUE &&
        CATALOGUE[id as keyof typeof CATALOGUE].family === family &&
        m.value !== null &&
        m.u !== null,
    ),
  ).slice(0, MOST);
  const value = (v: number, unit: string) => `${shownNumber(v, unit, rep.units)}`;
  return (
    <article className="mx-auto max-w-[780px] pt-6 text-[15px] print:pt-0 print:text-[11px]">
      <div className="mb-4 flex gap-3 print:hidden">
        <PrintButton />
        <Button asChild>
          <a href={`/api/reps/${rep.id}/measures`} download>
            All measures as CSV
          </a>
        </Button>
        <Button look="quiet" asChild>
          <Link href={`/reps/${rep.id}`}>Back to the rep</Link>
        </Button>
      </div>
      <header className="border-b-2 border-ink pb-2">
        <h1 className="text-[29px] print:text-[20px]">
          {rep.drill ?? "Measured rep"}
          {rep.stage && `, ${rep.stage.name.toLowerCase()}`}
        </h1>
        <p>
          Rep {rep.number} of {rep.boutReps.length}, {fullTime(rep.boutStartedAt)}
          {rep.place && `, ${rep.place}`}. {rep.hand === "right" ? "Right" : "Left"}-handed,{" "}
          {shownStature(rep.statureCm, rep.units)}. Filmed{" "}
          {rep.stage?.view === "down-the-line" ? "from behind" : "from the front"}.
        </p>
      </header>
      <p className="mt-3 text-[20px] font-bold print:text-[14px]">
        {own
          ? `${WORDS[own.now]}, says the golfer: ${own.reason}`
          : v
            ? `${WORDS[v.result]}${v.cue ? `: ${v.cue.words.toLowerCase()}` : v.reason ? `: ${v.reason.message}` : ""}`
            : "Not judged: it was only measured"}
      </p>
      {own && v && (
        <p>
          The program says: {WORDS[v.result].toLowerCase()}
          {v.cue ? `, ${v.cue.words.toLowerCase()}` : ""}.
        </p>
      )}
      {rep.corrections.length > 0 && (
        <p>
          Corrected by the golfer:{" "}
          {rep.corrections.length === 1 ? "one thing" : `${rep.corrections.length} things`}; all
          numbers are with that.
        </p>
      )}
      <div className="mt-4 grid gap-6 sm:grid-cols-[200px_1fr] print:grid-cols-[200px_1fr]">
        <figure>
          <div
            className="mb-1 flex justify-between text-[13px] print:text-[9px]"
            style={{ width: CARD.width }}
          >
            <StripEdges series={rep.series} hand={rep.hand} />
          </div>
          <RepStrip
            size={CARD}
            label="Strip of the rep"
            data={{ series: rep.series, events, hand: rep.hand, checks: v?.checks ?? [], at }}
          />
          <figcaption className="mt-1 text-[13px] text-ink-2 print:text-[9px]">
            {captionOf(rep.series)} Time runs down.
          </figcaption>
        </figure>
        <div>
          {v && v.checks.length > 0 && (
            <table className="w-full border-collapse">
              <caption className="text-left font-bold">What the drill asks</caption>
              <thead>
                <tr className="border-b border-ink text-left">
                  <th scope="col">Check</th>
                  <th scope="col">Wanted</th>
                  <th scope="col" className="text-right">
                    Measured
                  </th>
                  <th scope="col" className="pl-3">
                    Result
                  </th>
                </tr>
              </thead>
              <tbody>
                {v.checks.map((c) => (
                  <tr key={c.id} className="border-b border-hair">
                    <th scope="row" className="py-1 text-left font-normal">
                      {names.get(c.id) ?? c.id}
                      {c.level === "must" ? "" : ` (${c.level})`}
                    </th>
                    <td>{wanted(c.band, c.measure, rep.units)}</td>
                    <td className="text-right whitespace-nowrap">
                      {c.value === null || c.u === null
                        ? (rep.measures[c.measure]?.reason ?? "–")
                        : `${value(toldAs(c.value, c.measure), CATALOGUE[c.measure].unit)} ± ` +
                          `${value(2 * c.u, CATALOGUE[c.measure].unit)} ` +
                          `${shownUnit(CATALOGUE[c.measure].unit, rep.units)}`}
                    </td>
                    <td className="pl-3">{WORDS[c.result].toLowerCase()}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <table className="mt-4 w-full border-collapse">
            <caption className="text-left font-bold">
              Events, from {events.top === undefined ? "the start" : "the top"}
            </caption>
            <tbody>
              {rep.events
                .filter((e) => e.foot !== "" || wordsOfEvent.has(e.name))
                .map((e) => (
                  <tr key={`${e.foot}${e.name}${e.t}`} className="border-b border-hair">
                    <th scope="row" className="py-0.5 text-left font-normal">
                      {e.foot
                        ? `${e.foot} ${FOOT_WORDS[e.name] ?? e.name}`
                        : wordsOfEvent.get(e.name)}
                      {e.by === "golfer" && ", as the golfer says"}
                    </th>
                    <td className="text-right whitespace-nowrap">
                      {value(e.t - zero, "ms")} ± {value(2 * e.u, "ms")} ms
                    </td>
                  </tr>
                ))}
            </tbody>
          </table>
        </div>
      </div>
      {others.length > 0 && (
        <section className="mt-4">
          <h2 className="font-bold">Also measured</h2>
          <dl className="grid gap-x-8 sm:grid-cols-2 print:grid-cols-2">
            {others.map(([id, m]) => (
              <div key={id} className="flex justify-between border-b border-hair py-0.5">
                <dt>{CATALOGUE[id as keyof typeof CATALOGUE].name}</dt>
                <dd className="whitespace-nowrap">
                  {value(m.value!, m.unit)} ± {value(2 * m.u!, m.unit)}{" "}
                  {shownUnit(m.unit, rep.units)}
                </dd>
              </div>
            ))}
          </dl>
        </section>
      )}
      <p className="mt-4 text-ink-2">
        Estimated from one phone&rsquo;s film, not from plates. ± holds the truth about 19 times of
        20 on rendered film. A check passes or fails only where the whole of ± lies on one side of
        its limit; else it is too close to call.
        {rep.problems.length
          ? ` Seen in this film: ${rep.problems.map((p) => p.message).join(" ")}`
          : ""}
      </p>
    </article>
  );
}
