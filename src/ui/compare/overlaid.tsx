import { scaleLinear } from "d3-scale";
import { area, line } from "d3-shape";
import type { RepSeries } from "@/core/analysis";
import type { EventTimes } from "@/core/practice";
import { pushApart, runs } from "@/ui/charts/strip/geometry";
import { EVENT_WORDS, StripEdges } from "@/ui/charts/strip/words";
import { clockOf } from "./clockOf";
import { STROKES } from "./strokes";

/** A rep as one line among others. */
export interface Laid {
  name: string;
  series: RepSeries;
  events: EventTimes;
  hand: "left" | "right";
}

const [WIDTH, HEIGHT, GUTTER] = [376, 508, 104];
/** A foot's lane, and the room that a bank has, px. */
const LANE = 8;
const LANES_ROOM = 70;
/** Drawn so long before the first event and after the last, ms. */
const AROUND_MS = 180;

/** What the line of a rep tells, and between which two ends. */
function lineOf(reps: readonly Laid[]): {
  of: (s: RepSeries) => readonly (number | null)[];
  ends: readonly [number, number];
  words: string;
} {
  const { series } = reps[0]!;
  const spread = (all: (number | null)[]): [number, number] => {
    const known = all.filter((v): v is number => v !== null);
    return [Math.min(...known), Math.max(...known)];
  };
  if (series.behind)
    return {
      of: (s) => s.behind?.rear ?? [],
      ends: spread(reps.flatMap((r) => r.series.behind?.rear ?? [])),
      words: "the back of your hips, from heels (left) to ball (right)",
    };
  if (series.footTurn)
    return {
      of: (s) => s.footTurn?.degrees ?? [],
      ends: spread(reps.flatMap((r) => r.series.footTurn?.degrees ?? [])),
      words: "how far the toe points away",
    };
  return {
    of: (s) => s.leadShare,
    ends: [0, 100],
    words: "your weight, from all on the trail foot to all on the lead foot",
  };
}

