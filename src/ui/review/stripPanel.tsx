"use client";

import { useRef, useState } from "react";
import { isDoubt } from "@/core/analysis";
import type { CheckVerdict } from "@/core/judge";
import { type Correction, isEventName } from "@/core/reps";
import type { RepDetail } from "@/server/reps/queries";
import { FILM, pushApart, stripScales } from "@/ui/charts/strip/geometry";
import { gatesOf } from "@/ui/charts/strip/gates";
import { RepStrip } from "@/ui/charts/strip/repStrip";
import type { StripData } from "@/ui/charts/strip/stripData";
import { StripInGutter } from "@/ui/charts/strip/stripInGutter";
import { captionOf, EVENT_WORDS, stripEvents } from "@/ui/charts/strip/words";
import { CheckRow } from "./checkRow";

const GUTTER = 104;
const ROW = 62;
/** A finger that moves less does not drag, px; a time that is nearer is the same picture, ms. */
const DRAG_PX = 6;
const HARDLY_MS = 1;

/** The strip between its event names and its checks, each check at the height of its gate. */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function StripPanel({
  rep,
  events: own,
  ms,
  busy,
  seek,
  correct,
  insoleShare,
}: {
  rep: RepDetail;
  events: Record<string, number>;
  ms: number;
  busy: boolean;
  seek: (ms: number) => void;
  correct: (c: Correction) => void;
  insoleShare: StripData["insoleShare"];
}) {
  const events = stripEvents(own, rep.series);
  const checks = rep.verdict?.checks ?? [];
  const at = Object.fromEntries(Object.entries(rep.measures).map(([id, m]) => [id, m.at]));
  const data: StripData = { series: rep.series, events, hand: rep.hand, checks, at, insoleShare };
  const s = stripScales(FILM, rep.series, events, rep.hand);
  const gates = gatesOf(checks, at, rep.series, events, s, FILM);
  const names = new Map(rep.stage?.checks.map((c) => [c.id, c.name] as const));
  const zero = events.top ?? s.from;
  const shown = EVENT_WORDS.filter(([name]) => events[name] !== undefined);
  const eventY = pushApart(
    shown.map(([name]) => s.y(events[name]!)),
    36,
    16,
    FILM.height - 18,
  );
  const anchors = checks.map((c) => gates.find((g) => g.check.id === c.id)?.anchor ?? FILM.height);
  const rows = pushApart(anchors, ROW, 0, FILM.height - ROW + 8);
  const y = Math.min(Math.max(s.y(ms), 0), FILM.height);
  const place = (e: React.PointerEvent<HTMLDivElement>) =>
    seek(s.y.invert(e.clientY - e.currentTarget.getBoundingClientRect().top));
  const [dragged, setDragged] = useState<string | null>(null);
  const computed = (name: string) => rep.events.find((e) => e.foot === "" && e.name === name);
  /** Puts the event where the film now stands. */
  const drop = (name: string) => {
    setDragged(null);
    const e = computed(name);
    if (e && isEventName(name) && !busy && Math.abs(e.t - ms) > HARDLY_MS)
      correct({ id: crypto.randomUUID(), kind: "event", event: name, was: e.t, u: e.u, now: ms });
  };
  return (
    <div className="flex flex-wrap gap-y-8 lg:flex-nowrap">
      <StripInGutter
        gutter={GUTTER}
        series={rep.series}
        hand={rep.hand}
        leads={shown.flatMap(([event], i) =>
          event === dragged ? [] : [{ event, nameY: eventY[i]!, y: s.y(events[event]!) }],
        )}
        names={shown.map(([name, words], i) => (
          <EventName
            key={name}
            words={words}
            ms={(dragged === name ? ms : events[name]!) - zero}
            top={dragged === name ? y : eventY[i]!}
            moves={dragged === name}
            movable={computed(name) !== undefined && isEventName(name)}
            show={() => seek(events[name]!)}
            drag={(by) => {
              setDragged(name);
              seek(s.y.invert(s.y(events[name]!) + by));
            }}
            drop={(there) => (there ? drop(name) : setDragged(null))}
          />
        ))}
        over={
          <>
            <div
              className="pointer-events-none absolute h-[3px] bg-ink"
              style={{ top: y - 1.5, left: GUTTER - 8, width: FILM.width + 14 }}
            />
            <div
              data-testid="strip-time"
              className="pointer-events-none absolute bg-ink px-2 text-[14px] leading-6 font-semibold text-paper"
              style={{ top: y - 12, right: FILM.width + 6 }}
            >
              {signed(ms - zero)} ms
            </div>
          </>
        }
        caption={
          rep.series.behind || rep.series.footTurn ? (
            captionOf(rep.series)
          ) : (
            <Legend hands={rep.series.turn !== undefined} insoles={insoleShare !== undefined} />
          )
        }
      >
        <div
          data-strip
          className="cursor-ns-resize touch-none"
          onPointerDown={(e) => {
            e.currentTarget.setPointerCapture(e.pointerId);
            place(e);
          }}
          onPointerMove={(e) => e.buttons && place(e)}
        >
          <RepStrip data={data} names={names} label="Strip of the rep" />
        </div>
      </StripInGutter>
      <svg
        width={36}
        height={FILM.height}
        className="mt-8 hidden shrink-0 overflow-visible lg:block"
        aria-hidden
      >
        {gates.map((g) => {
          const i = checks.indexOf(g.check);
          return (
            <path
              key={g.check.id}
              d={`M0 ${g.anchor}H10L22 ${rows[i]! + 11}H32`}
              stroke="var(--edge)"
              strokeOpacity={0.7}
              fill="none"
            />
          );
        })}
      </svg>
      <Checks rep={rep} checks={checks} rows={rows} names={names} zero={zero} seek={seek} />
      <Events events={rep.events} zero={zero} />
    </div>
  );
}

