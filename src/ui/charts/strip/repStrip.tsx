import { area, curveMonotoneY, line } from "d3-shape";
import { PRINT, RESULT_COLOUR, WORDS } from "@/ui/kit/glyphs";
import { Fan } from "./fan";
import { Ground, Hips } from "./fromBehind";
import { FILM, TINY, runs, shareToT, stripScales, visible, type StripSize } from "./geometry";
import { gatesOf, type Gate } from "./gates";
import type { StripPart, StripData } from "./stripData";

/**
 * The rep strip: time runs down, the target axis runs across as in the film. Land is a foot on the
 * ground, water is where the weight can be, the stream is the estimated weight (as broad as it is
 * unsure), gates are what is asked.
 *
 * With `stretch` it is only that much of the rep, ms. With `few` only top and strike are lines.
 * With `asked` nothing is judged yet: the gates stand in ink. With the checks' `names` each gate is
 * read out for itself; without them the strip is one picture.
 *
 * Its relatives (docs/look.md): of a to-and-fro one period is drawn, with the hands' way dotted; a
 * pivot opens its foot's bank into a fan; from behind it runs from heels to toes, with the hips and
 * the wall they were at.
 */
export function RepStrip({
  data,
  size = FILM,
  onlyGate,
  asked = false,
  few = size.width <= TINY.width,
  stretch,
  names,
  label,
}: {
  data: StripData;
  size?: StripSize;
  onlyGate?: string;
  asked?: boolean;
  few?: boolean;
  stretch?: readonly [from: number, to: number];
  names?: ReadonlyMap<string, string>;
  label: string;
}) {
  const s = stripScales(size, data.series, data.events, data.hand, stretch);
  const shown = data.checks.filter((c) => onlyGate === undefined || c.id === onlyGate);
  const gates = gatesOf(shown, data.at, data.series, data.events, s, size);
  const tiny = size.width <= TINY.width;
  const lines = few
    ? ["top", "impact"]
    : ["address", "handStart", "midBack", "top", "impact", "finish"];
  return (
    <svg
      viewBox={`0 0 ${size.width} ${size.height}`}
      width={size.width}
      height={size.height}
      {...(label
        ? { role: names ? "group" : "img", "aria-label": label }
        : { "aria-hidden": true })}
      className="block overflow-hidden bg-paper"
    >
      {data.series.behind ? (
        <Ground {...{ data, s, size }} />
      ) : (
        <>
          <Water {...{ data, s, size }} />
          <Bank side="trail" {...{ data, s, size }} />
          <Bank side="lead" {...{ data, s, size }} />
        </>
      )}
      {lines.map(
        (name) =>
          data.events[name] !== undefined && (
            <line
              key={name}
              x1={0}
              x2={size.width}
              y1={s.y(data.events[name])}
              y2={s.y(data.events[name])}
              stroke="var(--ink-2)"
              strokeOpacity={0.4}
              strokeWidth={1}
            />
          ),
      )}
      {data.series.behind ? (
        <Hips {...{ data, s, size }} />
      ) : data.series.footTurn ? (
        <Fan {...{ data, s, size }} />
      ) : (
        <Lines {...{ data, s, size }} hips={!tiny} hands={data.series.turn !== undefined} />
      )}
      {gates.map((g) => (
        <GateMark
          key={g.check.id}
          gate={g}
          size={size}
          asked={asked}
          name={names?.get(g.check.id)}
        />
      ))}
    </svg>
  );
}

function Water({ data: { series }, s }: StripPart) {
  const water = area<number>()
    .y((i) => s.y(series.t[i]!))
    .x0((i) => s.x(series.trailFootT[i]!))
    .x1((i) => s.x(series.leadFootT[i]!));
  return <path d={water(visible(series, s.from, s.to)) ?? ""} fill="var(--water)" />;
}

