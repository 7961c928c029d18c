import { UserError } from "../userError";

const ASKS_ONLY = new Set(["GET", "HEAD"]);

/**
 * Whether a request comes from this program's own pages: a browser says where a request comes from
 * in `Sec-Fetch-Site`, or at least in `Origin`, and no page can change either. What says nothing is
 * no browser's (a script of the golfer's own, say). An address that somebody typed (`none`) may
 * only ask.
 */
export function isFromHere(headers: Headers, method: string): boolean {
  const site = headers.get("sec-fetch-site");
  if (site !== null && site !== "same-origin" && !(site === "none" && ASKS_ONLY.has(method)))
    return false;
  const origin = headers.get("origin");
  if (origin === null) return true;
  try {
    return new URL(origin).host === headers.get("host");
  } catch {
    return false;
  }
}

/** @throws UserError when another page asks */
export function mustBeFromHere(headers: Headers, method: string): void {
  if (!isFromHere(headers, method))
    throw new UserError("Another page asked for this. Only the program’s own pages may.", 403);
}
