import type { FilmPlan, PhonePlace } from "@/core/film";
import type { View } from "@/core/scene";

/** Beyond the club nobody stands nearer than this, cm: a step. */
const APART_CM = 100;

interface Props {
  plan: FilmPlan;
  place: PhonePlace;
  view: View;
  hand: "left" | "right";
  /** Where the ball lies, and the line of the toes, cm (T toward the target, D toward the ball). */
  ball: readonly [t: number, d: number] | null;
  toes: number;
  /** Half of what the lens sees to the side, as a tangent. */
  across: number;
  /** A length in words. */
  length: (cm: number) => string;
}

/**
 * The floor from above: golfer, ball, target line, the way of the club with a step round it, and
 * the phone with what it sees.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function FloorPlan({ plan, place, view, hand, ball, toes, across, length }: Props) {
  const side = hand === "right" ? 1 : -1;
  const { distance, reach } = plan;
  // On the drawing the golfer faces down; the target is where the picture has it.
  const phone: [number, number] = view === "face-on" ? [0, distance] : [-side * distance, toes];
  const clear = reach.around + APART_CM;
  const [left, right] = [
    Math.min(-clear, phone[0]) - 45,
    Math.max(clear, phone[0]) + (view === "face-on" ? 175 : 45),
  ];
  const [top, bottom] = [-clear - 45, Math.max(clear, phone[1]) + 55];
  const unit = (right - left) / 100;
  // Words stand clear of whatever line they cross.
  const text = {
    fontSize: 3.6 * unit,
    fill: "var(--ink)",
    stroke: "var(--paper)",
    strokeWidth: 1.2 * unit,
    strokeLinejoin: "round",
    paintOrder: "stroke",
  } as const;
  const ruler = view === "face-on" ? clear + 30 : Math.min(clear * 0.82, bottom - 40);
  // What the lens sees, as far as the golfer and a little beyond.
  const far = distance + reach.around;
  const toward: [number, number] = view === "face-on" ? [0, -1] : [side, 0];
  const edge = (way: 1 | -1): [number, number] => [
    phone[0] + toward[0] * far - way * toward[1] * far * across,
    phone[1] + toward[1] * far + way * toward[0] * far * across,
  ];
  const at = ([x, y]: readonly [number, number]) => `${x} ${y}`;
  const walls = [
    ...(place.width !== null
      ? [
          [-1, 1].map((s) => ({
            x1: s * (place.width! / 2),
            x2: s * (place.width! / 2),
            y1: top,
            y2: bottom,
          })),
        ].flat()
      : []),
    ...(place.depth !== null
      ? [
          view === "face-on"
            ? { x1: left, x2: right, y1: place.depth, y2: place.depth }
            : { x1: -side * place.depth, x2: -side * place.depth, y1: top, y2: bottom },
        ]
      : []),
  ];
  return (
    <svg
      viewBox={`${left} ${top} ${right - left} ${bottom - top}`}
      role="img"
      aria-label={`From above: the phone stands ${length(distance)} ${view === "face-on" ? "in front of" : "behind"} you, nobody within ${length(clear)}.`}
      className="block max-h-[420px] w-full"
    >
      <path d={`M${at(phone)}L${at(edge(1))}L${at(edge(-1))}Z`} fill="var(--water)" />
      <circle
        r={clear}
        fill="none"
        stroke="var(--edge)"
        strokeWidth={0.5 * unit}
        strokeDasharray={`${1.6 * unit} ${1.6 * unit}`}
      />
      <circle
        r={reach.around}
        fill="var(--silt)"
        fillOpacity={0.7}
        stroke="var(--edge)"
        strokeWidth={0.35 * unit}
      />
      {walls
        .filter((w) => w.x1 >= left && w.x2 <= right && w.y2 <= bottom)
        .map((w, k) => (
          <line key={k} {...w} stroke="var(--ink)" strokeWidth={1.1 * unit} />
        ))}
      <g stroke="var(--ink-2)" strokeWidth={0.5 * unit} fill="none">
        <path
          d={`M${-side * reach.around * 0.9} ${ball?.[1] ?? 0}H${side * (clear - 12 * unit)}`}
        />
        <path
          d={`M${side * (clear - 14 * unit)} ${(ball?.[1] ?? 0) - 1.6 * unit}L${side * (clear - 12 * unit)} ${ball?.[1] ?? 0}L${side * (clear - 14 * unit)} ${(ball?.[1] ?? 0) + 1.6 * unit}`}
        />
      </g>
      <text
        {...text}
        fill="var(--ink-2)"
        x={side * (clear - 2 * unit)}
        y={(ball?.[1] ?? 0) - 1.5 * unit}
        textAnchor={side > 0 ? "end" : "start"}
      >
        target
      </text>
      {[-1, 1].map((foot) => (
        <ellipse
          key={foot}
          cx={foot * 18}
          cy={4}
          rx={5.5}
          ry={14}
          transform={`rotate(${-foot * 9} ${foot * 18} 4)`}
          fill={foot === side ? "var(--lead-fill)" : "var(--trail-fill)"}
        />
      ))}
      {ball && (
        <circle
          cx={side * ball[0]}
          cy={ball[1]}
          r={1.3 * unit}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth={0.5 * unit}
        />
      )}
      <g stroke="var(--ink)" strokeWidth={0.5 * unit}>
        <path
          d={
            view === "face-on"
              ? `M${ruler} 0V${phone[1]}M${ruler - 2 * unit} 0h${4 * unit}M${ruler - 2 * unit} ${phone[1]}h${4 * unit}`
              : `M0 ${ruler}H${phone[0]}M0 ${ruler - 2 * unit}v${4 * unit}M${phone[0]} ${ruler - 2 * unit}v${4 * unit}`
          }
          fill="none"
        />
      </g>
      <text
        {...text}
        fontSize={5 * unit}
        fontWeight={700}
        {...(view === "face-on"
          ? { x: ruler + 3 * unit, y: phone[1] / 2, textAnchor: "start" as const }
          : { x: phone[0] / 2, y: ruler - 2 * unit, textAnchor: "middle" as const })}
      >
        {length(distance)}
      </text>
      <rect
        {...(view === "face-on"
          ? { x: phone[0] - 7, y: phone[1], width: 14, height: 4 }
          : { x: side > 0 ? phone[0] - 4 : phone[0], y: phone[1] - 7, width: 4, height: 14 })}
        fill="var(--ink)"
        stroke="var(--ink)"
        strokeWidth={0.6 * unit}
      />
      <text
        {...text}
        x={phone[0]}
        y={phone[1] + (view === "face-on" ? 26 : 30)}
        textAnchor="middle"
      >
        phone
      </text>
      <text {...text} fill="var(--ink-2)" x={0} y={-clear - 2.5 * unit} textAnchor="middle">
        nobody within {length(clear)}
      </text>
    </svg>
  );
}
