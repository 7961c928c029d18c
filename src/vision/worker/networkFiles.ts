import runtime from "./runtimeVersion.json" with { type: "json" };

/** The network's files: what is looked at first, and what finds where somebody is. */
export const NETWORK_FILES = ["pose_detection.tflite", "pose_landmark_full.tflite"] as const;

/** Where this browser keeps them; a new version's address is another one. */
const STORE = "kingfisher network";

const addressOf = (file: string): string => new URL(runtime.dir + file, self.location.origin).href;

/** What has come of the network's files, bytes; `of` is null where the server does not tell. */
export interface Came {
  bytes: number;
  of: number | null;
}

/**
 * Fetches the network's files into the browser's own store, telling what has come; those that are
 * there already are not fetched again, and those of another version go. Where a browser keeps
 * nothing, they are fetched when they are needed.
 *
 * @throws Error when a file can't be had
 */
export async function fetchNetwork(told: (came: Came) => void): Promise<void> {
  const store = await openStore();
  if (!store) return;
  const wanted = NETWORK_FILES.map(addressOf);
  for (const { url } of await store.keys()) if (!wanted.includes(url)) await store.delete(url);
  const missing = (
    await Promise.all(wanted.map(async (url) => ((await store.match(url)) ? [] : [url])))
  ).flat();
  const answers = await Promise.all(missing.map((url) => had(url)));
  const lengths = answers.map((a) => Number(a.headers.get("content-length") ?? NaN));
  const all = lengths.reduce((sum, n) => sum + n, 0);
  const came: Came = { bytes: 0, of: Number.isNaN(all) ? null : all };
  await Promise.all(
    answers.map(async (answer, i) => {
      const counted = answer.body!.pipeThrough(
        new TransformStream<Uint8Array, Uint8Array>({
          transform(chunk, on) {
            came.bytes += chunk.length;
            told({ ...came });
            on.enqueue(chunk);
          },
        }),
      );
      // A full disk keeps nobody from reading now.
      await store
        .put(missing[i]!, new Response(counted, { headers: answer.headers }))
        .catch(() => {});
    }),
  );
}

/**
 * Whether this browser has the network's files: one that runs short of space may have thrown them
 * out.
 */
export async function hasNetwork(): Promise<boolean> {
  const store = await openStore();
  if (!store) return false;
  const kept = await Promise.all(NETWORK_FILES.map((file) => store.match(addressOf(file))));
  return kept.every(Boolean);
}

/** Bytes of one of the network's files. */
export async function networkFile(file: (typeof NETWORK_FILES)[number]): Promise<Uint8Array> {
  const kept = await (await openStore())?.match(addressOf(file)).catch(() => undefined);
  return new Uint8Array(await (kept ?? (await had(addressOf(file)))).arrayBuffer());
}

async function had(url: string): Promise<Response> {
  const answer = await fetch(url);
  if (!answer.ok) throw new Error(`${url}: ${answer.status}`);
  return answer;
}

/** Null where the browser keeps nothing for this page. */
const openStore = async (): Promise<Cache | null> =>
  typeof caches === "undefined" ? null : caches.open(STORE).catch(() => null);
