/**
 * What the process that reads clips tells the one that watches it (watch.mjs); without one it goes
 * straight to the terminal.
 */
interface Message {
  /** For stdout, and for stderr. */
  out?: string;
  say?: string;
  /** For a terminal, while it waits. */
  progress?: string;
  /** The clip that is being read from now on. */
  begins?: { index: number; name: string };
  /** How long it may say nothing, ms. */
  patienceMs?: number;
  /** What is said of a clip that ends this process. */
  words?: Record<"stalled" | "memory" | "reading", string>;
  /** The exit code: all is said. */
  code?: number;
}

/** Tells it; resolves once it is on its way. */
export async function tell(message: Message): Promise<void> {
  if (process.send)
    return new Promise(
      (resolve, reject) =>
        void process.send?.(message, undefined, undefined, (error) =>
          error ? reject(error) : resolve(),
        ),
    );
  if (message.out !== undefined) process.stdout.write(message.out);
  if (message.say !== undefined) process.stderr.write(message.say);
}

let lastMs = -Infinity;
/** So often it says that it goes on, ms. */
const ALIVE_MS = 200;

/** Says that reading goes on. */
export function alive(): void {
  const now = performance.now();
  if (now - lastMs < ALIVE_MS) return;
  lastMs = now;
  void tell({});
}

/**
 * A text of somebody else's (a file's name, say) as a terminal may show it: none of its control
 * characters reaches it.
 */
export const shown = (text: string): string =>
  text.replace(/[\u0000-\u001f\u007f-\u009f\u2028-\u202e\u2066-\u2069]/g, "�");

/** JSON without any control character: those that JSON itself lets through are escaped too. */
export const asJson = (value: unknown): string =>
  JSON.stringify(value).replace(
    /[\u007f-\u009f\u2028-\u202e\u2066-\u2069]/g,
    (c) => `\\u${c.charCodeAt(0).toString(16).padStart(4, "0")}`,
  );
