/** Runs the steps of a test command one after another or side by side, counts and times them. */
import { spawn } from "node:child_process";
import { root } from "./setup.mjs";

const began = Date.now();
const results = [];
const seconds = (ms) => (ms / 1000).toFixed(0);

/**
 * Runs a command; counts it as one check, or by what `count` reads from what it left.
 *
 * @param beside another step runs meanwhile: this one gives way to it, and what it prints is shown
 *   when it has ended
 * @returns whether it succeeded
 */
export async function step(name, [command, ...args], { count, beside = false } = {}) {
  if (!beside) console.log(`\n── ${name}`);
  const at = Date.now();
  const child = beside
    ? spawn("nice", ["-n", "10", command, ...args], {
        cwd: root,
        stdio: ["ignore", "pipe", "pipe"],
      })
    : spawn(command, args, { cwd: root, stdio: "inherit" });
  const printed = [];
  child.stdout?.on("data", (chunk) => printed.push(chunk));
  child.stderr?.on("data", (chunk) => printed.push(chunk));
  const status = await new Promise((resolve) =>
    child.on("close", resolve).on("error", () => resolve(1)),
  );
  if (beside) console.log(`\n── ${name}\n${Buffer.concat(printed)}`);
  const ok = status === 0;
  const { passed, failed } = count?.() ?? { passed: ok ? 1 : 0, failed: ok ? 0 : 1 };
  results.push({ name, ms: Date.now() - at, ok, passed, failed: !ok && !failed ? 1 : failed });
  console.log(`── ${name}: ${ok ? "ok" : "FAILED"}, ${seconds(Date.now() - at)} s`);
  return ok;
}

/**
 * Prints how long each step took and the closing line, and ends.
 *
 * @param budgetMin minutes that all of it may take
 */
export function end(budgetMin = Infinity) {
  const minutes = (Date.now() - began) / 60_000;
  if (minutes > budgetMin)
    results.push({
      name: `within ${budgetMin} minutes`,
      ms: 0,
      ok: false,
      passed: 0,
      failed: 1,
    });
  const width = Math.max(...results.map((r) => r.name.length));
  console.log("");
  for (const { name, ms, ok, passed } of results)
    console.log(`${name.padEnd(width)}  ${seconds(ms).padStart(5)} s  ${ok ? passed : "FAILED"}`);
  console.log(`${"all".padEnd(width)}  ${minutes.toFixed(1)} minutes\n`);
  const sum = (key) => results.reduce((n, r) => n + r[key], 0);
  console.log(`${sum("passed")} passed, ${sum("failed")} failed`);
  process.exit(sum("failed") ? 1 : 0);
}
