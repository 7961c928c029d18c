import Link from "next/link";
import { carriedChecks, findingWords, type Finding, type Profile, findStyle } from "@/core/choose";
import { DRILLS, type Club, type Styles } from "@/core/drills";
import type { Measured } from "@/core/judge";
import { CATALOGUE, type MeasureId } from "@/core/measures";
import { inWords } from "@/ui/kit/inWords";
import { Button } from "@/ui/kit/button";
import { longDay } from "@/ui/kit/dates";
import { shownNumber, shownUnit, wanted, type Units } from "@/ui/kit/units";
import { SpreadBar } from "@/ui/charts/spreadBar";

const WITH: Record<Club, string> = {
  iron: "swings with an iron",
  driver: "swings with the driver",
};

/**
 * What a golfer's own swings show: the strongest finding as the title, the drill it speaks for, and
 * every figure behind it.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function ProfileView({
  profile,
  club,
  swings,
  chosen,
  units,
  latest,
}: {
  profile: Profile;
  club: Club;
  swings: readonly { measures: Record<string, Measured> }[];
  chosen: Styles;
  units: Units;
  latest: Date;
}) {
  const { findings, suggestions, inside, measures } = profile;
  const sure = findings.filter((f) => f.sure);
  const close = findings.filter((f) => !f.sure);
  const [first, ...more] = suggestions;
  const when = longDay(latest);
  const valuesOf = (id: MeasureId) =>
    swings.flatMap((s) =>
      typeof s.measures[id]?.value === "number" ? [s.measures[id].value] : [],
    );
  const row = (f: Finding) => (
    <Row key={f.measure} finding={f} values={valuesOf(f.measure)} units={units} />
  );
  return (
    <>
      <p className="mt-5 side-note">What do your swings ask for?</p>
      <h1 className="page-title">{sure[0] ? findingWords(sure[0]) : "Nothing that can be told"}</h1>
      <p className="mt-2 max-w-prose text-[17px]">
        {sure[0]
          ? said(sure[0], units)
          : "All that is looked at lies inside what the drills ask of a normal swing, or too " +
            "close to its limits to call."}{" "}
        From {inWords(profile.swings)} swings, the last on {when}.
      </p>
      {first ? (
        <section className="mt-8 grid gap-x-12 gap-y-4 border-y-[3px] border-ink py-6 md:grid-cols-[1fr_auto]">
          <div>
            <h2 className="text-[20px] font-semibold text-ink-2">Your first drill</h2>
            <p className="display mt-1 text-[34px] leading-tight">
              <Link href={`/drills/${first.drill.id}`} className="text-link">
                {first.drill.name}
              </Link>
            </p>
            <p className="mt-2 max-w-prose text-[17px]">{first.drill.why}</p>
            <p className="mt-2 max-w-prose side-note">
              It is for:{" "}
              {first.because
                .filter((f) => f.sure)
                .map((f) => CATALOGUE[f.measure].name.toLowerCase())
                .join("; ")}
              . {first.drill.minutes} minutes, {first.drill.places.join(" or ")}.{" "}
              {remedy(first.against)}
            </p>
          </div>
          <Button look="main" asChild className="self-center">
            <Link href={`/drills/${first.drill.id}`}>Go to the drill</Link>
          </Button>
        </section>
      ) : (
        <p className="mt-6">
          <Link href="/drills" className="font-semibold text-link">
            Choose by what you notice
          </Link>
        </p>
      )}
      <div className="mt-8 grid gap-x-16 gap-y-10 lg:grid-cols-[1fr_320px]">
        <section>
          {sure.length > 0 && (
            <>
              <h2 className="text-[23px]">Outside, and sure of it</h2>
              <p className="mb-2 side-note">
                In the order in which they happen: what goes wrong first brings about what follows.
              </p>
              <ul>{sure.map(row)}</ul>
            </>
          )}
          {close.length > 0 && (
            <>
              <h2 className="mt-8 mb-2 text-[23px]">Too close to call</h2>
              <ul>{close.map(row)}</ul>
            </>
          )}
          {inside.length > 0 && (
            <>
              <h2 className="mt-8 mb-2 text-[23px]">Inside</h2>
              <ul className="grid gap-x-8 gap-y-1 sm:grid-cols-2">
                {inside.map((id) => (
                  <li key={id} className="flex justify-between gap-4 border-b border-hair py-1">
                    <span>{CATALOGUE[id].name}</span>
                    <strong className="shrink-0">{withDoubt(measures[id]!, id, units)}</strong>
                  </li>
                ))}
              </ul>
            </>
          )}
          <p className="mt-6 max-w-prose side-note">
            A dot is a swing, an open one lies outside the posts. The stream is the mean, as broad
            as twice its doubt: the errors of one phone&rsquo;s films go together, so more swings do
            not make it narrower than one.
          </p>
        </section>
        <aside className="grid content-start gap-8">
          {more.length > 0 && (
            <section>
              <h2 className="mb-2 text-[23px]">Others that would help</h2>
              <ol className="grid gap-2">
                {more.slice(0, 5).map((s) => (
                  <li key={s.drill.id}>
                    <Link href={`/drills/${s.drill.id}`} className="font-semibold text-link">
                      {s.drill.name}
                    </Link>
                    <span className="block side-note">
                      {s.because
                        .filter((f) => f.sure)
                        .map((f) => CATALOGUE[f.measure].name.toLowerCase())
                        .join("; ")}
                      . {remedy(s.against)}
                    </span>
                  </li>
                ))}
              </ol>
            </section>
          )}
          {profile.styles.drives && !chosen.drives && (
            <section>
              <h2 className="mb-2 text-[23px]">{findStyle("drives").question}</h2>
              <p className="text-[15px]">
                These swings speak for <strong>{profile.styles.drives}</strong>.{" "}
                {findStyle("drives").because}{" "}
                <Link href="/you#questions" className="text-link">
                  Choose yourself
                </Link>
              </p>
            </section>
          )}
          <p className="side-note">
            Held against{" "}
            {DRILLS.filter((d) => (d.club ?? club) === club && carriedChecks(d).length > 0).length}{" "}
            drills; taken for {WITH[club]}.{" "}
            {club === "iron" ? (
              <Link href="/profile?club=driver" className="text-link">
                They were with the driver
              </Link>
            ) : (
              <Link href="/profile" className="text-link">
                They were with an iron
              </Link>
            )}
            . Set-up, steps and holds of a drill are not asked of a normal swing.
          </p>
        </aside>
      </div>
    </>
  );
}

const remedy = (against: Profile["suggestions"][number]["against"]): string =>
  against.length
    ? `Here as a remedy: on ${findStyle(against[0]!).about} it takes the other side than you.`
    : "";

const withDoubt = (
  { mean, u }: { mean: number; u: number },
  id: MeasureId,
  units: Units,
): string => {
  const { unit } = CATALOGUE[id];
  return (
    `${shownNumber(mean, unit, units)} ± ` +
    `${shownNumber(2 * u, unit, units)}${unit === "°" ? "" : " "}${shownUnit(unit, units)}`
  ).trim();
};

const said = (f: Finding, units: Units): string =>
  `${CATALOGUE[f.measure].name}: ${withDoubt(f, f.measure, units)}. Wanted: ${wanted(f.band, f.measure, units)}.`;

function Row({ finding: f, values, units }: { finding: Finding; values: number[]; units: Units }) {
  return (
    <li className="grid items-center gap-x-8 gap-y-1 border-b border-hair py-3 sm:grid-cols-[1fr_220px]">
      <span>
        <strong>{findingWords(f)}</strong>
        <span className="block side-note">{said(f, units)}</span>
      </span>
      <SpreadBar band={f.band} values={values} mean={f.mean} u={f.u} />
    </li>
  );
}
