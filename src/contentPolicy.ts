const DEVELOPMENT = process.env.NODE_ENV === "development";

/**
 * The content security policy. Scripts come from this program's own files; inline ones need the
 * page's nonce. Styles may be inline: charts and the picture set theirs on elements.
 *
 * @param nonce of a page; null for what is no page
 */
export function contentPolicy(nonce: string | null): string {
  const scripts = [
    "'self'",
    "'wasm-unsafe-eval'",
    ...(nonce === null ? [] : [`'nonce-${nonce}'`]),
    ...(DEVELOPMENT ? ["'unsafe-eval'"] : []),
  ];
  return `default-src 'self'; script-src ${scripts.join(" ")}; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; media-src 'self' blob:; worker-src 'self' blob:; connect-src 'self'; object-src 'none'; frame-ancestors 'none'; form-action 'self'; base-uri 'self'`;
}
