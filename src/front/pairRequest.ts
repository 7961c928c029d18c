import type { IncomingMessage, ServerResponse } from "node:http";
import { z } from "zod";
import { COOKIE } from "./guard";
import { nobody } from "./nobody";
import type { Pairing } from "./pairing";

const MOST_BYTES = 2_000;
const WAIT_MS = 10_000;
/** Browsers keep a cookie for 400 days at most. */
const COOKIE_S = 400 * 86_400;

const asked = z.union([
  z.object({ answer: z.string().min(1).max(100), name: z.string().trim().min(1).max(40) }),
  z.object({ ticket: z.string().min(1).max(100) }),
]);

/**
 * `POST /pair`: an answer to the offer, or a question by ticket what became of it. The key of a
 * device that was let in goes into a cookie that no script sees.
 */
export async function answerPairing(
  pairing: Pairing,
  request: IncomingMessage,
  response: ServerResponse,
): Promise<void> {
  if (!/^application\/json(;|$)/.test(request.headers["content-type"] ?? ""))
    return nobody(response, 400);
  const text = await small(request);
  if (text === null) return nobody(response, 413);
  const body = asked.safeParse(json(text));
  if (!body.success) return nobody(response, 400);
  const say = (what: object, headers: Record<string, string> = {}) => {
    response.writeHead(200, {
      "content-type": "application/json",
      "cache-control": "no-store",
      ...headers,
    });
    response.end(JSON.stringify(what));
  };
  if ("answer" in body.data) return say(pairing.answer(body.data.answer, body.data.name));
  const outcome = pairing.outcome(body.data.ticket);
  if (typeof outcome === "string") return say({ result: outcome });
  say(
    { result: "in" },
    {
      "set-cookie": `${COOKIE}=${outcome.key}; Path=/; Max-Age=${COOKIE_S}; Secure; HttpOnly; SameSite=Strict`,
    },
  );
}

/** A short body, or null when it is longer or does not come. */
async function small(request: IncomingMessage): Promise<string | null> {
  const late = setTimeout(() => request.destroy(), WAIT_MS);
  try {
    const parts: Buffer[] = [];
    let bytes = 0;
    for await (const part of request as AsyncIterable<Buffer>) {
      bytes += part.length;
      if (bytes > MOST_BYTES) return null;
      parts.push(part);
    }
    return Buffer.concat(parts).toString("utf8");
  } catch {
    return null;
  } finally {
    clearTimeout(late);
  }
}

function json(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
