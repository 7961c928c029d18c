import { describe, expect, it, vi } from "vitest";
import { z } from "zod";
import { UserError } from "../userError";
import { isFromHere } from "./fromHere";
import { lazyStream } from "./lazyStream";
import { readJson, readQuery } from "./readJson";

const headers = (of: Record<string, string>) => new Headers({ host: "127.0.0.1:3000", ...of });

describe("where a request comes from", () => {
  it("is this program's own pages, or no browser at all", () => {
    expect(isFromHere(headers({}), "POST")).toBe(true);
    const here = { origin: "http://127.0.0.1:3000", "sec-fetch-site": "same-origin" };
    expect(isFromHere(headers(here), "POST")).toBe(true);
  });

  it("is another page by either of what a browser says", () => {
    for (const site of ["cross-site", "same-site"])
      for (const method of ["GET", "POST"])
        expect(isFromHere(headers({ "sec-fetch-site": site }), method)).toBe(false);
    for (const origin of [
      "http://127.0.0.1:3001",
      "http://evil.example",
      "null",
      "",
      "http://127.0.0.1:3000.evil.example",
    ])
      expect(isFromHere(headers({ origin }), "POST"), origin).toBe(false);
  });

  it("is nowhere for an address that was typed: that may ask, and change nothing", () => {
    const typed = headers({ "sec-fetch-site": "none" });
    expect(["GET", "HEAD", "POST", "PUT", "DELETE"].map((m) => isFromHere(typed, m))).toEqual([
      true,
      true,
      false,
      false,
      false,
    ]);
  });
});

describe("a request's JSON", () => {
  const shape = z.object({ at: z.number() });
  const sent = (body: BodyInit | null, type = "application/json", more: object = {}) =>
    readJson(
      new Request("http://here/", {
        method: "POST",
        body,
        headers: { "content-type": type },
        ...more,
      }),
      shape,
      "That can't be kept",
    );
  const refused = async (...of: Parameters<typeof sent>) => {
    const error: unknown = await sent(...of).then(
      () => null,
      (e: unknown) => e,
    );
    expect(error).toBeInstanceOf(UserError);
    return error as UserError;
  };

  it("is read, also in pieces", async () => {
    expect(await sent('{"at":3}')).toEqual({ at: 3 });
    expect(await sent('{"at":3}', "application/json; charset=utf-8")).toEqual({ at: 3 });
    const pieces = new ReadableStream<Uint8Array>({
      start(c) {
        for (const part of ['{"a', 't":', "4}"]) c.enqueue(new TextEncoder().encode(part));
        c.close();
      },
    });
    expect(await sent(pieces, "application/json", { duplex: "half" })).toEqual({ at: 4 });
  });

  it("is refused in words where it is none, or not what was asked for", async () => {
    expect((await refused('{"at":3}', "text/plain")).status).toBe(415);
    expect((await refused('{"at":')).message).toContain("it is no JSON");
    expect((await refused(null)).message).toContain("it is no JSON");
    expect((await refused('{"at":"3"}')).message).toMatch(/^That can't be kept: .*at/s);
    const long = (await refused(JSON.stringify({ at: "x".repeat(1e6) }))).message;
    expect(long.length).toBeLessThan(1100);
  });

  it("is not read to its end when it is too long", async () => {
    let read = 0;
    const endless = new ReadableStream<Uint8Array>({
      pull(c) {
        read += 1e6;
        c.enqueue(new Uint8Array(1e6).fill(32));
      },
    });
    expect((await refused(endless, "application/json", { duplex: "half" })).status).toBe(413);
    expect(read).toBeLessThan(12e6);
  });

  it("behind an address's question mark is checked as well", () => {
    const query = z.object({ n: z.coerce.number().int() });
    expect(readQuery(new Request("http://here/?n=4"), query)).toEqual({ n: 4 });
    expect(() => readQuery(new Request("http://here/?n=a"), query)).toThrow(UserError);
    expect(() => readQuery(new Request("http://here/"), query)).toThrow(UserError);
  });
});

describe("a stream that somebody may never read", () => {
  const bytes = (n: number) =>
    new ReadableStream<Uint8Array>({
      pull(c) {
        if (n-- > 0) c.enqueue(Uint8Array.of(n));
        else c.close();
      },
    });

  it("begins with its first reader, and gives all there is", async () => {
    const begin = vi.fn(() => bytes(3));
    const stream = lazyStream(begin);
    await new Promise((r) => setTimeout(r, 5));
    expect(begin).not.toHaveBeenCalled();
    expect(await new Response(stream).arrayBuffer()).toEqual(Uint8Array.of(2, 1, 0).buffer);
    expect(begin).toHaveBeenCalledTimes(1);
  });

  it("ends when its reader goes, also while it is made ready", async () => {
    let gone: AbortSignal | undefined;
    const reader = lazyStream((signal) => {
      gone = signal;
      return bytes(100);
    }).getReader();
    await reader.read();
    await reader.cancel();
    expect(gone!.aborted).toBe(true);

    const ended = vi.fn();
    let ready: (s: ReadableStream<Uint8Array>) => void = () => {};
    const slow = lazyStream(() => new Promise((r) => (ready = r))).getReader();
    const first = slow.read();
    await new Promise((r) => setTimeout(r, 5));
    await slow.cancel();
    ready(new ReadableStream({ cancel: ended }));
    await first;
    await vi.waitFor(() => expect(ended).toHaveBeenCalled());
  });

  it("ends when nobody asks for more, and says so to one who comes back", async () => {
    let gone: AbortSignal | undefined;
    const reader = lazyStream((signal) => {
      gone = signal;
      return bytes(100);
    }, 20).getReader();
    await reader.read();
    await vi.waitFor(() => expect(gone!.aborted).toBe(true));
    await expect(reader.read()).rejects.toThrow("nobody reads it");
  });

  it("fails as what it sends fails", async () => {
    const broken = lazyStream(() => Promise.reject(new Error("disk")));
    await expect(broken.getReader().read()).rejects.toThrow("disk");
  });
});
