"use client";

import { useSearchParams } from "next/navigation";
import { useMemo, useState } from "react";
import { differences, type Difference } from "@/core/practice";
import { CATALOGUE } from "@/core/measures";
import type { RepDetail } from "@/server/reps/queries";
import { Button } from "@/ui/kit/button";
import { To } from "@/ui/kit/to";
import { glyphOf, VerdictGlyph, WORDS } from "@/ui/kit/glyphs";
import { shownNumber, shownUnit, toldAs, type Units } from "@/ui/kit/units";
import { Films } from "./films";
import { comparedOf, type TargetMovement } from "./compared";
import { Overlaid } from "./overlaid";

/** A measure as the drill calls it, else as everybody does. */
const nameOf = (rep: RepDetail, measure: Difference["measure"]): string =>
  rep.stage?.checks.find((c) => c.measure === measure)?.name ?? CATALOGUE[measure].name;

const FILMS = [
  ["over", "Figures over the film"],
  ["beside", "Films side by side"],
] as const;

/** What else can be laid beside what is compared. */
export interface Beside {
  words: string;
  href: string;
}

/** Where reps part: laid over each other, and their differences in words, the surest first. */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function CompareView({
  reps,
  target,
  besides,
}: {
  reps: readonly RepDetail[];
  target: TargetMovement | null;
  besides: readonly Beside[];
}) {
  const [one] = reps as [RepDetail, ...RepDetail[]];
  const compared = useMemo(() => comparedOf(reps, target), [reps, target]);
  const others = compared.slice(1);
  const names = compared.map((c) => c.name);
  const [against, setAgainst] = useState(0);
  const [aligned, setAligned] = useState(true);
  // In the address, so that it stays where something is laid beside, and a link shows the same.
  const asked = useSearchParams().get("films");
  const films = FILMS.find(([way]) => way === asked)?.[0] ?? null;
  const withFilms = (href: string, way = films) =>
    href.replace(/&films=\w+/, "") + (way ? `&films=${way}` : "");
  const other = others[against]!;
  const all = differences(
    one.measures,
    other.measures,
    one.stage?.checks.map((c) => c.measure) ?? [],
  );
  const sure = all.filter((d) => d.doubts > 1);
  const alike = all.filter((d) => d.doubts <= 1);
  return (
    <>
      <div className="flex flex-wrap items-start justify-between gap-4 pt-5">
        <div>
          <p className="side-note">Where do they part? {one.drill ?? "Measured"}</p>
          <h1 className="page-title">
            {sure[0] ? nameOf(one, sure[0].measure) : "The same, as far as the film can tell"}
          </h1>
          <p className="mt-1 text-[20px]">
            {compared.map((c, k) => (
              <span key={c.id}>
                {k === 1 ? " against " : k > 1 ? " and " : ""}
                {c.href ? (
                  <To className="font-semibold text-link" href={c.href}>
                    {c.name}
                  </To>
                ) : (
                  <strong>{c.name}</strong>
                )}
                {c.result && (
                  <VerdictGlyph name={glyphOf(c.result)} size={18} className="ml-1 inline" />
                )}
                {c.result && <span className="sr-only"> ({WORDS[c.result]})</span>}
              </span>
            ))}
            .
          </p>
          {besides.length > 0 && (
            <p className="mt-1 text-[15px]">
              Lay beside it:{" "}
              {besides.map((b, k) => (
                <span key={b.href}>
                  {k > 0 && ", "}
                  <To className="text-link" href={withFilms(b.href)}>
                    {b.words}
                  </To>
                </span>
              ))}
              .
            </p>
          )}
        </div>
        <div className="flex flex-wrap gap-3">
          <Button onClick={() => setAligned((a) => !a)} aria-pressed={!aligned}>
            {aligned ? "In their own time" : "Aligned by events"}
          </Button>
          {FILMS.map(
            ([way, words]) =>
              (way === "over" || reps.length > 1) && (
                <Button
                  key={way}
                  onClick={() =>
                    window.history.replaceState(
                      null,
                      "",
                      withFilms(
                        window.location.pathname + window.location.search,
                        films === way ? null : way,
                      ),
                    )
                  }
                  chosen={films === way}
                >
                  {words}
                </Button>
              ),
          )}
        </div>
      </div>
      {films && (
        <Films
          reps={reps}
          compared={compared}
          target={target}
          aligned={aligned}
          over={films === "over"}
        />
      )}
      <div className="mt-6 grid gap-x-12 gap-y-10 lg:grid-cols-[480px_1fr]">
        <Overlaid reps={compared} aligned={aligned} />
        <section>
          <h2 className="text-[23px]">What differs, surest first</h2>
          {others.length > 1 && (
            <label className="mt-2 block text-[15px]">
              {names[0]} against{" "}
              <select
                className="min-h-11 rounded-control border-[1.5px] border-edge bg-paper px-3"
                value={against}
                onChange={(e) => setAgainst(Number(e.target.value))}
              >
                {others.map((o, k) => (
                  <option key={o.id} value={k}>
                    {o.name}
                  </option>
                ))}
              </select>
            </label>
          )}
          {sure.length ? (
            <Doubts all={sure} one={one} names={[names[0]!, names[against + 1]!]} />
          ) : (
            <p className="mt-3">Nothing that their drill asks is beyond the film&rsquo;s doubt.</p>
          )}
          {alike.length > 0 && (
            <details className="mt-4">
              <summary className="min-h-11 cursor-pointer text-[15px]">
                The same, as far as the film can tell:{" "}
                {alike.map((d) => nameOf(one, d.measure).toLowerCase()).join(", ")}.
              </summary>
              <Doubts all={alike} one={one} names={[names[0]!, names[against + 1]!]} />
            </details>
          )}
        </section>
      </div>
    </>
  );
}

