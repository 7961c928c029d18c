import { NextResponse, type NextRequest } from "next/server";
import { contentPolicy } from "./contentPolicy";

/**
 * Gives every page a content security policy with a nonce of its own: no script runs in it but the framework's and the one that sets
 * the theme. Pages only: a proxy would cut larger bodies, such as films, at 10 MB.
 */
export function proxy(request: NextRequest): NextResponse {
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

export const config = { matcher: "/((?!api/|_next/|runtime/|samples/).*)" };
