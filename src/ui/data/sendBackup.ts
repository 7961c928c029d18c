/**
 * Sent in pieces of so many bytes: one that does not arrive is sent again from where it broke off.
 */
const PIECE = 8 * 1024 * 1024;
/** So often, and after so long each time, ms. */
const [AGAIN, WAIT_MS] = [4, 1000];
const POLL_MS = 400;

interface Answer {
  bytes?: number;
  state?: "waiting" | "running" | "done" | "failed";
  done?: number;
  of?: number;
  message?: string | null;
}

const ask = async (
  url: string,
  init: RequestInit,
): Promise<{ ok: boolean; status: number; body: Answer }> => {
  const response = await fetch(url, init);
  return {
    ok: response.ok,
    status: response.status,
    body: (await response.json().catch(() => ({}))) as Answer,
  };
};

/**
 * Sends a backup to the computer that keeps the reps and has it restored; the same file sent again
 * goes on where it broke off.
 *
 * @param told what is done, and the share of it
 * @throws Error with why, in words
 */
export async function sendBackup(
  file: File,
  told: (words: string, share: number) => void,
  signal: AbortSignal,
): Promise<void> {
  const url = `/api/restore/${await nameOf(file)}`;
  let { bytes: at = 0 } = (await ask(url, { signal })).body;
  if (at > file.size) at = 0;
  while (at < file.size) {
    told("The file is sent.", at / file.size);
    for (let attempt = 1; ; attempt++) {
      const { ok, status, body } = await ask(`${url}?at=${at}`, {
        method: "PUT",
        body: file.slice(at, at + PIECE),
        signal,
      }).catch((error: unknown): { ok: boolean; status: number; body: Answer } => {
        if (signal.aborted || attempt === AGAIN) throw error;
        return { ok: false, status: 0, body: {} };
      });
      if (ok || status === 409) {
        at = body.bytes ?? 0;
        break;
      }
      if (attempt === AGAIN || status === 507)
        throw new Error(body.message ?? "The computer does not answer.");
      await new Promise((go) => setTimeout(go, WAIT_MS * attempt));
    }
  }
  const begun = await ask(url, { method: "POST", signal });
  if (!begun.ok) throw new Error(begun.body.message ?? "The computer does not answer.");
  for (;;) {
    const { body } = await ask(url, { signal });
    if (body.state === "done") return;
    if (body.state === "failed") throw new Error(body.message ?? "It could not be read.");
    told("It is checked and put in.", body.of ? (body.done ?? 0) / body.of : 0);
    await new Promise((go) => setTimeout(go, POLL_MS));
  }
}

/**
 * The same file has the same name: from what it is called, how large it is, and when it was
 * changed.
 */
async function nameOf(file: File): Promise<string> {
  const digest = new Uint8Array(
    await crypto.subtle.digest(
      "SHA-256",
      new TextEncoder().encode(`${file.name} ${file.size} ${file.lastModified}`),
    ),
  );
  const hex = Array.from(digest.subarray(0, 16), (b) => b.toString(16).padStart(2, "0")).join("");
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}
