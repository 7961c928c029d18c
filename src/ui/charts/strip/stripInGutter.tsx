import type { StripData } from "./stripData";
import { FILM } from "./geometry";
import { StripEdges } from "./words";

interface Props {
  /** Width of the column for names, px. */
  gutter: number;
  series: StripData["series"];
  hand: StripData["hand"];
  /** From the height of each event's name to that of its instant, px from the strip's top. */
  leads: readonly { event: string; nameY: number; y: number }[];
  /** The names, each put at its height by itself. */
  names: React.ReactNode;
  /** What lies over gutter and strip. */
  over?: React.ReactNode;
  /** What its lines mean. */
  caption: React.ReactNode;
  children: React.ReactNode;
}

/** A strip with its events' names in a gutter beside it, each led to its instant by a line. */
export function StripInGutter({
  gutter,
  series,
  hand,
  leads,
  names,
  over,
  caption,
  children,
}: Props) {
  return (
    <div className="shrink-0" style={{ width: gutter + FILM.width }}>
      <div
        className="mb-2 flex h-6 items-center justify-between text-[14px] text-ink-2"
        style={{ width: FILM.width, marginLeft: gutter }}
      >
        <StripEdges series={series} hand={hand} />
      </div>
      <div className="relative" style={{ width: gutter + FILM.width, height: FILM.height }}>
        {names}
        <svg
          width={gutter}
          height={FILM.height}
          className="pointer-events-none absolute top-0 left-0 overflow-visible"
          aria-hidden
        >
          {leads.map(({ event, nameY, y }) => (
            <path
              key={event}
              d={`M${gutter - 11} ${nameY}L${gutter} ${y}`}
              stroke="var(--edge)"
              fill="none"
            />
          ))}
        </svg>
        <div className="absolute top-0" style={{ left: gutter }}>
          {children}
        </div>
        {over}
      </div>
      <div className="mt-3 text-[14px] text-ink-2" style={{ marginLeft: gutter }}>
        {caption}
      </div>
    </div>
  );
}
