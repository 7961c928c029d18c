import { mkdtemp, rm } from "node:fs/promises";
import http from "node:http";
import https from "node:https";
import net from "node:net";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { Front, LIMITS } from "./front";
import { COOKIE, DEVICE_HEADER } from "./guard";

const PLACE = { name: "kingfisher-den.local", addresses: ["127.0.0.1"] };
let dir: string;
let program: http.Server;
let front: Front;
let now: number;
/** What the program was asked. */
let asked: { method: string; url: string; headers: http.IncomingHttpHeaders; bytes: number }[];

beforeEach(async () => {
  dir = await mkdtemp(path.join(tmpdir(), "front-"));
  now = Date.now();
  asked = [];
  program = http.createServer((request, response) => {
    let bytes = 0;
    request.on("data", (part: Buffer) => (bytes += part.length));
    request.on("end", () => {
      const { method = "", url = "", headers } = request;
      asked.push({ method, url, headers, bytes });
      if (url === "/away") response.writeHead(307, { location: `http://${headers.host}/there` });
      response.end("the program");
    });
  });
  await new Promise<void>((resolve) => program.listen(0, "127.0.0.1", resolve));
  front = await opened();
});
afterEach(async () => {
  await front.close();
  program.closeAllConnections();
  await new Promise((resolve) => program.close(resolve));
  await rm(dir, { recursive: true, force: true });
});

const opened = () =>
  Front.open({
    dir,
    home: `127.0.0.1:${(program.address() as net.AddressInfo).port}`,
    port: 0,
    bind: "127.0.0.1",
    place: () => PLACE,
    now: () => now,
  });

interface Said {
  status: number;
  headers: http.IncomingHttpHeaders;
  body: string;
}
/** A request as a device makes it that trusts the home's authority and nothing else. */
const ask = (
  url: string,
  {
    headers = {},
    method = "GET",
    body,
  }: { headers?: http.OutgoingHttpHeaders; method?: string; body?: string | Buffer } = {},
): Promise<Said> =>
  new Promise((resolve, reject) => {
    const request = https.request(
      {
        host: "127.0.0.1",
        port: front.port,
        path: url,
        method,
        ca: front.authority.certificate,
        headers: {
          ...(body === undefined ? {} : { "content-length": Buffer.byteLength(body) }),
          ...headers,
        },
        agent: false,
      },
      (response) => {
        let text = "";
        response.on("data", (part) => (text += part));
        response.on("end", () =>
          resolve({ status: response.statusCode!, headers: response.headers, body: text }),
        );
      },
    );
    request.on("error", reject);
    request.end(body);
  });
const origin = () => `https://127.0.0.1:${front.port}`;
const pair = async (body: object) => {
  const {
    status,
    headers,
    body: text,
  } = await ask("/pair", {
    method: "POST",
    headers: { origin: origin(), "content-type": "application/json" },
    body: JSON.stringify(body),
  });
  return {
    status,
    headers,
    ...(text ? (JSON.parse(text) as Record<string, string>) : {}),
  } as Said & Record<"result" | "ticket" | "words", string>;
};
/** The cookie of a device that was let in. */
async function letIn(name = "Ola's phone"): Promise<string> {
  const { ticket } = await pair({ answer: front.pairing.offer().code, name });
  const { keyHash } = front.pairing.confirm()!;
  await front.devices.add(name, keyHash);
  return (await pair({ ticket })).headers["set-cookie"]![0]!.split(";")[0]!;
}