/**
 * One foot's bank: land outside it while the foot is down, bars for toe and heel, a dotted path and
 * prints for a step.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
function Bank({ side, data: { series }, s, size }: StripPart & { side: "lead" | "trail" }) {
  const foot = side === "lead" ? series.leadFootT : series.trailFootT;
  const air = side === "lead" ? series.leadAir : series.trailAir;
  const heel = side === "lead" ? series.leadHeelUp : series.trailHeelUp;
  const out = (side === "lead" ? 1 : -1) * s.toTarget;
  const edge = out > 0 ? size.width : 0;
  const fill = `var(--${side}-fill)`;
  const indices = visible(series, s.from, s.to);
  const bar = (
    name: string,
    offset: number,
    width: number,
    from: number,
    to: number,
    dots = false,
  ) => (
    <line
      key={name}
      x1={s.x(foot[from]!) + out * (offset + width / 2)}
      x2={s.x(foot[to]!) + out * (offset + width / 2)}
      y1={s.y(series.t[from]!)}
      y2={s.y(series.t[to]!)}
      stroke={fill}
      strokeWidth={dots ? Math.max(width * 0.35, 1) : width}
      strokeDasharray={dots ? "1.5 3" : undefined}
    />
  );
  const heelAt = size.toeBar > 0 ? size.gap + size.toeBar + size.gap : 0;
  const all = runs(air, indices);
  const x = (i: number) => s.x(foot[i]!) + out * (heelAt + size.heelBar / 2);
  const y = (i: number) => s.y(series.t[i]!);
  return (
    <g>
      {all
        .filter((r) => !r.on)
        .map((r) => {
          const land = area<number>()
            .y(y)
            .x0((i) => s.x(foot[i]!))
            .x1(edge);
          const planted = indices.filter((i) => i >= r.from && i <= r.to);
          return (
            <g key={r.from}>
              <path d={land(planted) ?? ""} fill="var(--silt)" />
              {size.toeBar > 0 && bar("toe", size.gap, size.toeBar, r.from, r.to)}
              {runs(heel, planted).map((h) =>
                bar(`heel${h.from}`, heelAt, size.heelBar, h.from, Math.min(h.to + 1, r.to), h.on),
              )}
            </g>
          );
        })}
      {all.map((r, k) => {
        if (!r.on) return null;
        const [a, b] = [all[k - 1]?.to ?? r.from, all[k + 1]?.from ?? r.to];
        return (
          <g key={r.from}>
            <line
              x1={x(a)}
              y1={y(a)}
              x2={x(b)}
              y2={y(b)}
              stroke={fill}
              strokeWidth={1.4}
              strokeDasharray="1.6 2.6"
            />
            {size.print > 0 && (
              <Print
                side={side}
                mirror={s.toTarget}
                x={(x(a) + x(b)) / 2}
                y={(y(a) + y(b)) / 2}
                height={size.print * 0.72}
                landed={false}
              />
            )}
            {size.print > 0 && all[k + 1] && (
              <Print
                side={side}
                mirror={s.toTarget}
                x={x(b) + out * size.print * 0.5}
                y={y(b) + size.print * 0.6}
                height={size.print}
                landed
              />
            )}
          </g>
        );
      })}
    </g>
  );
}

function Print({
  side,
  mirror,
  x,
  y,
  height,
  landed,
}: {
  side: "lead" | "trail";
  mirror: 1 | -1;
  x: number;
  y: number;
  height: number;
  landed: boolean;
}) {
  const k = height / 24;
  const flip = (side === "lead" ? 1 : -1) * mirror;
  const style = {
    fill: landed ? `var(--${side}-fill)` : "var(--paper)",
    stroke: `var(--${side}-fill)`,
    strokeWidth: landed ? 0 : 1.1,
  };
  return (
    <g
      transform={`translate(${x} ${y}) rotate(${-9 * flip}) scale(${k * 1.18 * flip} ${k}) translate(-5 -12)`}
    >
      <path d={PRINT.heel} {...style} />
      <path d={PRINT.toe} {...style} />
    </g>
  );
}

function Lines({
  data: { series, insoleShare },
  s,
  size,
  hips,
  hands,
}: StripPart & { hips: boolean; hands: boolean }) {
  const indices = visible(series, s.from, s.to);
  const y = (i: number) => s.y(series.t[i]!);
  const oneFoot = (i: number) => series.leadAir[i] === 1 || series.trailAir[i] === 1;
  const at = (i: number, share: number) =>
    s.x(shareToT(series, i, Math.min(Math.max(share, 0), 100)));
  const breadth = area<number>()
    .y(y)
    .x0((i) => at(i, series.leadShare[i]! - (oneFoot(i) ? 0 : series.leadShareU[i]!)))
    .x1((i) => at(i, series.leadShare[i]! + (oneFoot(i) ? 0 : series.leadShareU[i]!)));
  const stream = line<number>()
    .y(y)
    .x((i) => at(i, series.leadShare[i]!))
    .curve(curveMonotoneY);
  const middle = line<number>()
    .y(y)
    .x((i) => at(i, 50));
  const pelvis = line<number>()
    .y(y)
    .x((i) => s.x(series.pelvisT[i]!));
  const worn =
    insoleShare &&
    line<number>()
      .defined((i) => insoleShare[i] !== null)
      .y(y)
      .x((i) => at(i, insoleShare[i]!));
  const swung = line<number>()
    .y(y)
    .x((i) => s.x(series.handsT[i]!));
  return (
    <g fill="none">
      <path d={middle(indices) ?? ""} stroke="var(--ink-2)" strokeWidth={1} strokeDasharray="1 4" />
      <path d={breadth(indices) ?? ""} fill="var(--stream)" fillOpacity={0.26} />
      {hips && (
        <path
          d={pelvis(indices) ?? ""}
          stroke="var(--ink-2)"
          strokeWidth={1.5}
          strokeDasharray="6 4"
        />
      )}
      {hands && (
        <path
          d={swung(indices) ?? ""}
          stroke="var(--ink)"
          strokeWidth={2.4}
          strokeDasharray="0.1 6"
          strokeLinecap="round"
        />
      )}
      <path
        d={stream(indices) ?? ""}
        stroke="var(--stream)"
        strokeWidth={size.stream}
        strokeLinejoin="round"
      />
      {worn && (
        <path d={worn(indices) ?? ""} stroke="var(--ink)" strokeWidth={2} strokeDasharray="2 3" />
      )}
    </g>
  );
}

/**
 * Passed: two posts. Missed: a bar past both, and dots from the limit to what happened. Too close:
 * a ring on the crossing.
 */
