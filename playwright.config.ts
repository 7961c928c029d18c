import { defineConfig } from "@playwright/test";
import { chromiumPath, CHROMIUM_FLAGS } from "./tools/chromium";

/** Files that share a store run one after another; the two stores side by side. */
const STORES = [
  {
    name: "desk",
    port: 3177,
    files: ["firstClip", "sample", "drills", "yourDrill", "yourPractice"],
  },
  { name: "phone", port: 3178, files: ["twoGolfers", "yourEvening", "yourRepLoop"] },
].map((s) => ({
  ...s,
  url: `http://127.0.0.1:${s.port}`,
  data: `.work/e2e-data/${s.name}`,
}));

export default defineConfig({
  testDir: "tests/e2e",
  outputDir: ".work/test-results",
  workers: STORES.length,
  // A busy machine loses a click that comes before a page answers; which tests needed a second try
  // is printed.
  retries: process.env.CI ? 1 : 0,
  timeout: 600_000,
  expect: { timeout: 60_000 },
  reporter: [["list"], ["json", { outputFile: ".work/e2e.json" }]],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: chromiumPath(), args: CHROMIUM_FLAGS },
    screenshot: "only-on-failure",
  },
  projects: STORES.map(({ name, files, url }) => ({
    name,
    workers: 1,
    testMatch: files.map((f) => `${f}.spec.ts`),
    use: { baseURL: url },
  })),
  webServer: STORES.map(({ port, url, data }) => ({
    command: `rm -rf ${data} && node node_modules/next/dist/bin/next start -H 127.0.0.1 -p ${port}`,
    url: `${url}/begin`,
    env: { KINGFISHER_DATA: data, NEXT_TELEMETRY_DISABLED: "1" },
    timeout: 300_000,
  })),
});
