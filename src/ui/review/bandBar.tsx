import { scaleLinear } from "d3-scale";
import type { CheckVerdict } from "@/core/judge";
import { RESULT_COLOUR } from "@/ui/kit/glyphs";

const W = 124;
/** A check's band with its sure part (inside by U = 2u), its limits, and the value with ± U. */
export function BandBar({ check }: { check: CheckVerdict }) {
  const [lo, hi] = check.band;
  const U = 2 * (check.u ?? 0);
  const marks = [lo, hi, check.value].filter((v): v is number => v !== null);
  const span = Math.max(Math.max(...marks) - Math.min(...marks), U * 2, 1e-6);
  const x = scaleLinear(
    [Math.min(...marks) - span * 0.35 - U * 0.5, Math.max(...marks) + span * 0.35 + U * 0.5],
    [0, W],
  ).clamp(true);
  const [a, b] = [lo === null ? 0 : x(lo), hi === null ? W : x(hi)];
  const [sureA, sureB] = [lo === null ? 0 : x(lo + U), hi === null ? W : x(hi - U)];
  const colour = RESULT_COLOUR[check.result];
  return (
    <svg viewBox={`0 0 ${W} 16`} width={W} height={16} aria-hidden className="block">
      <rect x={0} y={5} width={W} height={6} fill="var(--silt)" />
      <rect x={a} y={5} width={Math.max(b - a, 0)} height={6} fill="var(--water)" />
      {sureB > sureA && (
        <rect x={sureA} y={9.5} width={sureB - sureA} height={1.5} fill="var(--edge)" />
      )}
      {[lo, hi].map(
        (v) =>
          v !== null && <path key={v} d={`M${x(v)} 1V15`} stroke="var(--ink)" strokeWidth={2} />,
      )}
      {check.value !== null && (
        <>
          <path
            d={`M${x(check.value - U)} 8H${x(check.value + U)}`}
            stroke="var(--paper)"
            strokeWidth={5}
          />
          <path
            d={`M${x(check.value - U)} 8H${x(check.value + U)}`}
            stroke={colour}
            strokeWidth={2.6}
          />
          <circle
            cx={x(check.value)}
            cy={8}
            r={4.6}
            fill={colour}
            stroke="var(--paper)"
            strokeWidth={1.4}
          />
        </>
      )}
    </svg>
  );
}
