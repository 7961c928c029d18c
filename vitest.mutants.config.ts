import path from "node:path";
import { defineConfig } from "vitest/config";

/** The tests that mutants of the measures and the judge are held against. */
export default defineConfig({
  resolve: { alias: { "@": path.resolve(import.meta.dirname, "src") } },
  test: {
    include: ["src/core/measures/**/*.test.ts", "src/core/judge/**/*.test.ts"],
    testTimeout: 60_000,
  },
});
