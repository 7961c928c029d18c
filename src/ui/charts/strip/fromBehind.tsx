import { area, line } from "d3-shape";
import { sampleAt, visible } from "./geometry";
import type { StripPart } from "./stripData";

/** Seen from behind: land behind the heels and before the toes, water where the weight can be. */
export function Ground({ data: { series }, s, size }: StripPart) {
  const { heels, toes } = series.behind!;
  const y = (i: number) => s.y(series.t[i]!);
  const indices = visible(series, s.from, s.to);
  const edge = (of: readonly number[]) =>
    line<number>()
      .y(y)
      .x((i) => s.x(of[i]!))(indices) ?? "";
  return (
    <g fill="none">
      <path d={`M0 0H${size.width}V${size.height}H0Z`} fill="var(--silt)" />
      <path
        d={
          area<number>()
            .y(y)
            .x0((i) => s.x(heels[i]!))
            .x1((i) => s.x(toes[i]!))(indices) ?? ""
        }
        fill="var(--water)"
      />
      <path d={edge(heels) + edge(toes)} stroke="var(--ink)" strokeWidth={1.5} />
    </g>
  );
}

/** The body's rear edge at hip height, dashed, and the wall that it touched while still. */
export function Hips({ data: { series, events }, s, size }: StripPart) {
  const { rear } = series.behind!;
  const way = line<number>()
    .defined((i) => rear[i] !== null)
    .y((i) => s.y(series.t[i]!))
    .x((i) => s.x(rear[i]!));
  const wall = rear[sampleAt(series, events.address ?? s.from)];
  return (
    <g fill="none">
      {wall !== null && wall !== undefined && (
        <path
          d={`M${s.x(wall)} 0V${size.height}`}
          stroke="var(--edge)"
          strokeWidth={size.post * 0.75}
        />
      )}
      <path
        d={way(visible(series, s.from, s.to)) ?? ""}
        stroke="var(--stream)"
        strokeWidth={size.stream}
        strokeDasharray="8 4"
      />
    </g>
  );
}
