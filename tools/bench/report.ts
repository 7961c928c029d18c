import { execFileSync } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";

/** The commit that figures belong to. */
export const commitNow = () =>
  execFileSync("git", ["rev-parse", "--short", "HEAD"], { encoding: "utf8" }).trim();

function keepFigures(name: string, figures: Record<string, unknown>): void {
  mkdirSync("docs/bench", { recursive: true });
  writeFileSync(`docs/bench/${name}.json`, `${JSON.stringify(figures, null, 2)}\n`);
}

/**
 * Keeps a bench's figures under docs/bench/NAME.json with the commit they belong to, or prints them
 * as the last line.
 */
export function report(name: string, figures: Record<string, unknown>, keep = true): void {
  if (keep) keepFigures(name, { commit: commitNow(), ...figures });
  else console.log(JSON.stringify(figures));
}

/**
 * Keeps the figures of those parts of a bench that ran, each with its commit, beside the others.
 */
export function reportParts(name: string, parts: Record<string, Record<string, unknown>>): void {
  const file = `docs/bench/${name}.json`;
  const kept = existsSync(file)
    ? (JSON.parse(readFileSync(file, "utf8")) as Record<string, unknown>)
    : {};
  const commit = commitNow();
  const now = Object.entries(parts).map(([part, figures]) => [part, { commit, ...figures }]);
  keepFigures(name, { ...kept, ...Object.fromEntries(now) });
}
