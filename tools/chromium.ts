import { existsSync } from "node:fs";

/** Flags under which Debian's Chromium runs headless as root without reaching for the network. */
export const CHROMIUM_FLAGS = [
  "--no-sandbox",
  "--disable-dev-shm-usage",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
];

/** The installed Chromium: CHROMIUM_PATH, else Debian's. */
export function chromiumPath(): string {
  const found = [process.env.CHROMIUM_PATH, "/usr/bin/chromium", "/usr/bin/chromium-browser"].find(
    (p) => p && existsSync(p),
  );
  if (!found)
    throw new Error(
      "Chromium is not installed. Install it with: apt-get install chromium (or set CHROMIUM_PATH)",
    );
  return found;
}