/** A bar is no longer than so many doubts. */
const MOST = 5;

const number = (d: Difference, v: number, units: Units) =>
  `${shownNumber(toldAs(v, d.measure), d.unit, units)}${d.unit === "ratio" ? "" : ` ${shownUnit(d.unit, units)}`}`;

/** Differences, each with its length counted in the film's doubts: a post stands at one. */
function Doubts({
  all,
  one,
  names,
}: {
  all: readonly Difference[];
  one: RepDetail;
  names: readonly [string, string];
}) {
  return (
    <table className="mt-3 w-full border-collapse">
      <thead>
        <tr className="text-left text-[14px] text-ink-2">
          <th scope="col" className="font-normal">
            What
          </th>
          <th scope="col" className="w-[92px] font-normal sm:w-[150px]">
            in the film&rsquo;s doubts
          </th>
          <th scope="col" className="text-right font-normal">
            Difference
          </th>
        </tr>
      </thead>
      <tbody>
        {all.map((d) => (
          <tr key={d.measure} className="border-b border-hair align-top">
            <th scope="row" className="py-2 pr-3 text-left font-normal">
              <strong className="block leading-tight">{nameOf(one, d.measure)}</strong>
              <span className="side-note">
                {names[0]} {number(d, d.one, one.units)}, {names[1]} {number(d, d.other, one.units)}
              </span>
            </th>
            <td className="py-3">
              <svg
                viewBox="0 0 146 16"
                className="w-[88px] sm:w-[146px]"
                role="img"
                aria-label={`${d.doubts.toFixed(1)} times its doubt`}
              >
                <rect width={140 / MOST} height={16} fill="var(--silt)" />
                <rect x={140 / MOST} width={140 - 140 / MOST} height={16} fill="var(--water)" />
                <path
                  d={`M0 8H${(140 * Math.min(d.doubts, MOST)) / MOST}`}
                  stroke={d.doubts > 1 ? "var(--stream)" : "var(--unsure)"}
                  strokeWidth={2.8}
                />
                <circle
                  cx={(140 * Math.min(d.doubts, MOST)) / MOST}
                  cy={8}
                  r={4.6}
                  fill={d.doubts > 1 ? "var(--stream)" : "var(--paper)"}
                  stroke="var(--unsure)"
                  strokeWidth={d.doubts > 1 ? 0 : 2}
                />
                <path d={`M${140 / MOST} 0V16`} stroke="var(--ink)" strokeWidth={3} />
              </svg>
            </td>
            <td className="py-2 text-right whitespace-nowrap">
              <strong className="text-[18px]">
                {toldAs(d.by, d.measure) > 0 ? "+" : ""}
                {shownNumber(toldAs(d.by, d.measure), d.unit, one.units)}
              </strong>{" "}
              <span className="text-[14px] text-ink-2">
                ± {shownNumber(2 * d.u, d.unit, one.units)} {shownUnit(d.unit, one.units)}
              </span>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
