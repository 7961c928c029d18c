import { AIM_STEPS, type Aim, type AimState } from "@/core/film";

/** The steps of the aim check: done, at hand, and to come. */
export function AimSteps({ aim }: { aim: Aim }) {
  const now = aim.wrong?.step;
  return (
    <ol className="grid grid-cols-5 gap-2" aria-label="Is the phone right?">
      {AIM_STEPS.map((step) => {
        const state = aim.steps[step];
        return (
          <li
            key={step}
            className={`text-[15px] ${step === now ? "font-semibold" : state === "right" ? "" : "text-ink-2"}`}
          >
            <svg
              viewBox="0 0 64 6"
              preserveAspectRatio="none"
              className="mb-1 block h-1.5 w-full"
              aria-hidden
            >
              {step === now ? (
                <line
                  x1={0}
                  x2={64}
                  y1={3}
                  y2={3}
                  stroke="var(--ink)"
                  strokeWidth={6}
                  strokeDasharray="8 4"
                />
              ) : (
                <rect
                  width={64}
                  height={6}
                  fill={state === "right" ? "var(--ink)" : "var(--hair)"}
                />
              )}
            </svg>
            {step}
            {MARK[state]}
            <span className="sr-only">: {step === now ? "to be put right" : SAID[state]}</span>
          </li>
        );
      })}
    </ol>
  );
}

const MARK: Record<AimState, string> = { right: " ✓", wrong: "", open: "", unmeasured: " –" };
const SAID: Record<AimState, string> = {
  right: "right",
  wrong: "not right",
  open: "not looked at yet",
  unmeasured: "this device can’t tell",
};

/**
 * Over the picture: where feet belong. @param size of the camera's picture, px @param left which
 * foot is seen on the left; null where one hides the other
 */
export function FeetBelong({
  size: { width, height },
  left,
}: {
  size: { width: number; height: number };
  left: "lead" | "trail" | null;
}) {
  const unit = Math.min(width, height) / 100;
  const y = FEET_ROW * height;
  const print = (side: -1 | 1, foot: "lead" | "trail") => (
    <g
      transform={`translate(${width / 2 + side * 9 * unit} ${y + 7.5 * unit}) scale(${unit}) rotate(${side * 8})`}
    >
      {[
        { stroke: "var(--ink)", strokeWidth: 2 },
        { stroke: `var(--${foot}-fill)`, strokeWidth: 1.1, strokeDasharray: "1.9 0.9" },
      ].map((line) => (
        <g key={line.stroke} fill="none" {...line}>
          <ellipse cx={0} cy={-2.6} rx={2.6} ry={3} />
          <ellipse cx={0} cy={3.6} rx={3.1} ry={3.8} />
        </g>
      ))}
    </g>
  );
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      preserveAspectRatio="xMidYMid meet"
      className="absolute inset-0 h-full w-full"
      aria-hidden
    >
      <line x1={0} x2={width} y1={y} y2={y} stroke="var(--ink)" strokeWidth={1.1 * unit} />
      <line
        x1={0}
        x2={width}
        y1={y}
        y2={y}
        stroke="var(--paper)"
        strokeWidth={0.7 * unit}
        strokeDasharray={`${3 * unit} ${1.5 * unit}`}
      />
      <g transform={`translate(${2 * unit} ${y - 9 * unit})`}>
        <rect width={60 * unit} height={8 * unit} fill="var(--ink)" />
        <text x={2 * unit} y={5.7 * unit} fontSize={5 * unit} fontWeight={600} fill="var(--paper)">
          your feet belong here
        </text>
      </g>
      {left && print(-1, left)}
      {left && print(1, left === "lead" ? "trail" : "lead")}
    </svg>
  );
}

/**
 * Feet stand below this row of the picture, share of its height: with a level phone at hip height
 * the head then has as much room above.
 */
const FEET_ROW = 0.8;
