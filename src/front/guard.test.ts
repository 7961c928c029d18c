import { describe, expect, it } from "vitest";
import { admit, type Asked, COOKIE, DEVICE_HEADER, headersFor } from "./guard";
import { hashOf } from "./pairing";

const HOST = "kingfisher-den.local:3443";
const HOSTS = new Set([HOST, "192.168.1.20:3443"]);
const KEY = "k".repeat(43);
const DEVICES = new Map([[hashOf(KEY), { id: "ola", keyHash: hashOf(KEY) }]]);
const paired = { host: HOST, cookie: `theme=dark; ${COOKIE}=${KEY}` };

const asks = (change: Partial<Asked> & { headers?: Asked["headers"] } = {}) =>
  admit({ method: "GET", url: "/", headers: { host: HOST }, ...change }, HOSTS, DEVICES);

describe("the guard", () => {
  it("lets a paired device have the program, by name and by address", () => {
    expect(asks({ headers: paired })).toMatchObject({ to: "program", device: "ola" });
    expect(asks({ headers: { ...paired, host: "192.168.1.20:3443" } }).to).toBe("program");
  });

  it("answers 401 to who has no key, a wrong one, a revoked one, or two", () => {
    const of = (cookie?: string) =>
      asks({ headers: { host: HOST, ...(cookie ? { cookie } : {}) } });
    for (const cookie of [
      undefined,
      `${COOKIE}=`,
      `${COOKIE}=${"x".repeat(43)}`,
      `x${COOKIE}=${KEY}`,
      `${COOKIE}=${KEY}; ${COOKIE}=${KEY}`,
    ])
      expect(of(cookie)).toEqual({ to: "nobody", status: 401 });
    const revoked = admit({ method: "GET", url: "/", headers: paired }, HOSTS, new Map());
    expect(revoked).toEqual({ to: "nobody", status: 401 });
  });

  it("refuses names that are not its own, and pages of other origins, even to a paired device", () => {
    for (const host of [undefined, "evil.example", "kingfisher-den.local", "localhost:3443"])
      expect(asks({ headers: { ...paired, host } })).toEqual({ to: "nobody", status: 403 });
    for (const origin of [
      "null",
      "https://evil.example",
      `http://${HOST}`,
      "https://192.168.1.20:3443",
      `https://${HOST}.evil.example`,
    ])
      expect(asks({ headers: { ...paired, origin } })).toEqual({ to: "nobody", status: 403 });
    expect(asks({ headers: { ...paired, origin: `https://${HOST}` } }).to).toBe("program");
  });

  it("has pairing and certificate pages open to all, to read, and pairing to answer", () => {
    for (const url of ["/pair", "/pair?again", "/trust", "/home-authority.crt", "/pair.js"])
      expect(asks({ url }).to).toBe("front");
    const from = { host: HOST, origin: `https://${HOST}` };
    expect(asks({ url: "/pair", method: "POST", headers: from }).to).toBe("front");
    // A request of no page, or for another file, changes nothing.
    expect(asks({ url: "/pair", method: "POST" })).toEqual({ to: "nobody", status: 405 });
    expect(asks({ url: "/trust", method: "POST", headers: from }).to).toBe("nobody");
    expect(asks({ url: "/pair", method: "PUT", headers: from }).to).toBe("nobody");
  });

  it("is not talked round by an odd path", () => {
    for (const url of [
      "/pair/../data",
      "/%70air",
      "/PAIR",
      "/pair/",
      "/trust/x",
      "/pair%2f..%2fdata",
    ])
      expect(asks({ url })).toEqual({ to: "nobody", status: 401 });
    for (const url of ["//evil.example/pair", "https://evil.example/pair", "\\pair", "*", ""])
      expect(asks({ url, headers: paired })).toEqual({ to: "nobody", status: 400 });
    for (const method of ["TRACE", "CONNECT", "OPTIONS", "PROPFIND"])
      expect(asks({ method, headers: paired })).toEqual({ to: "nobody", status: 405 });
  });
});

describe("headers for the program", () => {
  const forged = {
    ...paired,
    origin: `https://${HOST}`,
    referer: `https://${HOST}/film`,
    accept: "text/html",
    forwarded: "for=127.0.0.1",
    "x-forwarded-for": "127.0.0.1",
    "x-forwarded-host": "127.0.0.1:3000",
    "x-middleware-subrequest": "proxy",
    [DEVICE_HEADER]: "another",
  };

  it("come from the program itself and name the device, whatever a device made up", () => {
    expect(headersFor(forged, "127.0.0.1:3000", "ola")).toEqual({
      host: "127.0.0.1:3000",
      origin: "http://127.0.0.1:3000",
      accept: "text/html",
      cookie: "theme=dark",
      [DEVICE_HEADER]: "ola",
    });
  });

  it("have no cookie where the key was the only one", () => {
    const only = { host: HOST, cookie: `${COOKIE}=${KEY}` };
    expect(Object.keys(headersFor(only, "127.0.0.1:3000", "ola")).sort()).toEqual([
      "host",
      DEVICE_HEADER,
    ]);
  });
});
