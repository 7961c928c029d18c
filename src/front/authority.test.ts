import { X509Certificate } from "node:crypto";
import { mkdtemp, rm, stat, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import path from "node:path";
import tls from "node:tls";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { homeAuthority, isDue, serverCertificate, within } from "./authority";

const PLACE = { name: "kingfisher-den.local", addresses: ["127.0.0.1", "192.168.1.20"] };
let dir: string;
beforeEach(async () => {
  dir = path.join(await mkdtemp(path.join(tmpdir(), "front-")), "front");
});
afterEach(() => rm(path.dirname(dir), { recursive: true, force: true }));

/** What a client that trusts the authority alone says of a server by this name: null is well. */
async function trouble(
  { key, chain }: { key: string; chain: string },
  ca: string,
  asked: { servername?: string; host?: string },
): Promise<string | null> {
  const server = tls.createServer({ key, cert: chain });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  const { port } = server.address() as { port: number };
  try {
    return await new Promise((resolve) => {
      const client = tls.connect(
        { port, ca, host: "127.0.0.1", ...asked, minVersion: "TLSv1.3" },
        () => (client.end(), resolve(null)),
      );
      client.on("error", (error) => resolve(error.message));
    });
  } finally {
    server.close();
  }
}

describe("the home's authority", () => {
  it("is made once, and its key is the owner's alone", async () => {
    const first = await homeAuthority(dir, PLACE);
    const again = await homeAuthority(dir, { name: "other.local", addresses: [] });
    expect(again).toEqual(first);
    expect(first.allows).toEqual(PLACE);
    expect((await stat(path.join(dir, "home-authority.key"))).mode & 0o777).toBe(0o600);
    expect((await stat(dir)).mode & 0o777).toBe(0o700);
    expect(first.fingerprint.replaceAll(" ", ":")).toBe(
      new X509Certificate(first.certificate).fingerprint256,
    );
  });

  it("is trusted for this computer's name and addresses", async () => {
    const { certificate } = await homeAuthority(dir, PLACE);
    const server = await serverCertificate(dir, PLACE);
    expect(await trouble(server, certificate, { servername: PLACE.name })).toBeNull();
    expect(await trouble(server, certificate, {})).toBeNull();
  });

  it("is trusted for nothing else, whatever it signs", async () => {
    const { certificate } = await homeAuthority(dir, PLACE);
    for (const name of ["bank.example", "local", "xkingfisher-den.local"]) {
      const bad = await serverCertificate(dir, { name, addresses: [] });
      expect(await trouble(bad, certificate, { servername: name })).toBe(
        "permitted subtree violation",
      );
    }
    for (const address of ["192.168.1.21", "10.0.0.1"]) {
      const bad = await serverCertificate(dir, { name: PLACE.name, addresses: [address] });
      expect(await trouble(bad, certificate, { servername: PLACE.name })).toBe(
        "permitted subtree violation",
      );
    }
    const six = await serverCertificate(dir, { name: PLACE.name, addresses: ["::1"] });
    expect(await trouble(six, certificate, { servername: PLACE.name })).toBe(
      "permitted subtree violation",
    );
  });

  it("without any address at first allows none later", async () => {
    const { certificate, ...authority } = await homeAuthority(dir, { ...PLACE, addresses: [] });
    const bad = await serverCertificate(dir, PLACE);
    expect(await trouble(bad, certificate, { servername: PLACE.name })).toBe(
      "excluded subtree violation",
    );
    expect(within(PLACE, { certificate, ...authority })).toEqual({ ...PLACE, addresses: [] });
  });

  it("renews a server's certificate in time, and knows what it was made for", async () => {
    const authority = await homeAuthority(dir, PLACE);
    const now = new Date("2026-12-02");
    const server = await serverCertificate(dir, PLACE, now);
    const in_ = (days: number) => new Date(now.getTime() + days * 86_400_000);
    expect([isDue(server, in_(149)), isDue(server, in_(151))]).toEqual([false, true]);
    const moved = { ...PLACE, addresses: ["192.168.1.20", "192.168.7.7"] };
    expect(within(moved, authority)!.addresses).toEqual(["192.168.1.20"]);
    expect(within({ ...PLACE, name: "renamed.local" }, authority)).toBeNull();
  });

  it("is not made anew where its files can't be read", async () => {
    await homeAuthority(dir, PLACE);
    await writeFile(path.join(dir, "home-authority.crt"), "garbage");
    await expect(homeAuthority(dir, PLACE)).rejects.toThrow();
  });
});
