import { spawn } from "node:child_process";
import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { chromium, type BrowserContext, type Page } from "@playwright/test";
import { CHROMIUM_FLAGS, chromiumPath } from "../chromium";

export interface Site {
  base: string;
  /** Where the site's data and the browser's profile are. */
  dir: string;
  context: BrowserContext;
  /** A page that has the site open. */
  page: Page;
  end(): Promise<void>;
}

/** The built site with an empty store, and a browser that has it open (after a build). */
export async function openSite(name: string, port: number): Promise<Site> {
  const dir = mkdtempSync(path.join(os.tmpdir(), `kingfisher-${name}-`));
  const base = `http://127.0.0.1:${port}`;
  const server = spawn(
    process.execPath,
    ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", `${port}`],
    {
      env: {
        ...process.env,
        KINGFISHER_DATA: path.join(dir, "data"),
        NEXT_TELEMETRY_DISABLED: "1",
      },
      stdio: "ignore",
    },
  );
  const context = await chromium.launchPersistentContext(path.join(dir, "profile"), {
    executablePath: chromiumPath(),
    args: CHROMIUM_FLAGS,
    viewport: { width: 1280, height: 800 },
  });
  const end = async () => {
    await context.close();
    server.kill();
  };
  const page = await context.newPage();
  for (let tries = 0; tries < 60; tries++)
    try {
      await page.goto(`${base}/begin`);
      return { base, dir, context, page, end };
    } catch {
      await new Promise((r) => setTimeout(r, 1000));
    }
  await end();
  throw new Error("the site did not answer: is it built?");
}
