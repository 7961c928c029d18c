import { area, line } from "d3-shape";
import { fanX, visible } from "./geometry";
import type { StripPart } from "./stripData";

/** Ribs stand so far apart, px. */
const RIB = 7;

/**
 * A foot that turns about its heel: its bank opens as far as the toe points away from where it
 * stood.
 */
export function Fan({ data: { series }, s, size }: StripPart) {
  const { foot, degrees } = series.footTurn!;
  const x = (i: number) => fanX(series, foot, degrees[i] ?? 0, s, size);
  const stands = fanX(series, foot, 0, s, size);
  const y = (i: number) => s.y(series.t[i]!);
  const indices = visible(series, s.from, s.to);
  const known = (i: number) => degrees[i] !== null;
  const fill = `var(--${foot}-fill)`;
  const step = Math.max(1, Math.round((RIB / s.y.range()[1]!) * indices.length));
  return (
    <g fill="none" stroke={fill}>
      <path
        d={area<number>().defined(known).y(y).x0(stands).x1(x)(indices) ?? ""}
        fill="var(--silt)"
        stroke="none"
      />
      <path
        d={indices
          .filter((i, k) => k % step === 0 && known(i))
          .map((i) => `M${stands} ${y(i)}H${x(i)}`)
          .join("")}
        strokeWidth={1.2}
      />
      <path d={line<number>().defined(known).y(y).x(x)(indices) ?? ""} strokeWidth={size.stream} />
    </g>
  );
}