/**
 * Reps laid over each other on the first one's clock: the weight as lines, each foot's lanes on its
 * bank, filled while it stands.
 *
 * @param aligned by their events; else all from the top on in their own time
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function Overlaid({ reps, aligned }: { reps: readonly Laid[]; aligned: boolean }) {
  const [first] = reps as [Laid, ...Laid[]];
  const names = EVENT_WORDS.filter(([name]) => first.events[name] !== undefined);
  const times = names.map(([name]) => first.events[name]!);
  const [from, to] = times.length
    ? [Math.min(...times) - AROUND_MS, Math.max(...times) + AROUND_MS / 2]
    : [first.series.t[0]!, first.series.t.at(-1)];
  const y = scaleLinear([from, to], [0, HEIGHT]);
  const { of, ends, words } = lineOf(reps);
  const right = first.hand === "right" || first.series.behind !== undefined;
  const x = scaleLinear(right ? [...ends] : [ends[1], ends[0]], [
    LANES_ROOM + 4,
    WIDTH - LANES_ROOM - 4,
  ]);
  const onFirst = reps.map((r) => clockOf(r, first, aligned));
  const labels = pushApart(
    names.map(([name]) => y(first.events[name]!)),
    22,
    10,
    HEIGHT - 10,
  );
  return (
    <figure>
      <p
        className="mb-1 flex max-w-[480px] justify-between text-[14px] text-ink-2"
        style={{ paddingLeft: `${(100 * GUTTER) / (GUTTER + WIDTH)}%` }}
      >
        <StripEdges series={first.series} hand={first.hand} />
      </p>
      <svg
        viewBox={`0 0 ${GUTTER + WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={`${reps.map((r) => r.name).join(", ")} laid over each other: ${words}`}
        className="block w-full max-w-[480px]"
      >
        {names.map(([name, said], i) => (
          <g key={name}>
            <text
              x={GUTTER - 12}
              y={labels[i]! + 5}
              textAnchor="end"
              className="fill-ink text-[15px] font-semibold"
            >
              {said}
            </text>
            <path
              d={`M${GUTTER - 8} ${labels[i]}L${GUTTER} ${y(first.events[name]!)}`}
              stroke="var(--edge)"
              fill="none"
            />
          </g>
        ))}
        <svg x={GUTTER} width={WIDTH} height={HEIGHT} overflow="hidden">
          <rect width={WIDTH} height={HEIGHT} fill="var(--silt)" />
          <rect x={LANES_ROOM} width={WIDTH - 2 * LANES_ROOM} height={HEIGHT} fill="var(--water)" />
          {times.map((t) => (
            <line
              key={t}
              x1={0}
              x2={WIDTH}
              y1={y(t)}
              y2={y(t)}
              stroke="var(--ink-2)"
              strokeOpacity={0.4}
            />
          ))}
          {reps.map((r, k) => (
            <Line
              key={k}
              k={k}
              series={r.series}
              values={of(r.series)}
              x={x}
              y={(ms) => y(onFirst[k]!(ms))}
              breadth={k === 0 && !r.series.behind && !r.series.footTurn}
            />
          ))}
          {!first.series.behind &&
            reps.map((r, k) =>
              (["trail", "lead"] as const).map((side) => (
                <Lane
                  key={`${side}${k}`}
                  side={side}
                  {...{ k, count: reps.length, series: r.series }}
                  right={(side === "lead") === right}
                  y={(ms) => y(onFirst[k]!(ms))}
                />
              )),
            )}
        </svg>
      </svg>
      <figcaption
        className="mt-2 flex flex-wrap gap-x-5 text-[15px]"
        style={{ marginLeft: GUTTER }}
      >
        {reps.map((r, k) => (
          <span key={r.name} className="inline-flex items-center gap-2 font-semibold">
            <svg width={30} height={10} aria-hidden>
              <line
                x1={1}
                x2={29}
                y1={5}
                y2={5}
                stroke="var(--stream)"
                strokeWidth={2.8}
                strokeDasharray={STROKES[k]!.join(" ")}
                strokeLinecap="round"
              />
            </svg>
            {r.name}
          </span>
        ))}
        <span className="basis-full text-[14px] text-ink-2">
          Lines: {words}.
          {first.series.behind
            ? ""
            : " Lanes at the edges: each foot, rep by rep from the water out."}
        </span>
      </figcaption>
    </figure>
  );
}

type At = (v: number) => number;

function Line({
  k,
  series,
  values,
  x,
  y,
  breadth,
}: {
  k: number;
  series: RepSeries;
  values: readonly (number | null)[];
  x: At;
  y: At;
  breadth: boolean;
}) {
  const indices = series.t.map((_, i) => i);
  const one = line<number>()
    .defined((i) => values[i] !== null && values[i] !== undefined)
    .y((i) => y(series.t[i]!))
    .x((i) => x(values[i]!));
  const wide = area<number>()
    .y((i) => y(series.t[i]!))
    .x0((i) => x(Math.max(0, series.leadShare[i]! - series.leadShareU[i]!)))
    .x1((i) => x(Math.min(100, series.leadShare[i]! + series.leadShareU[i]!)));
  return (
    <g fill="none">
      {breadth && <path d={wide(indices) ?? ""} fill="var(--stream)" fillOpacity={0.26} />}
      {k > 0 && <path d={one(indices) ?? ""} stroke="var(--water)" strokeWidth={5} />}
      <path
        d={one(indices) ?? ""}
        stroke="var(--stream)"
        strokeWidth={2.8}
        strokeDasharray={STROKES[k]!.join(" ")}
        strokeLinecap="round"
      />
    </g>
  );
}

/**
 * One foot of one rep: filled while it stands, half as broad with the heel up, open while it is in
 * the air.
 */
function Lane({
  side,
  k,
  count,
  series,
  right,
  y,
}: {
  side: "lead" | "trail";
  k: number;
  count: number;
  series: RepSeries;
  right: boolean;
  y: At;
}) {
  const [air, heel] =
    side === "lead" ? [series.leadAir, series.leadHeelUp] : [series.trailAir, series.trailHeelUp];
  const apart = Math.min(20, (LANES_ROOM - 12) / count);
  const at = right ? WIDTH - LANES_ROOM + 10 + k * apart : LANES_ROOM - 10 - k * apart;
  const state = series.t.map((_, i) => (air[i] === 1 ? 2 : heel[i] === 1 ? 1 : 0));
  const indices = series.t.map((_, i) => i);
  const spells = [0, 1].flatMap((which) =>
    runs(
      state.map((s) => (s === which ? 1 : 0)),
      indices,
    )
      .filter((r) => r.on)
      .map((r) => ({ ...r, which })),
  );
  return (
    <g>
      {spells.map((r) => {
        const [a, b] = [
          y(series.t[r.from]!),
          y(series.t[Math.min(r.to + 1, series.t.length - 1)]!),
        ];
        const width = r.which === 0 ? LANE : LANE * 0.3;
        return (
          <rect
            key={`${r.which} ${r.from}`}
            x={at - width / 2}
            width={width}
            y={Math.min(a, b)}
            height={Math.abs(b - a)}
            fill={`var(--${side}-fill)`}
          />
        );
      })}
    </g>
  );
}
