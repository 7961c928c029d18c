import { defineConfig } from "@playwright/test";
import { chromiumPath, CHROMIUM_FLAGS } from "./tools/chromium";

const port = 3177;
const data = ".work/e2e-data";

export default defineConfig({
  testDir: "tests/e2e",
  outputDir: ".work/test-results",
  workers: 1,
  // A busy machine loses a click that comes before a page answers; which tests needed a second try
  // is printed.
  retries: process.env.CI ? 1 : 0,
  timeout: 600_000,
  expect: { timeout: 60_000 },
  reporter: [["list"], ["json", { outputFile: ".work/e2e.json" }]],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: chromiumPath(), args: CHROMIUM_FLAGS },
    screenshot: "only-on-failure",
  },
  webServer: {
    command: `rm -rf ${data} && node node_modules/next/dist/bin/next start -H 127.0.0.1 -p ${port}`,
    url: `http://127.0.0.1:${port}/begin`,
    env: { KINGFISHER_DATA: data, NEXT_TELEMETRY_DISABLED: "1" },
    timeout: 300_000,
  },
});
