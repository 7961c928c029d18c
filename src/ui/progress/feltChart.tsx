import { scaleLinear } from "d3-scale";
import { ROW } from "@/ui/charts/gateDays";
import { dayOf } from "@/ui/kit/dates";

/** What was felt and what the film says, bout by bout; share on the lead foot, %. */
export interface Felt {
  /** Of which measure. */
  name: string;
  rows: readonly {
    id: string;
    at: Date;
    felt: number | null;
    film: number | null;
    u: number | null;
  }[];
  /** Felt less film over all of them: the middle, and the middle half. */
  apart: { n: number; middle: number; low: number; high: number };
}

const [WIDTH, TOP] = [310, 25];

/**
 * Do you feel what the film shows: the film's estimate with its doubt, what was felt, and how far
 * they lie apart.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function FeltChart({ felt: { name, rows, apart }, table }: { felt: Felt; table: boolean }) {
  const x = scaleLinear([0, 100], [0, WIDTH]);
  const height = ROW * (rows.length - 1) + 2 * TOP;
  return (
    <section aria-label="Felt against film">
      <h2 className="text-[23px]">Do you feel what the film shows?</h2>
      <p className="side-note">
        {name}. {apart.n === 1 ? "In one bout" : `In ${apart.n} bouts`} you felt{" "}
        {Math.abs(Math.round(apart.middle))} points {apart.middle >= 0 ? "more" : "less"} on the
        lead foot than the film says
        {apart.n > 1 &&
          `, half of them between ${Math.round(apart.low)} and ${Math.round(apart.high)}`}
        .
      </p>
      {table ? (
        <table className="mt-2 border-collapse text-[15px]">
          <thead>
            <tr className="text-left text-ink-2">
              <th scope="col" className="pr-5 font-normal">
                Bout
              </th>
              <th scope="col" className="pr-5 font-normal">
                Film
              </th>
              <th scope="col" className="font-normal">
                Felt
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.id} className="border-b border-hair">
                <th scope="row" className="py-1 pr-5 text-left">
                  {dayOf(r.at)}
                </th>
                <td className="pr-5">
                  {r.film === null
                    ? "not measured"
                    : `${Math.round(r.film)} ± ${Math.round(2 * r.u!)} %`}
                </td>
                <td>{r.felt === null ? "not said" : `${Math.round(r.felt)} %`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <div className="mt-3 flex gap-3">
          <ol className="relative w-[56px] shrink-0 text-right text-[15px]" style={{ height }}>
            {rows.map((r, k) => (
              <li key={r.id} className="absolute right-0" style={{ top: TOP + k * ROW - 12 }}>
                {dayOf(r.at)}
              </li>
            ))}
          </ol>
          <svg
            viewBox={`0 0 ${WIDTH} ${height + 24}`}
            width={WIDTH}
            height={height + 24}
            role="img"
            aria-label="Film and feel, bout by bout; the table has the numbers"
            className="block max-w-full"
          >
            <rect width={WIDTH} height={height} fill="var(--water)" />
            {rows.map((r, k) => {
              const y = TOP + k * ROW;
              return (
                <g key={r.id}>
                  {r.film !== null && (
                    <line
                      x1={x(Math.max(0, r.film - 2 * r.u!))}
                      x2={x(Math.min(100, r.film + 2 * r.u!))}
                      y1={y}
                      y2={y}
                      stroke="var(--stream)"
                      strokeOpacity={0.26}
                      strokeWidth={9}
                    />
                  )}
                  {r.film !== null && r.felt !== null && (
                    <line
                      x1={x(r.film)}
                      x2={x(r.felt)}
                      y1={y}
                      y2={y}
                      stroke="var(--ink)"
                      strokeWidth={2}
                      strokeDasharray="2 3"
                    />
                  )}
                  {r.film !== null && <circle cx={x(r.film)} cy={y} r={6} fill="var(--stream)" />}
                  {r.felt !== null && (
                    <path
                      d={`M${x(r.felt)} ${y - 9}l9 9-9 9-9-9Z`}
                      fill="var(--paper)"
                      stroke="var(--ink)"
                      strokeWidth={2}
                    />
                  )}
                </g>
              );
            })}
            {[0, 25, 50, 75, 100].map((v) => (
              <text
                key={v}
                x={x(v)}
                y={height + 18}
                textAnchor={v === 0 ? "start" : v === 100 ? "end" : "middle"}
                className="fill-ink-2 text-[14px]"
              >
                {v}
                {v === 100 ? " %" : ""}
              </text>
            ))}
          </svg>
        </div>
      )}
      {!table && (
        <p className="mt-1 text-[14px] text-ink-2">● film, as broad as it is unsure; ◇ felt.</p>
      )}
    </section>
  );
}
