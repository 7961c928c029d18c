import path from "node:path";
import { defineConfig } from "vitest/config";

export default defineConfig({
  resolve: { alias: { "@": path.resolve(import.meta.dirname, "src") } },
  test: {
    include: ["src/**/*.test.ts", "tools/**/*.test.ts", "tests/unit/**/*.test.ts"],
    // node-av ends a worker thread with an abort; its own process it leaves in peace.
    pool: "forks",
    execArgv: ["--experimental-wasm-relaxed-simd"],
    env: { KINGFISHER_DB_TEMPLATES: path.resolve(import.meta.dirname, ".work/db-templates") },
    testTimeout: 60_000,
    hookTimeout: 60_000,
  },
});
