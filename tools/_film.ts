import { chromium } from "@playwright/test";
import { chromiumPath, CHROMIUM_FLAGS } from "./chromium";
const [base, secs, size, how] = process.argv.slice(2);
const [width, height] = (size ?? "390x844").split("x").map(Number) as [number, number];
const browser = await chromium.launch({ executablePath: chromiumPath(), args: [...CHROMIUM_FLAGS, "--use-fake-ui-for-media-stream", "--use-fake-device-for-media-stream", "--autoplay-policy=no-user-gesture-required"] });
const page = await browser.newPage({ viewport: { width, height } });
page.on("console", (m) => m.text().includes("ANSWER") || m.type() === "error" && !m.text().includes("INFO") && !m.text().includes("WARNING") && console.log("console", m.text()));
page.on("pageerror", (e) => console.log("pageerror", e.message));
await page.goto(`${base}/film?drill=double-step&reps=10`);
await page.getByRole("button", { name: how === "camera" ? "Start the camera" : "Try without a camera" }).click();
const began = Date.now();
let last = "";
let n = 0;
while (Date.now() - began < Number(secs) * 1000) {
  const text = (await page.locator("body").innerText().catch(() => "")).split("\n").filter((l) => !/^(Kingfisher|Drills|Read clips|Reps|Daylight|Sound|Pause|End the|Stop the|To the page)/.test(l)).join(" | ").slice(-260);
  if (text !== last) { console.log(((Date.now() - began) / 1000).toFixed(1), text); last = text; if (n < 40) await page.screenshot({ path: `/tmp/d/shots/film-${String(n++).padStart(2, "0")}.png` }); }
  await page.waitForTimeout(150);
}
await browser.close();
process.exit(0);
