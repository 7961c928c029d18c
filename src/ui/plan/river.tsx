import { curveBumpY, line } from "d3-shape";
import type { DayRoom } from "@/core/practice";
import { shortDay } from "@/ui/kit/dates";
import { DayRow } from "./dayRow";
import type { PlanBout } from "./planBout";

const [BOUT, EMPTY, GAP] = [72, 44, 8];
/** Middle of the stream on each bank's side, and how broad it is, px of its own column. */
const [HOME, RANGE, WIDE, COLUMN] = [36, 84, 52, 120];

/**
 * A week from top to bottom: home on the left bank, the range on the right, the stream from gate to
 * gate; drawn through as far as it was done.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function River({
  days,
  bouts,
  today,
  children,
}: {
  days: readonly DayRoom[];
  bouts: readonly PlanBout[];
  today: string;
  children: (b: PlanBout) => React.ReactNode;
}) {
  const rows = days.map((d) => ({ ...d, own: bouts.filter((b) => b.day === d.day) }));
  const heights = rows.map((r) => (r.own.length ? r.own.length * BOUT + 2 * GAP : EMPTY));
  const tops = heights.map((_, i) => heights.slice(0, i).reduce((a, b) => a + b, 0));
  const height = heights.reduce((a, b) => a + b, 0);
  const gates = rows.flatMap((r, k) =>
    r.own.map((b, i) => ({
      b,
      x: b.place === "range" ? RANGE : HOME,
      y: tops[k]! + GAP + i * BOUT + BOUT / 2,
    })),
  );
  const way = line<[number, number]>().curve(curveBumpY);
  const points: [number, number][] = [
    [gates[0]?.x ?? HOME, 0],
    ...gates.map((g): [number, number] => [g.x, g.y]),
    [gates.at(-1)?.x ?? HOME, height],
  ];
  const done = gates.filter((g) => g.b.state === "done");
  const at = done.at(-1);
  return (
    <section aria-label="The week" className="relative">
      <div className="mb-2 grid grid-cols-[76px_1fr] text-[15px] font-semibold md:grid-cols-[76px_1fr_120px_1fr]">
        <span />
        <span className="pl-3">
          <span className="hidden md:inline">home</span>
        </span>
        <span className="hidden md:block" />
        <span className="hidden pl-3 md:block">the range</span>
      </div>
      <svg
        width={COLUMN}
        height={height}
        className="pointer-events-none absolute bottom-0 left-[calc(76px+(100%-76px-120px)/2)] z-10 hidden md:block"
        aria-hidden
      >
        <path d={way(points) ?? ""} stroke="var(--water)" strokeWidth={WIDE} fill="none" />
        <path
          d={way(points) ?? ""}
          stroke="var(--stream)"
          strokeWidth={2}
          strokeDasharray="2 4"
          fill="none"
        />
        {at && (
          <path
            d={way([points[0]!, ...done.map((g): [number, number] => [g.x, g.y])]) ?? ""}
            stroke="var(--stream)"
            strokeWidth={4}
            fill="none"
          />
        )}
        {at && <circle cx={at.x} cy={at.y} r={7} fill="var(--stream)" />}
        {gates.map(({ b, x, y }) => {
          const half = Math.min(20, 5 + b.minutes * 0.7);
          return (
            <path
              key={b.id}
              d={`M${x - WIDE / 2} ${y - half}V${y + half}M${x + WIDE / 2} ${y - half}V${y + half}`}
              stroke={
                b.state === "done"
                  ? "var(--pass)"
                  : b.state === "skipped"
                    ? "var(--unsure)"
                    : "var(--ink)"
              }
              strokeWidth={4}
              strokeDasharray={b.state === "skipped" ? "3 3" : undefined}
            />
          );
        })}
      </svg>
      {rows.map((r, k) => (
        <DayRow key={r.day} day={r.day}>
          <div
            className="grid grid-cols-[76px_1fr] md:grid-cols-[76px_1fr_120px_1fr]"
            style={{ height: heights[k] }}
          >
            <div
              className={`pt-1 pr-3 text-right text-[15px] leading-tight whitespace-nowrap ${r.day === today ? "font-bold" : ""}`}
            >
              {shortDay(r.day)}
              <span className="block font-normal text-ink-2">
                {r.minutes ? `${r.minutes} min` : "off"}
              </span>
            </div>
            {(["home", "range"] as const).map((place) => (
              <div
                key={place}
                className={`border-t border-paper bg-silt px-3 ${place === "range" ? "col-start-2 md:col-start-4" : "md:col-start-2"} ${r.own.some((b) => b.place === place) || (place === "home" && !r.own.length) ? "" : "hidden md:block"}`}
                style={{ paddingTop: GAP }}
              >
                {r.own.map((b) =>
                  b.place === place ? (
                    <div key={b.id} style={{ height: BOUT }}>
                      {children(b)}
                    </div>
                  ) : (
                    <div
                      key={b.id}
                      className="hidden md:block"
                      style={{ minHeight: BOUT }}
                      aria-hidden
                    />
                  ),
                )}
                {place === "home" && !r.own.length && <p className="pt-0.5 side-note">no bout</p>}
              </div>
            ))}
            <div className="hidden border-t border-paper bg-silt md:col-start-3 md:row-start-1 md:block" />
          </div>
        </DayRow>
      ))}
    </section>
  );
}
