import { execFileSync } from "node:child_process";
import { mkdirSync, writeFileSync } from "node:fs";

/**
 * Keeps a bench's figures under docs/bench/NAME.json with the commit they belong to, and prints
 * them as the last line.
 */
export function report(name: string, figures: Record<string, unknown>, keep = true): void {
  if (keep) {
    mkdirSync("docs/bench", { recursive: true });
    const commit = execFileSync("git", ["rev-parse", "--short", "HEAD"], {
      encoding: "utf8",
    }).trim();
    writeFileSync(
      `docs/bench/${name}.json`,
      `${JSON.stringify({ commit, ...figures }, null, 2)}\n`,
    );
  }
  if (!keep) console.log(JSON.stringify(figures));
}
