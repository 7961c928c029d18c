import Link from "next/link";
import {
  findingWords,
  answer,
  causesOf,
  examples,
  type Answer,
  type Cause,
  TAKEN_CLUB,
} from "@/core/choose";
import type { SymptomId } from "@/core/drills";
import { CATALOGUE } from "@/core/measures";
import { CARD } from "@/ui/charts/strip/geometry";
import { SideMark, VerdictGlyph, type GlyphName } from "@/ui/kit/glyphs";
import { shownNumber, shownUnit, wanted, type Units } from "@/ui/kit/units";
import { Button } from "@/ui/kit/button";
import type { LibraryGolfer, OwnSwings } from "./libraryGolfer";
import { MiniStrip } from "./miniStrip";

const SIGN: Record<Answer["says"], GlyphName> = {
  "it is this": "fail",
  "not this": "pass",
  "too close": "unsure",
  "not told": "unsure",
};
const SAID: Record<Answer["says"], string> = {
  "it is this": "It is this",
  "not this": "Not this",
  "too close": "Too close to call",
  "not told": "Not told yet",
};
const PAIR = { ...CARD, width: 132, height: 216 };

/**
 * Do you have it? What two normal swings look like that have the complaint and that do not; and
 * what the golfer's own say of each cause.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function WhichIsIt({
  symptom,
  golfer,
  swings,
}: {
  symptom: SymptomId;
  golfer: LibraryGolfer;
  swings: OwnSwings | null;
}) {
  const causes = causesOf(symptom, TAKEN_CLUB, golfer.styles);
  const shown = examples(causes);
  const several = causes.length > 1;
  const answers = causes.map((c) => ({
    cause: c,
    said: answer(c, swings?.measures[c.measure], golfer.statureCm),
  }));
  // Seen from behind only: normal swings from in front do not tell it.
  const untold = answers.filter((a) => a.said.says === "not told" && swings !== null);
  return (
    <section aria-labelledby="which-is-it">
      <h2 id="which-is-it" className="text-[23px]">
        {several ? "Which is it? Two reps tell" : "Do you have it? Two reps tell"}
      </h2>
      <p className="mt-1 side-note">
        Normal swings, an iron, a ball on a tee.{" "}
        {swings ? `Below is what your last ${swings.count} show.` : ""}
      </p>
      {shown && (
        <div className="mt-4 flex gap-8">
          {(["fault", "target"] as const).map((which) => (
            <div key={which} className="min-w-0 flex-1">
              <p className="mb-1 flex justify-between text-[14px]" style={{ width: PAIR.width }}>
                {golfer.hand === "right" ? (
                  <>
                    <SideMark side="trail" />
                    <SideMark side="lead" />
                  </>
                ) : (
                  <>
                    <SideMark side="lead" />
                    <SideMark side="trail" />
                  </>
                )}
              </p>
              <MiniStrip
                drillId={shown.drill.id}
                stageId={shown.stage.id}
                {...(which === "fault" ? { fault: shown.fault.id } : {})}
                golfer={golfer}
                size={PAIR}
                gate={shown.stage.checks.find((c) => c.measure === shown.measure)?.id ?? ""}
                judged
                named
                label={
                  which === "fault"
                    ? `A strip that has it: ${shown.fault.tell}`
                    : "A strip that does not have it"
                }
              />
              <p className="mt-2 flex items-center gap-2 font-semibold">
                <VerdictGlyph name={which === "fault" ? "fail" : "pass"} />
                Both like this
              </p>
              <p className="side-note">
                {which === "fault"
                  ? `It is this. ${shown.fault.tell}`
                  : several
                    ? "Not this: look at the others."
                    : "Not this: say more."}
              </p>
            </div>
          ))}
        </div>
      )}
      <div className="mt-5">
        <ul className="mt-3 grid gap-3">
          {answers.map(({ cause, said }) => (
            <CauseRow key={cause.measure} cause={cause} said={said} units={golfer.units} />
          ))}
        </ul>
        <p className="mt-4 flex flex-wrap items-center gap-x-5 gap-y-2">
          <Button look={swings ? "plain" : "main"} asChild>
            <Link href="/read?drill=normal-swing">Read two swings</Link>
          </Button>
          {untold.length > 0 && (
            <span className="side-note">
              {untold.some((a) => CATALOGUE[a.cause.measure].views.includes("face-on"))
                ? "The last ones did not show all of it."
                : "From in front it is not seen: it takes a clip from behind."}
            </span>
          )}
        </p>
      </div>
    </section>
  );
}

function CauseRow({ cause, said, units }: { cause: Cause; said: Answer; units: Units }) {
  const { name, unit } = CATALOGUE[cause.measure];
  const found = "finding" in said ? said.finding : null;
  const average = found ?? ("average" in said ? said.average : null);
  return (
    <li className="grid grid-cols-[24px_1fr] gap-x-3">
      <VerdictGlyph name={SIGN[said.says]} className="mt-0.5" />
      <span>
        <strong>{SAID[said.says]}:</strong>{" "}
        {found ? findingWords(found).toLowerCase() : name.toLowerCase()}.
        <span className="block side-note">
          {average &&
            `${shownNumber(average.mean, unit, units)} ± ` +
              `${shownNumber(2 * average.u, unit, units)} ${shownUnit(unit, units)}. `}
          Wanted: {wanted(found?.band ?? widest(cause), cause.measure, units)}.{" "}
          {said.says === "not this" ? (
            ""
          ) : (
            <>
              For it:{" "}
              {cause.drills.map((d, i) => (
                <span key={d.id}>
                  {i > 0 && ", "}
                  <Link href={`/drills/${d.id}`} className="text-link">
                    {d.name}
                  </Link>
                </span>
              ))}
              .
            </>
          )}
        </span>
      </span>
    </li>
  );
}

/** The widest limits that the cause's checks set, for a golfer of 178 cm. */
const widest = ({ checks }: Cause): [number | null, number | null] => {
  const [lows, highs] = [
    checks.flatMap((c) => c.band[0] ?? []),
    checks.flatMap((c) => c.band[1] ?? []),
  ];
  return [lows.length ? Math.min(...lows) : null, highs.length ? Math.max(...highs) : null];
};
