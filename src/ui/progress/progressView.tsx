"use client";

import Link from "next/link";
import { useState } from "react";
import type { Stage } from "@/core/drills";
import { CATALOGUE } from "@/core/measures";
import { type Effect, type PassRate, type RateChange, laterDay, type Trend } from "@/core/practice";
import type { BoutDots, NormalSwing } from "@/server/practice/progress";
import { GateDays, gateScale, DayMark, ROW, type GateRow } from "@/ui/charts/gateDays";
import { Button } from "@/ui/kit/button";
import { capital } from "@/ui/kit/capital";
import { dayOf } from "@/ui/kit/dates";
import { shownNumber, shownUnit, toldAs, wanted, type Units } from "@/ui/kit/units";
import { FeltChart, type Felt } from "./feltChart";

/**
 * Normal swings stand beside the bout that they came before; before the first one those of so many
 * days.
 */
const BEFORE_FIRST = 7;

/** One check over the bouts, with the same measure in normal swings. */
interface CheckProgress {
  check: Stage["checks"][number];
  band: [number | null, number | null];
  trend: Trend;
}

export interface ProgressShown {
  drill: { id: string; name: string };
  stage: { id: string; name: string };
  others: readonly { id: string; name: string }[];
  /** Of the last judged reps. */
  last: { judged: number; passed: number; days: number; done: boolean };
  bouts: readonly BoutDots[];
  checks: readonly CheckProgress[];
  normal: readonly NormalSwing[];
  felt: Felt | null;
  month: { before: PassRate; now: PassRate; change: RateChange } | null;
  effects: readonly Effect[];
  transfer: { drill: PassRate; swing: PassRate } | null;
  units: Units;
}

const percent = (v: number) => `${Math.round(100 * v)} %`;
const range = ({ low, high }: { low: number; high: number }) =>
  `${percent(low)} to ${percent(high)}`;

/**
 * Is it holding, does it carry over: the answer as the title, each check as days through a standing
 * gate.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function ProgressView({ p }: { p: ProgressShown }) {
  const [table, setTable] = useState(false);
  const judged = p.last.judged > 0;
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <p className="mt-5 side-note">
            Is it holding, and does it carry over? {p.drill.name}, {p.stage.name.toLowerCase()}.{" "}
            {p.bouts.length === 1 ? "One bout" : `The last ${p.bouts.length} bouts`}, time runs
            down, each dot is one rep.
          </p>
          <h1 className="page-title">
            {judged
              ? `${p.last.done ? "Holding" : "Not holding yet"}: ${p.last.passed} of the last ${p.last.judged} passed`
              : "No rep was judged yet"}
          </h1>
        </div>
        <div className="flex flex-wrap gap-3">
          {p.others.length > 0 && (
            <select
              aria-label="Drill"
              className="min-h-11 rounded-control border-[1.5px] border-edge bg-paper px-3 font-semibold"
              value={p.drill.id}
              onChange={(e) => {
                location.href = `/progress?drill=${e.target.value}`;
              }}
            >
              {[p.drill, ...p.others].map((o) => (
                <option key={o.id} value={o.id}>
                  {o.name}
                </option>
              ))}
            </select>
          )}
          <Button aria-pressed={table} onClick={() => setTable((t) => !t)}>
            {table ? "Pictures" : "Table"}
          </Button>
          <Button asChild>
            <a href={`/api/progress?drill=${p.drill.id}&stage=${p.stage.id}`} download>
              CSV
            </a>
          </Button>
        </div>
      </div>
      <ul className="mt-3 max-w-[900px] text-[17px]">
        {sentences(p).map((s) => (
          <li key={s} className="py-0.5">
            {s}
          </li>
        ))}
      </ul>
      <div className="mt-7 flex flex-wrap gap-x-12 gap-y-10">
        {p.checks.map((c) => (
          <OneCheck key={c.check.id} c={c} p={p} table={table} />
        ))}
        {p.felt && <FeltChart felt={p.felt} table={table} />}
      </div>
      {!table && (
        <p className="mt-5 flex flex-wrap items-center gap-x-5 gap-y-2 text-[14px] text-ink-2">
          {(["pass", "fail", "too close"] as const).map((r) => (
            <span key={r} className="inline-flex items-center gap-2">
              <svg width={12} height={12} aria-hidden>
                <DayMark cx={6} cy={6} result={r} />
              </svg>
              {r === "pass"
                ? "through the gate"
                : r === "fail"
                  ? "outside it"
                  : "too close to call"}
            </span>
          ))}
          <span className="inline-flex items-center gap-2">
            <svg width={30} height={20} aria-hidden>
              <path
                d="M2 10H28"
                stroke="var(--stream)"
                strokeOpacity={0.4}
                strokeWidth={8}
                strokeLinecap="round"
              />
              <path d="M15 0V20" stroke="var(--ink)" strokeWidth={2.6} />
            </svg>
            eight reps in ten, and the middle one
          </span>
        </p>
      )}
    </>
  );
}

/** What the figures carry, in words; nothing where they carry nothing. */
function sentences({ month, effects, transfer, last }: ProgressShown): string[] {
  const out: string[] = [];
  if (last.judged > 0 && !last.done)
    out.push(
      `Done at 8 of 10 on two days; these span ${last.days === 1 ? "one day" : `${last.days} days`}.`,
    );
  if (transfer)
    out.push(
      `In the drill ${transfer.drill.passed} of ${transfer.drill.judged} pass ` +
        `(${range(transfer.drill)}), in your normal swing ${transfer.swing.passed} of ` +
        `${transfer.swing.judged} by the same checks (${range(transfer.swing)}).`,
    );
  if (month)
    out.push(
      `Last 30 days ${percent(month.now.rate!)} of ${month.now.judged}, the 30 before ` +
        `${percent(month.before.rate!)} of ${month.before.judged}: ` +
        `${month.change.sure ? `${month.change.by > 0 ? "more" : "fewer"} pass, by ${range({ low: Math.min(Math.abs(month.change.low), Math.abs(month.change.high)), high: Math.max(Math.abs(month.change.low), Math.abs(month.change.high)) })}.` : "too few to call it a change."}`,
    );
  for (const e of effects)
    if (e.change.sure)
      out.push(
        `${capital(e.one.name)}: ${percent(e.one.rate.rate!)} of ${e.one.rate.judged}; ` +
          `${e.other.name}: ${percent(e.other.rate.rate!)} of ${e.other.rate.judged}. They go ` +
          "with each other; why, the figures don't say.",
      );
  return out;
}

// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
function OneCheck({
  c: { check, band, trend },
  p,
  table,
}: {
  c: CheckProgress;
  p: ProgressShown;
  table: boolean;
}) {
  const { unit } = CATALOGUE[check.measure];
  const show = (v: number) =>
    `${shownNumber(toldAs(v, check.measure), unit, p.units)} ${shownUnit(unit, p.units)}`.trim();
  const dots = (b: BoutDots): GateRow => ({
    id: b.id,
    dots: b.reps.flatMap((r) => {
      const v = r.checks.find((x) => x.id === check.id);
      return v && v.value !== null ? [{ id: r.id, value: v.value, result: v.result }] : [];
    }),
  });
  const rows = p.bouts.map(dots);
  const normal = p.normal.filter((n) => n.measureId === check.measure);
  const normalRows = p.bouts.map((b, k): GateRow => ({
    id: b.id,
    dots: normal
      .filter(
        (n) => n.day <= b.day && n.day > (p.bouts[k - 1]?.day ?? laterDay(b.day, -BEFORE_FIRST)),
      )
      .map((n) => ({ id: n.id, value: n.value, result: sideOf(n, band) })),
  }));
  const x = gateScale(
    [...rows, ...normalRows].flatMap((r) => r.dots.map((d) => d.value)),
    band,
    300,
  );
  const all = rows.flatMap((r) => r.dots);
  if (!all.length) return null;
  const carries = normalRows.some((r) => r.dots.length);
  const inWordsOf = (row: GateRow) =>
    row.dots.map((d) => `${show(d.value)} ${d.result}`).join(" · ") || "not measured";
  return (
    <section aria-label={check.name} className="min-w-0">
      <h2 className="text-[23px]">{check.name}</h2>
      <p className="side-note">
        Wanted: {wanted(band, check.measure, p.units)}. {trendWords(trend, show)}
      </p>
      {table ? (
        <table className="mt-2 border-collapse text-[15px]">
          <thead>
            <tr className="text-left text-ink-2">
              <th scope="col" className="pr-5 font-normal">
                Bout
              </th>
              <th scope="col" className="font-normal">
                Reps
              </th>
              {carries && (
                <th scope="col" className="pl-5 font-normal">
                  Normal swings before it
                </th>
              )}
            </tr>
          </thead>
          <tbody>
            {p.bouts.map((b, k) => (
              <tr key={b.id} className="border-b border-hair align-top">
                <th scope="row" className="py-1 pr-5 text-left font-semibold whitespace-nowrap">
                  {dayOf(b.startedAt)}
                </th>
                <td>{inWordsOf(rows[k]!)}</td>
                {carries && (
                  <td className="pl-5">
                    {normalRows[k]!.dots.length ? inWordsOf(normalRows[k]!) : "none"}
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <div className="mt-3 flex gap-4">
          <ol
            className="relative w-[56px] shrink-0 text-right text-[15px]"
            style={{ height: ROW * p.bouts.length + 24 }}
          >
            {p.bouts.map((b, k) => (
              <li key={b.id} className="absolute right-0" style={{ top: 25 + k * ROW }}>
                <Link className="underline-offset-4 hover:underline" href={`/bouts/${b.id}`}>
                  {dayOf(b.startedAt)}
                </Link>
              </li>
            ))}
          </ol>
          <div>
            <GateDays
              rows={rows}
              band={band}
              width={300}
              x={x}
              label={`${check.name} in the drill, bout by bout`}
            />
            <Axis x={x} show={show} />
          </div>
          {carries && (
            <div>
              <GateDays
                rows={normalRows}
                band={band}
                width={170}
                x={(v) => x(v) * (170 / 300)}
                label={`${check.name} in your normal swing`}
              />
              <p className="text-[14px] text-ink-2">Normal swing</p>
            </div>
          )}
        </div>
      )}
    </section>
  );
}

function Axis({ x, show }: { x: ReturnType<typeof gateScale>; show: (v: number) => string }) {
  return (
    <div className="relative h-6 text-[14px] text-ink-2" aria-hidden>
      {x.ticks(3).map((v) => (
        <span
          key={v}
          className="absolute -translate-x-1/2 whitespace-nowrap"
          style={{ left: x(v) }}
        >
          {show(v)}
        </span>
      ))}
    </div>
  );
}

const sideOf = ({ value, u }: NormalSwing, [lo, hi]: CheckProgress["band"]) => {
  const room = Math.min(lo === null ? Infinity : value - lo, hi === null ? Infinity : hi - value);
  return room > u ? ("pass" as const) : room < -u ? ("fail" as const) : ("too close" as const);
};

function trendWords(trend: Trend, show: (v: number) => string): string {
  if (trend.kind === "slope") return `It moves by ${show(trend.perWeek)} a week.`;
  if (trend.kind === "step")
    return (
      `Since ${dayOf(new Date(trend.day * 86_400_000))} another: ${show(trend.before)} ` +
      `before, ${show(trend.after)} since.`
    );
  return "";
}
