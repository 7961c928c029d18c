import { CATALOGUE, type MeasureId } from "../../../src/core/measures";
import type { Pair } from "../../study/compare";
import { binomialInterval, figures } from "../../study/figures";
import type { Target } from "./targets";
import type { Tally } from "./verdicts";

/** Tables of docs/accuracy.md, as Markdown. */
export const show = (v: number | null, places = 1): string =>
  v === null || Number.isNaN(v) ? "–" : v.toFixed(places);
const table = (head: string[], rows: string[][]): string =>
  [
    `| ${head.join(" | ")} |`,
    `|${head.map(() => "---").join("|")}|`,
    ...rows.map((r) => `| ${r.join(" | ")} |`),
  ].join("\n");

export function targetTable(targets: readonly Target[]): string {
  return table(
    ["figure", "target", "reached", "n", ""],
    targets.map((t) => [
      t.name,
      `≤ ${t.most} ${t.unit}`,
      t.rms === null ? "no such rep" : `${show(t.rms, 2)} ${t.unit}`,
      String(t.n),
      t.met === null ? "" : t.met ? "met" : "**not met**",
    ]),
  );
}

/**
 * How often value ± 2u held the truth; judged from 30 reps on, by the exact interval against 90–99
 * %.
 */
export function coverage(pairs: readonly Pair[]): { text: string; ok: boolean | null } {
  const f = figures(pairs);
  if (f.of === 0) return { text: "–", ok: null };
  const share = `${Math.round((100 * f.within) / f.of)} %`;
  if (f.of < 30) return { text: `${f.within} of ${f.of}`, ok: null };
  const [low, high] = binomialInterval(f.within, f.of);
  return { text: share, ok: !(high < 0.9 || low > 0.99) };
}

export function errorTable(map: Map<string, Pair[]>, unitOf: (id: string) => string): string {
  const rows = [...map]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([id, pairs]) => {
      const f = figures(pairs);
      const c = coverage(pairs);
      return [
        id,
        unitOf(id),
        String(f.n),
        show(f.bias),
        show(f.rms),
        show(f.u),
        c.text + (c.ok === false ? " **!**" : ""),
      ];
    });
  return table(["", "unit", "n", "bias", "rms", "middle u", "truth within 2u"], rows);
}

export const measureTable = (map: Map<string, Pair[]>): string =>
  errorTable(map, (id) => CATALOGUE[id as MeasureId]?.unit ?? "");

export function tallyTable(rows: [string, Tally][]): string {
  const share = (a: number, b: number) =>
    b ? `${a} of ${b} (${((100 * a) / b).toFixed(1)} %)` : "–";
  return table(
    [
      "",
      "good",
      "faulty",
      "nearer than that",
      "false passes",
      "good ones that failed",
      "verdict as the truth",
      "good ones not judged",
    ],
    rows.map(([name, t]) => [
      name,
      String(t.good),
      String(t.faulty),
      String(t.near),
      String(t.falsePasses),
      String(t.falseFails),
      share(t.agreed, t.judged),
      `${share(t.goodNotJudged, t.good)}${
        t.goodNotJudged
          ? `: ${Object.entries(t.reasons)
              .map(([k, n]) => `${k} ${n}`)
              .join(", ")}`
          : ""
      }`,
    ]),
  );
}

export { table };