describe("the front", () => {
  it("shows the program to a device from the moment it is let in until it is revoked", async () => {
    expect(await ask("/film")).toMatchObject({ status: 401, body: "" });
    const cookie = await letIn();
    expect(await ask("/film?x=1", { headers: { cookie } })).toMatchObject({
      status: 200,
      body: "the program",
    });
    const [device] = front.devices.list();
    expect(device!.name).toBe("Ola's phone");
    expect(asked).toMatchObject([{ url: "/film?x=1", headers: { [DEVICE_HEADER]: device!.id } }]);
    await front.devices.revoke(device!.id);
    expect((await ask("/film", { headers: { cookie } })).status).toBe(401);
    expect(asked).toHaveLength(1);
  });

  it("keeps its devices and its authority over a restart", async () => {
    const cookie = await letIn();
    const { fingerprint } = front.authority;
    await front.close();
    front = await opened();
    expect(front.authority.fingerprint).toBe(fingerprint);
    expect((await ask("/", { headers: { cookie } })).status).toBe(200);
  });

  it("gives the key in a cookie that no script sees and no other page sends", async () => {
    const { ticket } = await pair({ answer: front.pairing.offer().secret, name: "phone" });
    expect((await pair({ ticket })).result).toBe("waiting");
    front.pairing.confirm();
    const told = await pair({ ticket });
    expect(told.headers["set-cookie"]![0]).toMatch(
      new RegExp(`^${COOKIE}=[\\w-]{43}; Path=/; Max-Age=\\d+; Secure; HttpOnly; SameSite=Strict$`),
    );
    expect(JSON.stringify({ ...told, headers: {} })).not.toContain(
      told.headers["set-cookie"]![0]!.slice(COOKIE.length + 1, COOKIE.length + 20),
    );
  });

  it("is not opened by guessing, by a code that was used, or without the golfer's word", async () => {
    const { code } = front.pairing.offer();
    for (let k = 1; k <= 4; k++)
      expect((await pair({ answer: "22222222", name: "x" })).result).toBe("wrong");
    expect((await pair({ answer: "22222222", name: "x" })).result).toBe("closed");
    expect((await pair({ answer: code, name: "x" })).result).toBe("closed");
    const used = front.pairing.offer().code;
    await pair({ answer: used, name: "x" });
    expect((await pair({ answer: used, name: "x" })).result).toBe("closed");
    expect(front.devices.list()).toEqual([]);
    expect((await pair({ answer: "a".repeat(3000), name: "x" })).status).toBe(413);
    expect((await pair({ nothing: 1 })).status).toBe(400);
  });

  it("drops what a device makes up about where it is, and its key", async () => {
    const cookie = await letIn();
    await ask("/", {
      headers: {
        cookie: `${cookie}; theme=dark`,
        "x-forwarded-for": "127.0.0.1",
        forwarded: "for=127.0.0.1",
        [DEVICE_HEADER]: "computer",
        origin: origin(),
      },
    });
    const { headers } = asked[0]!;
    const home = `127.0.0.1:${(program.address() as net.AddressInfo).port}`;
    expect(headers).toMatchObject({ host: home, origin: `http://${home}`, cookie: "theme=dark" });
    expect(Object.keys(headers).filter((h) => /forwarded/.test(h))).toEqual([]);
    expect(headers[DEVICE_HEADER]).toBe(front.devices.list()[0]!.id);
  });

  it("sends on to its own address, not the program's", async () => {
    const cookie = await letIn();
    const { headers } = await ask("/away", { headers: { cookie } });
    expect(headers.location).toBe(`${origin()}/there`);
  });

  it("takes no body that is too large, or of a length that nobody said", async () => {
    const cookie = await letIn();
    const put = (url: string, headers: http.OutgoingHttpHeaders) =>
      ask(url, { method: "PUT", headers: { cookie, ...headers } }).then(({ status }) => status);
    expect(await put("/api/log", { "content-length": LIMITS.bodyBytes + 1 })).toBe(413);
    expect(await put("/api/clips/x", { "content-length": LIMITS.fileBytes + 1 })).toBe(413);
    expect(await put("/api/clips/x", { "transfer-encoding": "chunked" })).toBe(411);
    const film = Buffer.alloc(3_000_000, 7);
    await ask("/api/clips/x", { method: "PUT", headers: { cookie }, body: film });
    expect(asked).toMatchObject([{ method: "PUT", bytes: film.length }]);
  });

  it("slows down a stranger, not who is paired", async () => {
    const cookie = await letIn();
    const strangers = [];
    for (let k = 0; k < LIMITS.strangerAMinute + 5; k++) strangers.push((await ask("/")).status);
    expect(new Set(strangers)).toEqual(new Set([401, 429]));
    expect((await ask("/", { headers: { cookie } })).status).toBe(200);
  });

  it("lets one address hold only so many connections", async () => {
    const open = await Promise.all(
      Array.from(
        { length: LIMITS.perAddress + 20 },
        () =>
          new Promise<net.Socket>((resolve) => {
            const socket = net.connect(front.port, "127.0.0.1", () => resolve(socket));
            socket.on("error", () => undefined);
          }),
      ),
    );
    await expect
      .poll(() => open.filter((s) => s.destroyed || s.readableEnded).length, { timeout: 5000 })
      .toBeGreaterThanOrEqual(20);
    for (const socket of open) socket.destroy();
    await expect
      .poll(
        () =>
          ask("/").then(
            (r) => r.status,
            () => 0,
          ),
        { timeout: 5000 },
      )
      .toBe(401);
  });

  it("shows the open pages, and says what its certificate is good for", async () => {
    const trust = await ask("/trust");
    expect(trust.body).toContain(front.authority.fingerprint);
    expect(trust.body).toContain(PLACE.name);
    expect(trust.headers["content-security-policy"]).toContain("default-src 'none'");
    expect((await ask("/home-authority.crt")).body).toBe(front.authority.certificate);
    expect((await ask("/pair", { method: "HEAD" })).body).toBe("");
    expect((await ask("/icons/kingfisher-192.png")).headers["content-type"]).toBe("image/png");
  });
});