/**
 * An event's name beside the strip: pressed it shows its picture, dragged it moves the event.
 *
 * @param top where it stands, px
 * @param moves it is being dragged
 * @param drag how far it is dragged, px
 * @param drop the drag is over; false when it was broken off
 */
function EventName({
  words,
  ms,
  top,
  moves,
  movable,
  show,
  drag,
  drop,
}: {
  words: string;
  ms: number;
  top: number;
  moves: boolean;
  movable: boolean;
  show: () => void;
  drag: (by: number) => void;
  drop: (there: boolean) => void;
}) {
  const grabbedY = useRef(0);
  return (
    <button
      type="button"
      aria-label={`${words}, ${signed(ms)} ms: show its picture`}
      title={movable ? "Drag it to where it happens" : undefined}
      className={`absolute touch-none text-right leading-tight underline-offset-4 hover:underline ${moves ? "z-10 bg-paper" : ""} ${movable ? "cursor-ns-resize" : ""}`}
      style={{ top: top - 12, width: GUTTER - 14 }}
      onClick={(e) => e.detail === 0 && show()}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        grabbedY.current = e.clientY;
        show();
      }}
      onPointerMove={(e) => {
        const by = e.clientY - grabbedY.current;
        if (e.buttons && movable && (moves || Math.abs(by) >= DRAG_PX)) drag(by);
      }}
      onPointerUp={() => moves && drop(true)}
      onPointerCancel={() => drop(false)}
    >
      <span className="block text-[15px] font-semibold">{words}</span>
      <span className="text-[14px] text-ink-2">{signed(ms)} ms</span>
    </button>
  );
}

/** The checks, each at its own height. @param rows their heights, px, in the order of the checks */
function Checks({
  rep,
  checks,
  rows,
  names,
  zero,
  seek,
}: {
  rep: RepDetail;
  checks: readonly CheckVerdict[];
  rows: readonly number[];
  names: ReadonlyMap<string, string>;
  zero: number;
  seek: (ms: number) => void;
}) {
  const order = checks.map((_, i) => i).sort((a, b) => rows[a]! - rows[b]!);
  return (
    <ol
      className="relative grid min-w-0 grow basis-full content-start gap-4 lg:mt-8 lg:block lg:basis-0"
      style={{ minHeight: FILM.height }}
    >
      {order.map((i) => (
        <li
          key={checks[i]!.id}
          className="inset-x-0 lg:absolute lg:top-(--y)"
          style={{ "--y": `${rows[i]}px` } as React.CSSProperties}
        >
          <CheckRow
            check={checks[i]!}
            name={names.get(checks[i]!.id) ?? checks[i]!.id}
            units={rep.units}
            reason={
              isDoubt(rep.verdict?.reason?.code)
                ? "Waits for your answer"
                : rep.measures[checks[i]!.measure]?.reason
            }
            at={rep.measures[checks[i]!.measure]?.at}
            zero={zero}
            seek={seek}
          />
        </li>
      ))}
      {checks.length === 0 && (
        <li className="text-ink-2">Nothing was asked of this rep: it was only measured.</li>
      )}
    </ol>
  );
}

const signed = (v: number) => Math.round(v).toString().replace("-", "−");

/** What the strip's marks mean. */
function Legend({ hands, insoles }: { hands: boolean; insoles: boolean }) {
  const items: [React.ReactNode, string][] = [
    [
      <path key="w" d="M0 6H22" stroke="var(--stream)" strokeWidth={11} strokeOpacity={0.3} />,
      "weight, as wide as it is unsure",
    ],
    ...(insoles
      ? [
          [
            <path key="i" d="M0 6H22" stroke="var(--ink)" strokeWidth={2} strokeDasharray="2 3" />,
            "weight by your insoles",
          ] as [React.ReactNode, string],
        ]
      : []),
    [
      <path key="h" d="M0 6H22" stroke="var(--ink-2)" strokeWidth={1.6} strokeDasharray="6 3" />,
      "hips",
    ],
    ...(hands
      ? [
          [
            <path
              key="d"
              d="M0 6H22"
              stroke="var(--ink)"
              strokeWidth={2.4}
              strokeDasharray="0.1 6"
              strokeLinecap="round"
            />,
            "hands",
          ] as [React.ReactNode, string],
        ]
      : []),
    [
      <path key="t" d="M6 0V12M16 0V12" stroke="var(--edge)" strokeWidth={3} />,
      "thin: toe down, broad: heel down",
    ],
  ];
  return (
    <ul className="grid gap-0.5">
      {items.map(([mark, words]) => (
        <li key={words} className="flex items-center gap-2">
          <svg width={22} height={12} aria-hidden>
            {mark}
          </svg>
          {words}
        </li>
      ))}
      <li>
        {insoles
          ? "Weight and hips are estimated from the film."
          : "Estimated from the film, not from a plate."}
      </li>
    </ul>
  );
}

/** The strip's numbers for those who can't see it. */
function Events({ events, zero }: { events: RepDetail["events"]; zero: number }) {
  return (
    <table className="sr-only">
      <caption>Events, in ms from the top</caption>
      <tbody>
        {events.map((e) => (
          <tr key={`${e.foot}${e.name}${e.t}`}>
            <th scope="row">
              {e.foot} {e.name}
            </th>
            <td>
              {signed(e.t - zero)} ± {signed(2 * e.u)} ms
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
