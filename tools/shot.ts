/** Takes pictures of pages: `npx tsx tools/shot.ts BASE OUTDIR NAME=PATH[@WxH][:dark] …` */
import { chromium } from "@playwright/test";
import path from "node:path";
import { chromiumPath, CHROMIUM_FLAGS } from "./chromium";

const [base = "http://127.0.0.1:3000", out = ".work/shots", ...pages] = process.argv.slice(2);
const browser = await chromium.launch({ executablePath: chromiumPath(), args: CHROMIUM_FLAGS });
for (const spec of pages) {
  const [, name, where, w, h, dark] = /^([^=]+)=([^@]+?)(?:@(\d+)x(\d+))?(:dark)?$/.exec(spec)!;
  const page = await browser.newPage({
    viewport: { width: Number(w ?? 1280), height: Number(h ?? 800) },
    colorScheme: dark ? "dark" : "light",
  });
  page.on("console", (m) => m.type() === "error" && console.log(name, m.text()));
  await page.goto(base + where, { waitUntil: "networkidle" });
  await page.waitForTimeout(700);
  await page.screenshot({ path: path.join(out, `${name}.png`) });
  await page.close();
}
await browser.close();
