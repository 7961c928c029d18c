import type { CheckResult, Verdict } from "@/core/judge";

/** The program's own signs (24 × 24): told apart by shape, always beside a word. */
export type GlyphName = "pass" | "fail" | "unsure";

export const glyphOf = (result: Verdict["result"] | CheckResult | null): GlyphName =>
  result === "pass" ? "pass" : result === "fail" ? "fail" : "unsure";

export const WORDS = {
  pass: "Pass",
  fail: "Fail",
  "not judged": "Not judged",
  "too close": "Too close to call",
  "not measurable": "Not measurable",
} as const;

export function VerdictGlyph({
  name,
  size = 24,
  className = "",
}: {
  name: GlyphName;
  size?: number;
  className?: string;
}) {
  return (
    <svg
      viewBox="0 0 24 24"
      width={size}
      height={size}
      fill="none"
      aria-hidden
      className={`shrink-0 ${className}`}
    >
      {name === "pass" && (
        <>
          <path d="M3.5 5V19M20.5 5V19" stroke="var(--pass)" strokeWidth={4.4} />
          <path
            d="M13.6 0C13.6 4.6 8.8 7.6 9.8 12S15.2 19 12.8 24"
            stroke="var(--ink)"
            strokeWidth={2.8}
          />
        </>
      )}
      {name === "fail" && (
        <>
          <path d="M4.5 5V22M19.5 5V22M0 14.5H24" stroke="var(--fail)" strokeWidth={4} />
          <path d="M13.6 0C13.6 3.4 11.2 5.6 10.8 9.4" stroke="var(--ink)" strokeWidth={2.8} />
        </>
      )}
      {name === "unsure" && (
        <path
          d="M12 3.5A8.5 8.5 0 1 1 11.99 3.5Z"
          stroke="var(--unsure)"
          strokeWidth={3.2}
          strokeDasharray="3.6 3.08"
        />
      )}
    </svg>
  );
}

/** Colour of a check's outcome: the third sign after shape and word. */
export const RESULT_COLOUR = {
  pass: "var(--pass)",
  fail: "var(--fail)",
  "too close": "var(--unsure)",
  "not measurable": "var(--unsure)",
} as const satisfies Record<CheckResult, string>;

/** Lead ● and trail ▲, with the word. */
export function SideMark({ side, className = "" }: { side: "lead" | "trail"; className?: string }) {
  const lead = side === "lead";
  return (
    <span
      className={`inline-flex items-center gap-1.5 font-semibold ${lead ? "text-lead" : "text-trail"} ${className}`}
    >
      {!lead && <SideShape side={side} />}
      {side}
      {lead && <SideShape side={side} />}
    </span>
  );
}

function SideShape({ side }: { side: "lead" | "trail" }) {
  return (
    <svg viewBox="0 0 12 12" width={12} height={12} aria-hidden>
      {side === "lead" ? (
        <circle cx={6} cy={6} r={5.4} fill="var(--lead-fill)" />
      ) : (
        <path d="M6 .6 11.7 11.2H.3Z" fill="var(--trail-fill)" />
      )}
    </svg>
  );
}

export const PRINT = {
  heel: "M5 0C7.1 0 8.3 1.5 8.3 3.6C8.3 5.3 7.8 6.9 7.5 8.2H2.5C2.2 6.9 1.7 5.3 1.7 3.6C1.7 1.5 2.9 0 5 0Z",
  toe: "M2.5 10.2H7.6C8.3 12.6 9.8 14.4 9.8 17.6C9.8 21.3 7.7 24 5.2 24C2.5 24 .3 21.7 .3 17.8C.3 14.5 1.8 12.6 2.5 10.2Z",
};

/** The program's mark: a stream through a gate, a bird's breast on it. */
export function Mark() {
  return (
    <svg viewBox="0 0 24 28" width={24} height={28} fill="none" aria-hidden>
      <path d="M3.5 4V24M20.5 4V24" stroke="var(--ink)" strokeWidth={3} />
      <path
        d="M12.5 0C13.5 5 9 8 10.5 14S14.5 22 12 28"
        stroke="var(--lead-fill)"
        strokeWidth={3.6}
      />
      <circle cx={11} cy={14.5} r={3.4} fill="var(--trail-fill)" />
    </svg>
  );
}
