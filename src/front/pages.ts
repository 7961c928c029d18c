import { readFileSync } from "node:fs";
import type { IncomingMessage, ServerResponse } from "node:http";
import path from "node:path";
import type { Authority } from "./authority";
import { ICONS } from "./guard";

/*
 * What the front shows to a device that is not paired: how to trust it, and how to be let in. Plain
 * pages of their own, for nothing of the program may be open.
 */

/** Files that are sent as they are. */
const file = (name: string) => readFileSync(path.join(import.meta.dirname, "open", name), "utf8");
/** Where the program keeps what it shows to browsers; the program is started in its own folder. */
const PUBLIC = path.resolve("public");
const STYLE = file("pair.css");
const SCRIPT = file("pair.js");

const page = (title: string, body: string, script = "") => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width,initial-scale=1">
<title>${title} · Kingfisher</title>
<link rel="stylesheet" href="/pair.css">
</head>
<body>
<main>
${body}
</main>
${script}
</body>
</html>
`;

const PAIR = page(
  "Let this phone in",
  `<h1>Let this phone in</h1>
<form id="form">
<p>On the computer, open <b>Phones</b>. It shows a code for two minutes.</p>
<label for="answer">Code</label>
<input id="answer" autocomplete="off" autocapitalize="characters" spellcheck="false" required minlength="8" maxlength="12">
<label for="name">A name for this phone</label>
<input id="name" autocomplete="off" required maxlength="40">
<button>Ask to be let in</button>
<p class="quiet">Does the browser warn about this page each time? <a href="/trust">Trust this computer</a> first, so that the camera works too.</p>
</form>
<section id="waits" hidden>
<p>The computer shows the same two words. If it does, say there that this phone may come in.</p>
<p id="words"></p>
<p class="quiet">Other words there, or none? Then do not let it in.</p>
</section>
<p id="said" role="status" aria-live="polite"></p>
<noscript><p class="trouble">This page needs JavaScript.</p></noscript>`,
  `<script src="/pair.js" defer></script>`,
);

const trust = ({ fingerprint, allows }: Authority) =>
  page(
    "Trust this computer",
    `<h1>Trust this computer</h1>
<p>A browser gives its camera only to a page that it trusts. This certificate says so for <b>${allows.name}</b>${
      allows.addresses.length ? ` and ${allows.addresses.join(", ")}` : ""
    }, and by a limit that is part of it for no other page.</p>
<p><a class="button" href="/home-authority.crt" download="kingfisher-home.crt">Get the certificate</a></p>
<h2>Compare before you trust</h2>
<p>The computer shows the same fingerprint (SHA-256) on its page <b>Phones</b>. If a pair of digits differs, stop: something between you and the computer answers in its place.</p>
<p><code>${fingerprint}</code></p>
<h2>iPhone, iPad</h2>
<ol><li>Open the file that was loaded; then Settings, <i>Profile Downloaded</i>, Install.</li><li>Settings, General, About, <i>Certificate Trust Settings</i>: switch it on for this certificate.</li></ol>
<h2>Android</h2>
<ol><li>Settings, search for <i>CA certificate</i>, Install anyway, and choose the file.</li><li>Open this page again. Where it still warns, use another browser: some trust no certificate that you add.</li></ol>
<h2>To take it back</h2>
<p>Remove it in the same place. The phone can then be let in no more by its name without a warning.</p>
<p><a href="/pair">Now let this phone in</a></p>`,
  );

const POLICY =
  "default-src 'none'; style-src 'self'; script-src 'self'; connect-src 'self'; form-action 'none'; frame-ancestors 'none'; base-uri 'none'";

/** Answers one of the open pages or files. @param asked a path that the guard admits to the front */
export function openPage(
  asked: string,
  authority: Authority,
  { method }: IncomingMessage,
  response: ServerResponse,
): void {
  const [type, body] = fileOf(asked, authority);
  response.writeHead(200, {
    "content-type": type,
    "content-length": String(Buffer.byteLength(body)),
    "content-security-policy": POLICY,
    "x-content-type-options": "nosniff",
    "referrer-policy": "no-referrer",
    "cache-control": "no-store",
  });
  response.end(method === "HEAD" ? undefined : body);
}

function fileOf(asked: string, authority: Authority): [type: string, body: string | Buffer] {
  if (ICONS.includes(asked)) return ["image/png", readFileSync(path.join(PUBLIC, asked))];
  switch (asked) {
    case "/pair.css":
      return ["text/css; charset=utf-8", STYLE];
    case "/pair.js":
      return ["text/javascript; charset=utf-8", SCRIPT];
    case "/trust":
      return ["text/html; charset=utf-8", trust(authority)];
    case "/home-authority.crt":
      return ["application/x-x509-ca-cert", authority.certificate];
    default:
      return ["text/html; charset=utf-8", PAIR];
  }
}