function GateMark({
  gate,
  size,
  asked,
  name,
}: {
  gate: Gate;
  size: StripSize;
  asked: boolean;
  name: string | undefined;
}) {
  const result = asked ? "pass" : gate.check.result;
  const colour = asked ? "var(--ink)" : RESULT_COLOUR[result];
  const half = gate.length / 2;
  const [lo, hi] = gate.a < gate.b ? [gate.a, gate.b] : [gate.b, gate.a];
  const upright = gate.posts === "upright";
  const post = (at: number) =>
    upright
      ? `M${at} ${gate.across - half}V${gate.across + half}`
      : `M${gate.across - half} ${at}H${gate.across + half}`;
  const bar = upright
    ? `M${lo - size.post} ${gate.across}H${hi + size.post}`
    : `M${gate.across} ${lo - size.post}V${hi + size.post}`;
  const posts = `${post(lo)}${post(hi)}`;
  const miss =
    gate.happened !== null && (gate.happened < lo || gate.happened > hi)
      ? Math.abs(gate.happened - lo) < Math.abs(gate.happened - hi)
        ? lo
        : hi
      : null;
  const dots =
    result === "fail" && miss !== null
      ? upright
        ? `M${miss} ${gate.across}H${gate.happened}`
        : `M${gate.across} ${miss}V${gate.happened}`
      : null;
  const [cx, cy] = upright
    ? [gate.happened ?? (lo + hi) / 2, gate.across]
    : [gate.across, gate.happened ?? (lo + hi) / 2];
  return (
    <g
      fill="none"
      {...(name
        ? {
            role: "img",
            "aria-label": `Gate: ${name}${asked ? "" : `, ${WORDS[result].toLowerCase()}`}`,
          }
        : {})}
    >
      <path d={posts} stroke="var(--paper)" strokeWidth={size.post + 3} />
      {result === "fail" && <path d={bar} stroke="var(--paper)" strokeWidth={size.post + 2} />}
      <path d={posts} stroke={colour} strokeWidth={size.post} />
      {result === "fail" && <path d={bar} stroke={colour} strokeWidth={size.post * 0.9} />}
      {dots && (
        <path d={dots} stroke={colour} strokeWidth={size.post * 0.6} strokeDasharray="2 3" />
      )}
      {(result === "too close" || result === "not measurable") && (
        <circle
          cx={cx}
          cy={cy}
          r={size.post * 2.4}
          stroke={colour}
          strokeWidth={size.post * 0.75}
          strokeDasharray={`${size.post * 0.9} ${size.post * 0.75}`}
        />
      )}
    </g>
  );
}
