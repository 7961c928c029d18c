import { mkdtemp, readFile, rm } from "node:fs/promises";
import { readdirSync } from "node:fs";
import http from "node:http";
import https from "node:https";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterAll, beforeAll, expect, it } from "vitest";
import { Front } from "../../src/front/front";

const APP = path.resolve("src/app");
const METHODS = ["GET", "HEAD", "POST", "PUT", "PATCH", "DELETE"] as const;
/** Open to everybody by design (docs/threat-model.md). */
const OPEN = new Set(["GET /pair", "HEAD /pair", "POST /pair", "GET /trust", "HEAD /trust"]);

let dir: string;
let program: http.Server;
let front: Front;
/** What got through to the program. */
const through: string[] = [];

beforeAll(async () => {
  dir = await mkdtemp(path.join(tmpdir(), "front-routes-"));
  program = http.createServer((request, response) => {
    through.push(`${request.method} ${request.url}`);
    response.end();
  });
  await new Promise<void>((resolve) => program.listen(0, "127.0.0.1", resolve));
  front = await Front.open({
    dir,
    home: `127.0.0.1:${(program.address() as AddressInfo).port}`,
    port: 0,
    place: () => ({ name: "kingfisher-den.local", addresses: ["127.0.0.1"] }),
  });
});
afterAll(async () => {
  await front.close();
  program.close();
  await rm(dir, { recursive: true, force: true });
});

const sources = readdirSync(APP, { recursive: true, encoding: "utf8" })
  .filter((file) => /\.tsx?$/.test(file))
  .map((file) => path.join(APP, file));

/** A route of the program as an address: groups left out, parameters filled in. */
const addressOf = (file: string): string =>
  "/" +
  path
    .relative(APP, path.dirname(file))
    .split(path.sep)
    .filter((part) => part && !/^\(.*\)$/.test(part))
    .map((part) => (part.startsWith("[") ? "x" : part))
    .join("/");

interface Ask {
  method: string;
  url: string;
  headers?: http.OutgoingHttpHeaders;
}
/** @param from one of this computer's own addresses: one alone would be slowed down */
const ask = ({ method, url, headers }: Ask, from: string): Promise<[number, string]> =>
  new Promise((resolve, reject) => {
    const request = https.request(
      {
        host: "127.0.0.1",
        port: front.port,
        localAddress: from,
        ca: front.authority.certificate,
        path: url,
        method,
        headers: { "content-length": "0", ...headers },
        agent: false,
      },
      (response) => {
        let body = "";
        response.on("data", (part) => (body += part));
        response.on("end", () => resolve([response.statusCode!, body]));
      },
    );
    request.on("error", reject).end();
  });

it("lets a device that is not paired reach no page, route, file or action of the program", async () => {
  const routes = sources.filter((file) => /^(page|route)\.tsx?$/.test(path.basename(file)));
  const addresses = [...new Set(routes.map(addressOf))];
  expect(addresses).toEqual(expect.arrayContaining(["/", "/film", "/api/clips/x", "/phones"]));
  const actions = (await Promise.all(sources.map((file) => readFile(file, "utf8"))))
    .filter((text) => text.startsWith('"use server"'))
    .flatMap((text) => [...text.matchAll(/export (?:async function|const) (\w+)/g)]);
  expect(actions.length).toBeGreaterThan(20);
  const origin = `https://127.0.0.1:${front.port}`;
  const asks: Ask[] = [
    ...addresses.flatMap((url) => METHODS.map((method) => ({ method, url }))),
    // An action is a POST to any page that names it.
    ...actions.flatMap(() =>
      ["/", "/phones", "/pair"].map((url) => ({
        method: "POST",
        url,
        headers: { origin, "next-action": "4".repeat(42), "content-type": "text/plain" },
      })),
    ),
    ...[
      "/_next/static/x.js",
      "/icons/other.png",
      "/runtime/x/pose.wasm",
      "/samples/x.mp4",
      "/sw.js",
    ].map((url) => ({
      method: "GET",
      url,
    })),
    ...["/pair/", "/PAIR", "/%70air", "/pair/../film", "//film", "/trust/x"].map((url) => ({
      method: "GET",
      url,
    })),
  ].filter(({ method, url }) => !OPEN.has(`${method} ${url}`));
  expect(asks.length).toBeGreaterThan(250);
  const open: string[] = [];
  for (const [k, one] of asks.entries()) {
    const [status, body] = await ask(one, `127.0.0.${2 + Math.floor(k / 50)}`);
    if (status !== 401 || body) open.push(`${one.method} ${one.url}: ${status} ${body}`);
  }
  expect(through).toEqual([]);
  expect(open).toEqual([
    // No path of this server's, whoever asks.
    "GET //film: 400 ",
  ]);
});
