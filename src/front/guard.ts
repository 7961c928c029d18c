import { hashOf } from "./pairing";

/** The cookie that a paired device is known by. The prefix binds it to this host, path / and HTTPS. */
export const COOKIE = "__Host-kingfisher-device";
/** Tells the program which device asks; nothing that a device sends under this name gets through. */
export const DEVICE_HEADER = "x-kingfisher-device";

export interface Device {
  id: string;
  /** SHA-256 of its key, hex. */
  keyHash: string;
}

/** What the guard looks at. */
export interface Asked {
  method: string;
  /** With its query. */
  url: string;
  headers: Readonly<Record<string, string | string[] | undefined>>;
}

export type Admission =
  /** A page or file of the front itself: pairing and certificate. */
  | { to: "front"; path: string }
  | { to: "program"; device: string; keyHash: string }
  /** Answered with this status and no body. */
  | { to: "nobody"; status: 400 | 401 | 403 | 405 };

/** The program's icons. */
export const ICONS = ["180", "192", "512", "maskable-512"].map((n) => `/icons/kingfisher-${n}.png`);

/** What an unpaired device may ask for, besides `POST /pair`. */
const OPEN_PATHS: ReadonlySet<string> = new Set([
  "/pair",
  "/pair.js",
  "/pair.css",
  "/trust",
  "/home-authority.crt",
  // The phone itself fetches them for its home screen, without the browser's cookies.
  ...ICONS,
]);
const METHODS: ReadonlySet<string> = new Set(["GET", "HEAD", "POST", "PUT", "PATCH", "DELETE"]);

/**
 * Who may pass. Only requests to the front's own names, and from its own pages where a browser says
 * where they come from; of those, anybody's to what is open and a paired device's to the program.
 *
 * @param hosts the front's own names with port, as a browser puts them into `Host`
 * @param devices the paired ones, by the hash of their key
 */
export function admit(
  { method, url, headers }: Asked,
  hosts: ReadonlySet<string>,
  devices: ReadonlyMap<string, Device>,
): Admission {
  const host = one(headers.host);
  if (!host || !hosts.has(host.toLowerCase())) return { to: "nobody", status: 403 };
  const origin = one(headers.origin);
  if (headers.origin !== undefined && origin !== `https://${host}`)
    return { to: "nobody", status: 403 };
  if (!METHODS.has(method)) return { to: "nobody", status: 405 };
  const path = pathOf(url);
  if (path === null) return { to: "nobody", status: 400 };
  if (OPEN_PATHS.has(path)) {
    if (method === "GET" || method === "HEAD") return { to: "front", path };
    // A page elsewhere could spend an offer's tries: only the front's own may answer one.
    if (method === "POST" && path === "/pair" && origin) return { to: "front", path };
    return { to: "nobody", status: 405 };
  }
  const key = cookieOf(one(headers.cookie), COOKIE);
  const device = key && devices.get(hashOf(key));
  return device
    ? { to: "program", device: device.id, keyHash: device.keyHash }
    : { to: "nobody", status: 401 };
}

/** A header that came once. */
const one = (value: string | string[] | undefined): string | undefined =>
  Array.isArray(value) ? (value.length === 1 ? value[0] : undefined) : value;

/** The path as it will be asked for, or null for what is none of this server's. */
function pathOf(url: string): string | null {
  if (!url.startsWith("/") || url.startsWith("//") || url.includes("\\")) return null;
  const base = "https://front.invalid";
  if (!URL.canParse(url, base)) return null;
  const parsed = new URL(url, base);
  return parsed.origin === base ? parsed.pathname : null;
}

function cookieOf(header: string | undefined, name: string): string | undefined {
  const found = (header ?? "")
    .split(";")
    .map((part) => part.trim())
    .filter((part) => part.startsWith(`${name}=`));
  // Two of one name are none: which is the right one can't be told.
  return found.length === 1 ? found[0]!.slice(name.length + 1) : undefined;
}

/** Headers that say where a request came from, in ways that a device could make up. */
const FORGEABLE = /^(forwarded|via|x-forwarded-.*|x-real-ip|x-original-.*|x-middleware-.*)$/;

/**
 * A request's headers as the program gets them: from itself, by this device. The device's key stays
 * here.
 *
 * @param home where the program listens, as in `127.0.0.1:3000`
 */
export function headersFor(
  headers: Asked["headers"],
  home: string,
  device: string,
): Record<string, string | string[]> {
  const out: Record<string, string | string[]> = {};
  for (const [name, value] of Object.entries(headers)) {
    if (value === undefined || FORGEABLE.test(name) || name === DEVICE_HEADER) continue;
    out[name] = value;
  }
  out.host = home;
  if (headers.origin !== undefined) out.origin = `http://${home}`;
  delete out.referer;
  const cookies = (one(headers.cookie) ?? "")
    .split(";")
    .map((c) => c.trim())
    .filter((c) => c && !c.startsWith(`${COOKIE}=`));
  if (cookies.length) out.cookie = cookies.join("; ");
  else delete out.cookie;
  out[DEVICE_HEADER] = device;
  return out;
}
