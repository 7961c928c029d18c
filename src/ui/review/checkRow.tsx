import type { CheckVerdict } from "@/core/judge";
import { CATALOGUE } from "@/core/measures";
import { glyphOf, VerdictGlyph, WORDS } from "@/ui/kit/glyphs";
import { shownNumber, shownUnit, toldAs, wanted, type Units } from "@/ui/kit/units";
import { ROLE_WORDS } from "@/ui/kit/roles";
import { Button } from "@/ui/kit/button";
import { BandBar } from "./bandBar";

const TEXT = {
  pass: "text-pass",
  fail: "text-fail",
  "too close": "text-unsure",
  "not measurable": "text-unsure",
} as const;

/** What 'too close' lacks (docs/movement.md, verdict rule 5), and how sure the film is. */
function lacks({ result, value, u, band: [lo, hi], measure }: CheckVerdict, units: Units): string {
  if (value === null || u === null) return "";
  const { unit } = CATALOGUE[measure];
  const show = (v: number) => `${shownNumber(v, unit, units)} ${shownUnit(unit, units)}`.trim();
  const sure = `The film is sure to ${show(2 * u)}.`;
  if (result !== "too close") return sure;
  const limit =
    lo === null ? hi! : hi === null ? lo : Math.abs(value - lo) < Math.abs(value - hi) ? lo : hi;
  return (
    `${show(Math.abs(value - limit))} from the limit, ${show(limit)}. ${sure} ` +
    `${(limit === lo ? value > lo : value < limit) ? "Nearer the middle" : "Inside by so much"} ` +
    "and it is a pass."
  );
}

/** One check: sign, name, what is wanted; value ± U and its band. */
export function CheckRow({
  check,
  name,
  units,
  reason,
  at,
  zero,
  seek,
}: {
  check: CheckVerdict;
  name: string;
  units: Units;
  reason?: string | undefined;
  at?: number | undefined;
  zero: number;
  seek: (ms: number) => void;
}) {
  const { unit, definition } = CATALOGUE[check.measure];
  return (
    <div className="grid grid-cols-[24px_1fr_auto] items-start gap-x-3">
      <VerdictGlyph name={glyphOf(check.result)} />
      <details className="group min-w-0">
        <summary className="list-none leading-tight">
          <span className="block font-bold underline-offset-4 group-hover:underline">{name}</span>
          <span className="text-[14px] text-ink-2">
            <span className="sr-only">{WORDS[check.result]}. </span>
            {ROLE_WORDS[check.level]}: {wanted(check.band, check.measure, units)}
          </span>
        </summary>
        <div className="absolute z-10 mt-1 max-w-72 border border-edge bg-paper p-3 text-[15px]">
          <p>{definition}</p>
          <p className="mt-2">{lacks(check, units)}</p>
          {at !== undefined && (
            <Button className="mt-2" onClick={() => seek(at)}>
              Show its picture,{" "}
              {Math.round(at - zero)
                .toString()
                .replace("-", "−")}{" "}
              ms
            </Button>
          )}
        </div>
      </details>
      <div className="text-right leading-tight">
        {check.value === null || check.u === null ? (
          <span className="block max-w-36 text-[14px] text-ink-2">
            {reason ?? "not measurable"}
          </span>
        ) : (
          <span className={TEXT[check.result]}>
            <strong className="text-[18px]">
              {shownNumber(toldAs(check.value, check.measure), unit, units)}
            </strong>{" "}
            <span className="text-[14px] text-ink-2">
              ± {shownNumber(2 * check.u, unit, units)} {shownUnit(unit, units)}
            </span>
          </span>
        )}
        <span className="mt-1 block">
          <BandBar check={check} />
        </span>
      </div>
    </div>
  );
}
