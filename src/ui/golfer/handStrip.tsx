import { PRINT, SideMark } from "@/ui/kit/glyphs";

/** Shows which foot leads, the same way round as the film will show it. */
export function HandStrip({ hand }: { hand: "left" | "right" }) {
  const bank = (side: "lead" | "trail") => (
    <div className="flex flex-1 items-center justify-center bg-silt py-2" key={side}>
      <svg viewBox="-6 -2 22 28" width={40} height={50} aria-hidden>
        <g
          transform={`rotate(${(side === "lead") === (hand === "right") ? -9 : 9} 5 12) ${(side === "lead") === (hand === "right") ? "" : "translate(10 0) scale(-1 1)"}`}
          fill={`var(--${side}-fill)`}
        >
          <path d={PRINT.heel} />
          <path d={PRINT.toe} />
        </g>
      </svg>
    </div>
  );
  const water = (
    <div key="water" className="flex flex-[2] items-center justify-center gap-6 bg-water">
      {hand === "right"
        ? [<SideMark key="t" side="trail" />, <SideMark key="l" side="lead" />]
        : [<SideMark key="l" side="lead" />, <SideMark key="t" side="trail" />]}
    </div>
  );
  const order = hand === "right" ? (["trail", "lead"] as const) : (["lead", "trail"] as const);
  return (
    <div className="mt-2 flex" aria-hidden>
      {bank(order[0])}
      <div className="w-2" style={{ background: `var(--${order[0]}-fill)` }} />
      {water}
      <div className="w-2" style={{ background: `var(--${order[1]}-fill)` }} />
      {bank(order[1])}
    </div>
  );
}
