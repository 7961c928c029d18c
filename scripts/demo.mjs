// npm run demo [-- --port 3000] [--reset]: installs, builds, loads the demo data once, and starts
// on 127.0.0.1.
import { createHash } from "node:crypto";
import { spawn } from "node:child_process";
import { existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import path from "node:path";
import { parseArgs } from "node:util";
import { bin, install, root, run } from "./setup.mjs";

const { values } = parseArgs({
  options: {
    port: { type: "string", default: "3000" },
    reset: { type: "boolean", default: false },
  },
});
const port = Number(values.port);
if (!Number.isInteger(port) || port < 1 || port > 65535) {
  console.error(`--port takes a number from 1 to 65535, got ${values.port}`);
  process.exit(2);
}
const data = path.resolve(root, process.env.KINGFISHER_DATA ?? "data");
process.env.KINGFISHER_DATA = data;

await portFree();
install();
if (values.reset) rmSync(data, { recursive: true, force: true });
build();
const seeded = path.join(data, "demo-loaded");
if (!existsSync(seeded)) {
  run(process.execPath, ["bin/run.mjs", "demo/seed.ts"]);
  writeFileSync(seeded, new Date().toISOString());
}
const server = spawn(
  process.execPath,
  [
    path.join(root, "node_modules/next/dist/bin/next"),
    "start",
    "-H",
    "127.0.0.1",
    "-p",
    String(port),
  ],
  { cwd: root, stdio: ["ignore", "pipe", "inherit"], env: process.env },
);
server.stdout.on("data", (chunk) => {
  const text = String(chunk);
  if (text.includes("Ready"))
    console.log(`\nKingfisher is at http://127.0.0.1:${port}  (Ctrl+C stops it)\n`);
  else if (!/^\s*(▲|-|✓)/.test(text)) process.stdout.write(text);
});
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
server.on("exit", (code) => process.exit(code ?? 0));

/** Builds unless the last build was made from the same sources. */
function build() {
  const hash = createHash("sha256");
  const walk = (p) => {
    if (statSync(p).isDirectory()) for (const f of readdirSync(p).sort()) walk(path.join(p, f));
    else hash.update(path.relative(root, p)).update(readFileSync(p));
  };
  for (const p of [
    "src",
    "next.config.ts",
    "package-lock.json",
    "postcss.config.mjs",
    "tsconfig.json",
  ])
    walk(path.join(root, p));
  const now = hash.digest("hex");
  const mark = path.join(root, ".next/built-from");
  if (existsSync(mark) && readFileSync(mark, "utf8") === now) return;
  run(bin("next"), ["build"]);
  writeFileSync(mark, now);
}

function portFree() {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once("error", () => {
      console.error(
        `Port ${port} is taken. Stop what runs there, or choose another: npm run demo -- --port ${port + 1}`,
      );
      process.exit(1);
    });
    probe.listen(port, "127.0.0.1", () => probe.close(resolve));
  });
}
