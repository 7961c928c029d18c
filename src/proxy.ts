import { NextResponse, type NextRequest } from "next/server";
import { contentPolicy } from "./contentPolicy";
import { isFromHere } from "./server/http/fromHere";

/**
 * Gives every page a content security policy with a nonce of its own: no script runs in it but the
 * framework's and the one that sets the theme. Pages only: a proxy would cut larger bodies, such as
 * films, at 10 MB.
 */
export async function proxy(request: NextRequest): Promise<NextResponse> {
  const wrong =
    request.method === "GET" || request.method === "HEAD" ? null : await wrongAction(request);
  if (wrong) {
    // A body that nobody reads is an error nobody catches when its sender goes away.
    if (Number(request.headers.get("content-length") ?? 0) <= MOST_BYTES)
      await request.arrayBuffer().catch(() => undefined);
    return NextResponse.json({ message: wrong[0] }, { status: wrong[1] });
  }
  const nonce = Buffer.from(crypto.getRandomValues(new Uint8Array(18))).toString("base64");
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set("x-nonce", nonce);
  // The framework reads the nonce of its own scripts from here.
  headers.set("content-security-policy", policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set("content-security-policy", policy);
  return response;
}

/** An action's body is a form's; the framework takes no more than 1 MB. */
const MOST_BYTES = 1_100_000;

/**
 * Why a request that would change something is no page's own: it comes from another page, or is no
 * call of an action. The framework answers such with an error of its own; these are words.
 */
async function wrongAction(request: NextRequest): Promise<[string, number] | null> {
  if (!isFromHere(request.headers, request.method))
    return ["Another page asked for this. Only the program’s own pages may.", 403];
  if (request.method !== "POST") return ["Pages are only read.", 405];
  if (Number(request.headers.get("content-length") ?? 0) > MOST_BYTES)
    return ["That is more than 1 MB.", 413];
  const type = request.headers.get("content-type") ?? "";
  const id = request.headers.get("next-action");
  if (id !== null)
    return /^[0-9a-f]{40,64}$/.test(id)
      ? null
      : ["There is no such action. Load the page again.", 404];
  // A form that was sent before the page's script was there.
  if (!/^multipart\/form-data/.test(type)) return ["Pages are only read.", 405];
  return request
    .clone()
    .formData()
    .then(
      () => null,
      () => ["The form did not arrive whole. Send it again.", 400],
    );
}

export const config = { matcher: "/((?!api/|_next/|runtime/|samples/).*)" };
