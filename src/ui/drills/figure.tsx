import { recordOf } from "@/core/maths";
import { FIGURE_POINTS, type FigurePoint, type Movement } from "@/core/play";

type Point = readonly [x: number, y: number];

/** The joints of one frame, mm; y down, as on a screen. */
function jointsOf(frame: readonly number[]): Record<FigurePoint, Point> {
  return recordOf(FIGURE_POINTS, (_, k) => [frame[2 * k]!, -frame[2 * k + 1]!]);
}

const path = (...points: Point[]) => `M${points.map(([x, y]) => `${x} ${y}`).join("L")}`;

/**
 * The simulated golfer at one instant, in a box of mm with the ground at 0: lead side blue, trail
 * side orange, the rest ink.
 */
export function Figure({
  movement,
  frame,
}: {
  movement: Pick<Movement, "club" | "headRadius">;
  frame: readonly number[];
}) {
  const j = jointsOf(frame);
  const leg = (side: "lead" | "trail") =>
    path(j[`${side}Hip`], j[`${side}Knee`], j[`${side}Ankle`], j[`${side}Heel`], j[`${side}Toe`]);
  const arm = (side: "lead" | "trail") => path(j[`${side}Shoulder`], j[`${side}Elbow`], j.hands);
  return (
    <g fill="none" strokeLinejoin="round">
      {movement.club && <path d={path(j.hands, j.club)} stroke="var(--ink-2)" strokeWidth={22} />}
      {(["trail", "lead"] as const).map((side) => (
        <path key={side} d={leg(side)} stroke={`var(--${side}-fill)`} strokeWidth={78} />
      ))}
      <path
        d={`${path(j.leadShoulder, j.trailShoulder, j.trailHip, j.leadHip)}Z`}
        fill="var(--ink)"
        stroke="var(--ink)"
        strokeWidth={70}
      />
      {(["trail", "lead"] as const).map((side) => (
        <path key={side} d={arm(side)} stroke="var(--paper)" strokeWidth={84} />
      ))}
      {(["trail", "lead"] as const).map((side) => (
        <path key={`${side}arm`} d={arm(side)} stroke="var(--ink)" strokeWidth={58} />
      ))}
      <circle cx={j.head[0]} cy={j.head[1]} r={movement.headRadius} fill="var(--ink)" />
    </g>
  );
}

/** The box that holds every frame of a movement, mm. */
export function boxOfMovement({ frames, headRadius }: Pick<Movement, "frames" | "headRadius">): {
  x: number;
  y: number;
  width: number;
  height: number;
} {
  let [left, right, top] = [Infinity, -Infinity, 0];
  for (const f of frames)
    for (let k = 0; k < f.length; k += 2) {
      left = Math.min(left, f[k]!);
      right = Math.max(right, f[k]!);
      top = Math.max(top, f[k + 1]!);
    }
  const room = headRadius;
  return { x: left - room, y: -top - room, width: right - left + 2 * room, height: top + 2 * room };
}
