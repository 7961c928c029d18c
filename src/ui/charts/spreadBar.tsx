import { scaleLinear } from "d3-scale";

const WIDTH = 220;
const HEIGHT = 28;

/**
 * Every swing as a dot against a band: posts where its limits are, the mean with twice its doubt as
 * the stream between.
 */
export function SpreadBar({
  band: [lo, hi],
  values,
  mean,
  u,
}: {
  band: readonly [number | null, number | null];
  values: readonly number[];
  mean: number;
  u: number;
}) {
  const marks = [lo, hi, mean - 2 * u, mean + 2 * u, ...values].filter(
    (v): v is number => v !== null,
  );
  const [least, most] = [Math.min(...marks), Math.max(...marks)];
  const edge = Math.max(most - least, 1e-6) * 0.12;
  const x = scaleLinear([least - edge, most + edge], [0, WIDTH]);
  const [a, b] = [lo === null ? 0 : x(lo), hi === null ? WIDTH : x(hi)];
  const outside = (v: number) => v < (lo ?? -Infinity) || v > (hi ?? Infinity);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width={WIDTH}
      height={HEIGHT}
      aria-hidden
      className="block max-w-full"
    >
      <rect x={0} y={8} width={WIDTH} height={12} fill="var(--silt)" />
      <rect x={a} y={8} width={Math.max(0, b - a)} height={12} fill="var(--water)" />
      <rect
        x={x(mean - 2 * u)}
        y={8}
        width={x(mean + 2 * u) - x(mean - 2 * u)}
        height={12}
        fill="var(--stream)"
        opacity={0.26}
      />
      <path d={`M${x(mean)} 8V20`} stroke="var(--stream)" strokeWidth={2.8} />
      {[lo, hi].map(
        (v) =>
          v !== null && <path key={v} d={`M${x(v)} 1V27`} stroke="var(--ink)" strokeWidth={4} />,
      )}
      {values.map((v, i) => (
        <circle
          key={i}
          cx={x(v)}
          cy={14}
          r={4}
          fill={outside(v) ? "var(--paper)" : "var(--stream)"}
          stroke="var(--stream)"
          strokeWidth={1.8}
        />
      ))}
    </svg>
  );
}
