import { DRILLS } from "../core/drills";
import type { AnalysisJson } from "../core/formats";
import { CATALOGUE, type MeasureId } from "../core/measures";
import { WHY } from "../core/uncertainty";

/**
 * An analysis as a table for people: verdict first, then checks, then everything else that was
 * measured.
 */
export function table(a: AnalysisJson): string {
  const lines = [
    `${a.clip}  ${a.video.width} × ${a.video.height}, ${a.video.frames} pictures at ${a.video.fps.toFixed(0)} a second`,
  ];
  for (const p of a.problems) lines.push(`  ! ${p.message}`);
  for (const rep of a.reps) {
    const v = rep.verdict;
    if (v)
      lines.push(
        `  ${v.result.toUpperCase()}${v.cue ? `: ${v.cue.words}` : ""}${v.reason ? `: ${v.reason.message}` : ""}`,
      );
    const names = new Map(
      DRILLS.flatMap((d) => d.stages.flatMap((s) => s.checks.map((c) => [c.id, c.name] as const))),
    );
    for (const c of v?.checks ?? []) {
      const [lo, hi] = c.band;
      const { unit } = CATALOGUE[c.measure as MeasureId];
      const band =
        lo === null
          ? `${number(hi!)} or less`
          : hi === null
            ? `${number(lo)} or more`
            : `${number(lo)} to ${number(hi)}`;
      const value =
        c.value === null
          ? "–"
          : `${number(c.value)}${c.u === null ? "" : ` ± ${number(2 * c.u)}`} ${unit}`;
      lines.push(
        `    ${c.result.padEnd(15)} ${(names.get(c.id) ?? c.id).padEnd(30)} ` +
          `${value.padStart(18)}   wanted ${band} ${unit}${c.must ? "" : `  (${c.level})`}`,
      );
    }
    lines.push("    also measured");
    const judged = new Set(v?.checks.map((c) => c.measure));
    for (const [id, m] of Object.entries(rep.measures)) {
      if (judged.has(id) || NOT_ITS_OWN.has(m.reason ?? "")) continue;
      const value =
        m.value === null || m.u === null
          ? (m.reason ?? "not measurable")
          : `${number(m.value)} ± ${number(2 * m.u)} ${m.unit === "ratio" ? "" : m.unit}`;
      lines.push(`      ${CATALOGUE[id as MeasureId].name.padEnd(42)} ${value}`);
    }
    lines.push(
      `    events, ms: ${Object.entries(rep.events)
        .map(([name, e]) => `${name} ${e.t.toFixed(0)} ± ${(2 * e.u).toFixed(0)}`)
        .join(", ")}`,
    );
  }
  return `${lines.join("\n")}\n`;
}

/** Measures of another view or kind of rep are no news. */
const NOT_ITS_OWN = new Set<string>([WHY.otherView, WHY.otherKind]);

const number = (x: number): string =>
  (Math.abs(x) < 20 ? x.toFixed(1) : x.toFixed(0)).replace("-", "−");
