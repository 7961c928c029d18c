import { createHash } from "node:crypto";
import path from "node:path";
import { expect, test, type Page } from "@playwright/test";
import { accessible } from "./accessible";
import { OwnServer } from "./ownServer";
import { Phone } from "./phone";

test.describe.configure({ mode: "serial" });

const server = new OwnServer(path.resolve(".work/e2e-range-data"), 3178, {
  address: "127.0.0.2",
  port: 3179,
});
const phone = new Phone(path.resolve(".work/e2e-phone"));
/** A step that a person takes, s. */
const STEP_S = 3;

test.beforeAll(() => server.start());
test.afterAll(async () => {
  await phone.close();
  await server.stop();
});

const range = (query = "") => `${server.phoneBase}/range${query}`;
const waits = (page: Page) => page.locator("section[aria-labelledby=here] > p").first();

test("a phone is let in within two minutes, and only with the golfer's word on the computer", async ({
  page: desk,
}) => {
  await desk.goto(`${server.base}/begin`);
  await desk.getByRole("button", { name: "Try without a camera" }).click();
  await desk.waitForURL(/read/);
  await desk.goto(`${server.base}/phones`, { waitUntil: "networkidle" });
  let steps = 0;
  const step = async (does: Promise<unknown>) => {
    steps++;
    await does;
  };
  const began = Date.now();
  await step(desk.getByRole("button", { name: "Answer phones at home" }).click());
  await accessible(desk);
  await step(desk.getByRole("button", { name: "Show a code" }).click());
  await expect(desk.getByRole("img", { name: /Code to let a phone in/ })).toBeVisible();
  const code = await desk.locator("p.display").innerText();
  const untrusting = await phone.open();
  await expect(untrusting.goto(`${server.phoneBase}/pair`)).rejects.toThrow(/CERT_AUTHORITY/);
  await phone.close();
  phone.trust(`${server.data}/front/home-authority.crt`);
  // Trusting it takes about six steps in a phone's settings.
  steps += 6;
  const page = await phone.open();
  await step(page.goto(`${server.phoneBase}/pair`));
  await accessible(page);
  const answer = (path: string) =>
    page.evaluate(async (p) => {
      const r = await fetch(p);
      return [r.status, await r.text()] as const;
    }, path);
  expect(await answer("/film")).toEqual([401, ""]);
  await step(page.getByLabel("Code").fill(code));
  await page.getByLabel("A name for this phone").fill("Inka’s phone");
  await step(page.getByRole("button", { name: "Ask to be let in" }).click());
  const words = page.locator("#words");
  await expect(words).toHaveText(/^\w+ \w+$/);
  const asks = desk.getByRole("alertdialog", { name: /Inka’s phone asks to be let in/ });
  await expect(asks).toContainText(await words.innerText());
  await step(asks.getByRole("button", { name: "Yes, let it in" }).click());
  await page.waitForURL("**/film");
  await expect(page.getByRole("button", { name: "Start the camera" })).toBeVisible();
  expect(await page.evaluate(() => [isSecureContext, crossOriginIsolated])).toEqual([true, true]);
  expect((Date.now() - began) / 1000 + steps * STEP_S).toBeLessThan(120);

  // A phone lets nobody in, though it may use everything else.
  expect((await answer("/api/range"))[0]).toBe(200);
  expect((await answer("/api/phones"))[0]).toBe(403);
  await expect(desk.getByText("One phone is in")).toBeVisible();
});

test("it starts with the computer off, and a bout is filmed, judged and looked over", async () => {
  const { page } = phone;
  await page.goto(range(), { waitUntil: "networkidle" });
  await page.getByRole("button", { name: "Get it ready" }).click();
  await expect(
    page.getByRole("heading", { name: "Ready for the range", exact: true }),
  ).toBeVisible();
  const sizes = await page.evaluate(async () => {
    const stores = await Promise.all((await caches.keys()).map((name) => caches.open(name)));
    const answers = await Promise.all(
      stores.map(async (s) =>
        Promise.all((await s.keys()).map(async (k) => [k.url, await s.match(k)] as const)),
      ),
    );
    const bytes = await Promise.all(
      answers
        .flat()
        .map(async ([url, a]) => (url.endsWith("-bout.mp4") ? 0 : (await a!.blob()).size)),
    );
    return bytes.reduce((sum, n) => sum + n, 0);
  });
  expect(sizes).toBeLessThan(25e6);
  await phone.close();
  await server.stop();

  const away = await phone.open();
  const began = Date.now();
  await away.goto(range());
  await expect(away.getByRole("link", { name: /All drills|See the drill/ })).toBeVisible();
  expect(Date.now() - began).toBeLessThan(3000);
  await expect(away.getByText(/No computer in reach/)).toBeVisible();
  await accessible(away);
  await away.goto(range("?see=drill&drill=double-step"));
  await expect(away.getByRole("button", { name: "Stop" })).toBeVisible();
  await away.getByRole("link", { name: "Film", exact: true }).click();
  await away.goto(`${away.url()}&reps=3`);
  await away.getByRole("button", { name: "Try without a camera" }).click();
  await expect(away.getByText(/of 3 passed/)).toBeVisible({ timeout: 240_000 });
  // The last film is cut a moment after its rep was told.
  await expect
    .poll(async () => (await rowsOf(away)).every((r) => !r.filming && r.film !== null))
    .toBe(true);
  await phone.close();
});

