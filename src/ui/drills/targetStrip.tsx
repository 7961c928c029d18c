import { withId } from "@/core/maths";
import { createContext, memo, useContext } from "react";
import type { Movement } from "@/core/play";
import type { Check } from "@/core/drills";
import { FILM, pushApart, stripScales } from "@/ui/charts/strip/geometry";
import { gatesOf } from "@/ui/charts/strip/gates";
import { RepStrip } from "@/ui/charts/strip/repStrip";
import { StripInGutter } from "@/ui/charts/strip/stripInGutter";
import { captionOf, EVENT_WORDS, stripEvents } from "@/ui/charts/strip/words";
import { wanted, type Units } from "@/ui/kit/units";
import { boxOfMovement, Figure } from "./figure";

const FIGURES = [
  "address",
  "midBack",
  "top",
  "impact",
  "release",
  "finish",
  "pivotStart",
  "pivotPeak",
  "pivotBack",
  "pressureTurn",
  "handsTurn",
];
/** Between which events a check stands that has no gate. */
const PHASE_EVENTS: Record<Check["phase"], readonly string[]> = {
  "set-up": ["address"],
  action: ["handStart"],
  "backswing feet": ["handStart", "top"],
  backswing: ["handStart", "top"],
  top: ["top"],
  "downswing feet": ["top", "impact"],
  impact: ["impact"],
  finish: ["finish"],
};
const GUTTER = 112;
const FIGURE_WIDTH = 116;
const ROW = 58;
const LEVEL_WORDS = { must: "", limit: "limit", advice: "advice" } as const;

/**
 * A stage's target as its strip: figures fall to their times, gates show what is asked, and are
 * explained in order.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export const TargetStrip = memo(function TargetStrip({
  movement,
  checks,
  hand,
  units,
  judged,
}: {
  movement: Movement;
  checks: readonly Check[];
  hand: "left" | "right";
  units: Units;
  judged: boolean;
}) {
  const { series, at } = movement;
  const events = stripEvents(movement.events, series);
  const s = stripScales(FILM, series, events, hand);
  const gates = gatesOf(movement.checks, at, series, events, s, FILM);
  const shown = EVENT_WORDS.filter(([name]) => events[name] !== undefined);
  const eventY = pushApart(
    shown.map(([name]) => s.y(events[name]!)),
    24,
    10,
    FILM.height - 12,
  );
  const figures = FIGURES.filter((name) => events[name] !== undefined);
  const figureY = pushApart(
    figures.map((name) => s.y(events[name]!)),
    FILM.height / Math.max(5, figures.length),
    50,
    FILM.height - 50,
  );
  const moment = (phase: Check["phase"]) => {
    const [from, to] = PHASE_EVENTS[phase].map((name) => events[name]);
    return from === undefined ? 0 : s.y((from + (to ?? from)) / 2);
  };
  const rows = pushApart(
    movement.checks.map(
      (c, i) => gates.find((g) => g.check.id === c.id)?.anchor ?? moment(checks[i]!.phase),
    ),
    ROW,
    12,
    FILM.height - ROW + 14,
  );
  const order = movement.checks.map((_, i) => i).sort((a, b) => rows[a]! - rows[b]!);
  const box = boxOfMovement(movement);
  return (
    <div className="flex flex-wrap gap-y-6 lg:flex-nowrap">
      <div
        className="relative hidden shrink-0 md:block"
        style={{ width: FIGURE_WIDTH, height: FILM.height + 32 }}
        aria-hidden
      >
        {figures.map((name, i) => (
          <svg
            key={name}
            viewBox={`${box.x} ${box.y} ${box.width} ${box.height + 40}`}
            className="absolute"
            style={{ top: 32 + figureY[i]! - 50, width: FIGURE_WIDTH, height: 100 }}
          >
            <path d={`M${box.x} 20H${box.x + box.width}`} stroke="var(--hair)" strokeWidth={18} />
            <Figure
              movement={movement}
              frame={
                movement.frames[
                  Math.min(
                    movement.frames.length - 1,
                    Math.round((events[name]! * movement.fps) / 1000),
                  )
                ]!
              }
            />
          </svg>
        ))}
      </div>
      <StripInGutter
        gutter={GUTTER}
        series={series}
        hand={hand}
        leads={shown.map(([event], i) => ({ event, nameY: eventY[i]!, y: s.y(events[event]!) }))}
        names={shown.map(([name, words], i) => (
          <div
            key={name}
            className="absolute text-right text-[15px] leading-tight font-semibold"
            style={{ top: eventY[i]! - 10, width: GUTTER - 14 }}
          >
            {words}
          </div>
        ))}
        over={<Playhead y={s.y} />}
        caption={captionOf(series)}
      >
        <RepStrip
          data={{ series, events, hand, checks: movement.checks, at }}
          asked={judged}
          names={new Map(checks.map((c) => [c.id, c.name]))}
          label={`The movement as a strip: ${shown.map(([name, words]) => `${words} at ${(events[name]! / 1000).toFixed(1)} s`).join(", ")}`}
        />
      </StripInGutter>
      <svg
        width={32}
        height={FILM.height}
        className="mt-8 hidden shrink-0 overflow-visible lg:block"
        aria-hidden
      >
        {gates.map((g) => (
          <path
            key={g.check.id}
            d={`M0 ${g.anchor}H8L20 ${rows[movement.checks.indexOf(g.check)]! + 11}H28`}
            stroke="var(--edge)"
            strokeOpacity={0.7}
            fill="none"
          />
        ))}
      </svg>
      <ol
        aria-label="What is checked, in the order it happens"
        className="relative grid min-w-0 flex-1 basis-full content-start gap-4 lg:mt-8 lg:block lg:min-h-(--film) lg:basis-0"
        style={{ "--film": `${FILM.height}px` } as React.CSSProperties}
      >
        {order.map((i) => {
          const check = withId(checks, movement.checks[i]!.id);
          return (
            <li
              key={check.id}
              className="inset-x-0 leading-tight lg:absolute lg:top-(--y)"
              style={{ "--y": `${rows[i]}px` } as React.CSSProperties}
            >
              <strong>{check.name}</strong>
              {LEVEL_WORDS[check.level] && (
                <span className="text-[14px] text-ink-2"> {LEVEL_WORDS[check.level]}</span>
              )}
              <span className="block text-[14px] text-ink-2">
                {sentence(wanted(movement.checks[i]!.band, check.measure, units))}
              </span>
            </li>
          );
        })}
      </ol>
    </div>
  );
});

/**
 * The instant that is played, ms: read by the playhead alone, so that nothing else is drawn anew
 * sixty times a second.
 */
export const PlayTime = createContext(0);

function Playhead({ y: at }: { y: (ms: number) => number }) {
  const y = at(useContext(PlayTime));
  return y >= 0 && y <= FILM.height ? (
    <div
      className="pointer-events-none absolute h-[2px] bg-ink"
      style={{ top: y - 1, left: GUTTER - 8, width: FILM.width + 14 }}
    />
  ) : null;
}

const sentence = (words: string) => `${words[0]!.toUpperCase()}${words.slice(1)}.`;
