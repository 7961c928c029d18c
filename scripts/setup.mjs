// What both commands need before anything else runs: npm packages, the network's files. Uses only
// what Node brings.
import { spawnSync } from "node:child_process";
import { existsSync, statSync } from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";

export const root = path.dirname(path.dirname(fileURLToPath(import.meta.url)));
process.env.NEXT_TELEMETRY_DISABLED = "1";

/** Runs a command with its output shown; leaves with its status when it fails. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: "inherit", ...options });
  if (error) throw error;
  if (status !== 0) process.exit(status ?? 1);
}

export const bin = (name) => path.join(root, "node_modules/.bin", name);

/** Installs the packages of the lockfile when they are missing or older than it. */
export function install() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    console.error(`Node ${process.versions.node} is too old: install Node 20.19 or newer.`);
    process.exit(1);
  }
  const done = path.join(root, "node_modules/.package-lock.json");
  const lock = path.join(root, "package-lock.json");
  if (!existsSync(done) || statSync(done).mtimeMs < statSync(lock).mtimeMs)
    run("npm", ["ci", "--no-audit", "--no-fund"]);
  run(process.execPath, ["scripts/prepare-runtime.mjs"]);
}

/** A program from Debian's packages: installed where we are root, else told. */
export function need(program, packages, why) {
  const found = [`/usr/bin/${program}`, `/usr/local/bin/${program}`].find(existsSync);
  if (found) return found;
  const command = `apt-get install -y ${packages}`;
  if (process.getuid?.() !== 0 || !existsSync("/usr/bin/apt-get")) {
    console.error(`${program} is missing (${why}). Install it with: sudo ${command}`);
    process.exit(1);
  }
  run("apt-get", ["-o", "DPkg::Lock::Timeout=300", "-qq", "update"]);
  run(
    "apt-get",
    ["-o", "DPkg::Lock::Timeout=300", "-qq", "-y", "install", ...packages.split(" ")],
    { env: { ...process.env, DEBIAN_FRONTEND: "noninteractive" } },
  );
  return need(program, packages, why);
}