interface Row {
  at: string;
  filming: boolean;
  /** Its film by hash, hex. */
  film: string | null;
}

/** What waits on the phone. */
const rowsOf = (page: Page): Promise<Row[]> =>
  page.evaluate(async () => {
    const open = indexedDB.open("kingfisher-outbox");
    const db = await new Promise<IDBDatabase>((resolve) => {
      open.onsuccess = () => resolve(open.result);
    });
    const all = db.transaction("reps").objectStore("reps").getAll() as IDBRequest<
      { at: string; filming: boolean; film: { file: Blob } | null }[]
    >;
    const rows = await new Promise<typeof all.result>((resolve) => {
      all.onsuccess = () => resolve(all.result);
    });
    db.close();
    return Promise.all(
      rows.map(async ({ at, filming, film }) => ({
        at,
        filming,
        film:
          film &&
          [...new Uint8Array(await crypto.subtle.digest("SHA-256", await film.file.arrayBuffer()))]
            .map((byte) => byte.toString(16).padStart(2, "0"))
            .join(""),
      })),
    );
  });

/** What the computer keeps of the reps in its log, in order. */
async function logOf(desk: Page): Promise<{ id: string; number: number; verdict: string }[]> {
  await desk.goto(`${server.base}/reps`, { waitUntil: "networkidle" });
  return desk.getByRole("link", { name: /^Rep \d+: / }).evaluateAll((links) =>
    links.map((a) => ({
      id: (a as HTMLAnchorElement).href.split("/").at(-1),
      number: Number(/Rep (\d+)/.exec(a.getAttribute("aria-label") ?? a.textContent)![1]),
      verdict: (a.getAttribute("aria-label") ?? a.textContent).split(": ")[1]!,
    })),
  );
}

test("what was filmed there is here after the browser was closed, and comes home exactly once", async ({
  page: desk,
}) => {
  const page = await phone.open();
  await page.goto(range());
  await expect(waits(page)).toContainText(/3 reps \(\d+ MB\) wait to go home/);
  await page.getByRole("link", { name: /^Double step/ }).click();
  await expect(page.getByRole("heading", { name: /of 3 passed/ })).toBeVisible();
  await page.getByLabel("A note beside it").fill("Soft ground.");
  await page.getByRole("button", { name: "Keep the note" }).click();
  await expect(page.getByText("Kept here until the computer has it.")).toBeVisible();
  await page.locator("ol a").first().click();
  await expect(page.locator("canvas[data-film=ready][data-painted=film]")).toBeVisible();
  await expect(page.locator("[data-strip] svg").first()).toBeVisible();
  await page.getByRole("link", { name: "Compare" }).click();
  await expect(page.getByText("Where do they part?", { exact: false })).toBeVisible();
  const films = (await rowsOf(page)).flatMap(({ film }) => film ?? []);
  expect(films.length).toBeGreaterThan(0);

  await server.start();
  await page.goto(range());
  await expect(waits(page)).toHaveText("The computer has all of it.", { timeout: 60_000 });
  await desk.goto(`${server.base}/reps`);
  const log = await logOf(desk);
  expect(log.map((r) => r.number).sort()).toEqual([1, 2, 3]);
  for (const film of films)
    expect(
      createHash("sha256")
        .update(await (await desk.request.get(`${server.base}/api/clips/${film}`)).body())
        .digest("hex"),
    ).toBe(film);
  // Once more changes nothing.
  await page.reload();
  await expect(waits(page)).toHaveText("The computer has all of it.");
  expect(await logOf(desk)).toEqual(log);
  await page.getByRole("link", { name: /^Double step/ }).click();
  await expect(page.getByText("The computer has it.")).toBeVisible();
});

test("a phone that is put out is out at once; its reps stay on it", async ({ page: desk }) => {
  const { page } = phone;
  await desk.goto(`${server.base}/phones`, { waitUntil: "networkidle" });
  await desk.getByRole("button", { name: /^Put .* out$/ }).click();
  await expect(desk.getByText("No phone is in yet")).toBeVisible();
  expect(await page.evaluate(async () => (await fetch("/api/reps")).status)).toBe(401);
  await page.goto(range());
  await expect(page.getByText(/does not know this phone any more/)).toBeVisible();
  await expect(page.getByRole("link", { name: /^Double step/ })).toBeVisible();
});
