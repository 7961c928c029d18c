import path from "node:path";
import { defineConfig } from "vitest/config";

/** Tests that share nothing but code: files of one worker load each module once. */
const PURE = ["src/core/**/*.test.ts", "src/ui/**/*.test.ts", "tests/core/*.test.ts"];

export default defineConfig({
  resolve: { alias: { "@": path.resolve(import.meta.dirname, "src") } },
  test: {
    // node-av ends a worker thread with an abort; its own process it leaves in peace.
    pool: "forks",
    maxWorkers: 2,
    execArgv: ["--experimental-wasm-relaxed-simd"],
    env: { KINGFISHER_DB_TEMPLATES: path.resolve(import.meta.dirname, ".work/db-templates") },
    testTimeout: 60_000,
    hookTimeout: 60_000,
    projects: [
      { extends: true, test: { name: "core", include: PURE, isolate: false } },
      {
        extends: true,
        test: {
          name: "devices",
          include: [
            "src/{vision,server,front,cli,app}/**/*.test.ts",
            "tools/**/*.test.ts",
            "tests/unit/*.test.ts",
          ],
        },
      },
      { extends: true, test: { name: "long", include: ["tests/long/*.test.ts"] } },
    ],
  },
});
