import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { expect, test, type Page } from "@playwright/test";
import { chooses } from "./alive";
import { answered, filmedFor } from "./begun";
import { readsRecorded } from "./recorded";

const sha = (bytes: Uint8Array) => createHash("sha256").update(bytes).digest("hex");

/** A golfer of their own begins in this browser. */
async function begins(page: Page, name: string): Promise<void> {
  await page.goto("/begin");
  await answered(page);
  // The page's script may come while a name is typed into what the computer drew.
  await page.goto("/you", { waitUntil: "networkidle" });
  await page.getByLabel("Name").fill(name);
  await page.getByRole("button", { name: "Keep this" }).click();
  await expect(page.getByRole("link", { name, exact: true })).toBeVisible();
}

test("a clip that was begun for one golfer is theirs, though another one is chosen in another tab before it is kept", async ({
  page,
  context,
}) => {
  await readsRecorded(page, ["double-step-lead-late"]);
  await begins(page, "Wren Alder");
  const wren = await filmedFor(page);
  await page.goto("/read?drill=double-step");
  // The computer is slow to take what was read.
  let go = () => {};
  const open = new Promise<void>((resolve) => (go = resolve));
  await page.route("**/api/tracks/*", async (route) => {
    await open;
    await route.continue();
  });
  await chooses(page.locator('input[type="file"]'), "demo/clips/double-step-lead-late.mp4");
  const waits = page.waitForRequest("**/api/tracks/*", { timeout: 300_000 });
  await waits;

  const other = await context.newPage();
  await begins(other, "Sorrel Finch");
  await expect(
    page.getByText(
      /(Sorrel Finch|You) was chosen in another tab\. This page is still Wren Alder’s/,
    ),
  ).toBeVisible();
  go();
  await expect(page.getByText("Lead foot down sooner").first()).toBeVisible({ timeout: 120_000 });
  await other.goto("/reps");
  await expect(other.getByText("No reps yet")).toBeVisible();
  // And back to whose it is.
  await other.goto("/you");
  await other.getByRole("listitem").filter({ hasText: "Wren Alder" }).getByRole("button").click();
  await expect(other).toHaveURL(/\/reps/);
  expect((await filmedFor(other)).id).toBe(wren.id);
  await expect(
    other.getByRole("link", { name: /^Rep \d+: Fail, Lead foot down sooner$/ }),
  ).toHaveCount(1);
  await other.close();
});

test("what a page of one golfer's keeps after another was chosen is refused, and nothing of either changes", async ({
  page,
  context,
}) => {
  await begins(page, "Wren Alder");
  await page.goto("/you", { waitUntil: "networkidle" });
  const other = await context.newPage();
  await begins(other, "Sorrel Finch");
  await page.getByLabel("Name").fill("Somebody else");
  await page.getByRole("button", { name: "Keep this" }).click();
  await expect(page.getByText("That could not be kept.")).toBeVisible();
  await other.goto("/you");
  await expect(other.getByLabel("Name")).toHaveValue("Sorrel Finch");
  await expect(other.getByText("Somebody else")).toHaveCount(0);
  await other.close();
});

test.describe("a page from elsewhere", () => {
  let elsewhere: Server;
  test.beforeAll(async () => {
    elsewhere = createServer((_, response) =>
      response
        .setHeader("content-type", "text/html")
        .end("<!doctype html><title>elsewhere</title><p>A page of somebody else's</p>"),
    );
    await new Promise<void>((ready) => elsewhere.listen(0, "127.0.0.1", ready));
  });
  test.afterAll(() => void elsewhere.close());

  test("gets nothing done on any route, by any way a browser has", async ({ page, baseURL }) => {
    await begins(page, "Wren Alder");
    const golfer = await filmedFor(page);
    const [film, track] = [
      readFileSync("demo/clips/double-step-good.mp4"),
      readFileSync("demo/tracks/double-step-good.track"),
    ];
    for (const [kind, bytes] of [
      ["clips", film],
      ["tracks", track],
    ] as const)
      expect((await page.request.put(`/api/${kind}/${sha(bytes)}`, { data: bytes })).ok()).toBe(
        true,
      );
    const rep = {
      golfer,
      clip: { sha256: sha(film), name: "a.mp4", bytes: film.length },
      trackSha256: sha(track),
      drill: "double-step",
    };
    const saved = await page.request.post("/api/reps", { data: rep });
    const { ids } = (await saved.json()) as { ids: [string] };
    const log = async () => (await page.request.get("/api/log?as=json")).text();
    const before = await log();

    // Another port of the same name is the same site, so cookies go along; another name is another
    // site.
    for (const host of ["127.0.0.1", "localhost"]) {
      await page.goto(`http://${host}:${(elsewhere.address() as AddressInfo).port}/`);
      const answers = await page.evaluate(
        async ([base, id, clip, body]) => {
          const tried: [string, string, string?][] = [
            ["GET", "/api/backup"],
            ["HEAD", "/api/backup"],
            ["GET", "/api/log?as=json"],
            ["GET", "/api/corrections"],
            ["GET", `/api/reps/${id}/package`],
            ["GET", `/api/clips/${clip}`],
            ["HEAD", `/api/clips/${clip}`],
            ["POST", "/api/reps", body],
            ["DELETE", `/api/reps?golfer=x&bout=${id}&clip=${clip}`],
            ["PUT", `/api/reps/${id}/corrections`, "[]"],
            ["PUT", `/api/reps/${id}/insoles`, "null"],
            ["POST", `/api/restore/${crypto.randomUUID()}`],
            ["PUT", `/api/restore/${crypto.randomUUID()}?at=0`, "x"],
            ["POST", "/data", "x"],
            ["POST", "/you", "x"],
          ];
          const out: string[] = [];
          for (const [method, at, sent] of tried)
            for (const mode of ["no-cors", "cors"] as const)
              await fetch(base + at, {
                method,
                mode,
                credentials: "include",
                ...(sent === undefined ? {} : { body: sent }),
                headers: { "content-type": "text/plain" },
              }).then(
                (r) => r.type !== "opaque" && out.push(`${mode} ${method} ${at}: ${r.status}`),
                () => undefined,
              );
          return out;
        },
        [baseURL!, ids[0], sha(film), JSON.stringify({ ...rep, drill: "none" })] as const,
      );
      expect(answers).toEqual([]);
      // A form needs no script, and a picture no form.
      await page.setContent(
        `<form method="post" enctype="text/plain" action="${baseURL}/api/reps"><input name='{"a":"' value='"}'></form><img src="${baseURL}/api/clips/${sha(film)}">`,
      );
      await page.locator("form").evaluate((form: HTMLFormElement) => form.submit());
      await expect(page.getByText("Another page asked for this.")).toBeVisible();
    }
    await page.goto(`${baseURL}/reps`);
    expect(await log()).toBe(before);
  });
});
