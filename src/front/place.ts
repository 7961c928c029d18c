import { hostname, networkInterfaces } from "node:os";
import type { Place } from "./authority";

/** A name of DNS letters, short enough for one label beside the program's own (RFC 1035, 2.3.4). */
const label = (name: string): string =>
  name
    .split(".")[0]!
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 40) || "home";

/** Addresses that home networks use (RFC 1918, RFC 3927). */
const HOME = /^(10\.|192\.168\.|172\.(1[6-9]|2\d|3[01])\.|169\.254\.)/;

/** Where this computer is found on the home network, at this moment. */
export const placeNow = (): Place => ({
  name: `kingfisher-${label(hostname())}.local`,
  addresses: Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter((a) => a.family === "IPv4" && !a.internal && HOME.test(a.address))
    .map((a) => a.address)
    .sort(),
});
