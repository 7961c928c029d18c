import { scaleLinear } from "d3-scale";
import { quantile } from "@/core/maths";
import type { CheckResult } from "@/core/judge";
import { RESULT_COLOUR } from "@/ui/kit/glyphs";

/** One rep's value of a measure. */
export interface Dot {
  id: string;
  value: number;
  result: CheckResult;
}

/** One row of the chart: a bout. */
export interface GateRow {
  id: string;
  dots: readonly Dot[];
}

/** Rows are so far apart, px; dots that would touch are put beside each other. */
export const ROW = 51;
const TOP = 12;
const R = 4.4;
/** Eight reps in ten lie on the bar. */
const [LOW, HIGH] = [0.1, 0.9];

/** The scale that several charts of one measure share. */
export function gateScale(
  values: readonly number[],
  [lo, hi]: readonly [number | null, number | null],
  width: number,
) {
  const marks = [...values, ...(lo === null ? [] : [lo]), ...(hi === null ? [] : [hi])];
  const [least, most] = [Math.min(...marks), Math.max(...marks)];
  const edge = Math.max(most - least, 1e-6) * 0.1;
  return scaleLinear([least - edge, most + edge], [0, width]);
}

/**
 * Bouts run down through a standing gate: each rep a dot, told by shape and colour; eight in ten as
 * a bar, and the middle one.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function GateDays({
  rows,
  band: [lo, hi],
  width,
  x,
  label,
}: {
  rows: readonly GateRow[];
  band: readonly [number | null, number | null];
  width: number;
  x: (v: number) => number;
  label: string;
}) {
  const height = TOP * 2 + ROW * Math.max(0, rows.length - 1) + 26;
  const [a, b] = [lo === null ? 0 : x(lo), hi === null ? width : x(hi)];
  return (
    <svg
      viewBox={`0 -12 ${width} ${height + 24}`}
      width={width}
      height={height + 24}
      role="img"
      aria-label={label}
      className="block max-w-full"
    >
      <rect width={width} height={height} fill="var(--silt)" />
      <rect x={a} width={Math.max(0, b - a)} height={height} fill="var(--water)" />
      {rows.map((row, k) => {
        const y = TOP + 13 + k * ROW;
        const values = row.dots.map((d) => d.value);
        const lanes = swarm(row.dots, x);
        // Many dots of one row overlap sooner than they run into the next.
        const apart = Math.min(
          2 * R - 1,
          (ROW / 2 - R) / Math.max(1, ...lanes.map((l) => Math.abs(l.lane))),
        );
        return (
          <g key={row.id}>
            {values.length > 1 && (
              <line
                x1={x(quantile(values, LOW))}
                x2={x(quantile(values, HIGH))}
                y1={y}
                y2={y}
                stroke="var(--stream)"
                strokeOpacity={0.4}
                strokeWidth={8}
                strokeLinecap="round"
              />
            )}
            {lanes.map(({ dot, lane }) => (
              <DayMark key={dot.id} cx={x(dot.value)} cy={y + lane * apart} result={dot.result} />
            ))}
            {values.length > 1 && (
              <line
                x1={x(quantile(values, 0.5))}
                x2={x(quantile(values, 0.5))}
                y1={y - 16}
                y2={y + 16}
                stroke="var(--ink)"
                strokeWidth={2.6}
              />
            )}
          </g>
        );
      })}
      {[lo, hi].map(
        (v) =>
          v !== null && (
            <line
              key={v}
              x1={x(v)}
              x2={x(v)}
              y1={-12}
              y2={height + 12}
              stroke="var(--ink)"
              strokeWidth={4}
            />
          ),
      )}
    </svg>
  );
}

/** Passed: full; outside: full with a bar; too close: a dotted ring. */
export function DayMark({ cx, cy, result }: { cx: number; cy: number; result: CheckResult }) {
  const colour = RESULT_COLOUR[result];
  if (result === "pass")
    return <circle cx={cx} cy={cy} r={R} fill={colour} stroke="var(--paper)" strokeWidth={1} />;
  if (result === "fail")
    return (
      <g>
        <circle cx={cx} cy={cy} r={R} fill={colour} stroke="var(--paper)" strokeWidth={1} />
        <path d={`M${cx - 2.6} ${cy}H${cx + 2.6}`} stroke="var(--paper)" strokeWidth={1.8} />
      </g>
    );
  return (
    <circle
      cx={cx}
      cy={cy}
      r={R}
      fill="var(--paper)"
      stroke={colour}
      strokeWidth={1.8}
      strokeDasharray="2 1.45"
    />
  );
}

/** Dots of one row in lanes, so that none covers another: 0, then above and below by turns. */
function swarm(dots: readonly Dot[], x: (v: number) => number): { dot: Dot; lane: number }[] {
  const placed: { at: number; lane: number; dot: Dot }[] = [];
  for (const dot of [...dots].sort((p, q) => p.value - q.value)) {
    const at = x(dot.value);
    let k = 0;
    const laneOf = (n: number) => (n % 2 ? (n + 1) / 2 : -n / 2);
    while (placed.some((p) => p.lane === laneOf(k) && Math.abs(p.at - at) < 2 * R)) k++;
    placed.push({ at, lane: laneOf(k), dot });
  }
  return placed;
}
