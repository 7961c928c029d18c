import { readFile } from "node:fs/promises";
import path from "node:path";
import type { BrowserContext, Page } from "@playwright/test";
import { build, type Plugin } from "esbuild";
import { COUNTS } from "./counted";
import type { Repeat } from "../../src/vision/worker/standInCamera";

/** What takes the network's place in the worker that looks at a camera, and in the one that reads. */
export type NetworkStandIn =
  /** The network itself, its calls counted. */
  | "counted"
  /** Nothing but the network, on whatever it is given. */
  | "bare"
  /** What the network once said, told again in so many ms a call. */
  | { looks: Buffer; ms: number; periodMs?: number };

export interface StandIns {
  /** For the worker that looks at a camera. */
  live?: NetworkStandIn;
  /** For the worker that reads clips: recordings by the clip's file name. */
  clips?: { looks: Record<string, Buffer>; ms: number };
  /** Films that stand in for the camera, in the place of those that the page names. */
  camera?: Repeat & { films: string[] };
}

const DIR = "/stand-in/";

/**
 * Puts stand-ins in the place of a page's workers: each is the program's own worker with another
 * network or camera given to it. The site stays as it was built: the browser is handed the other
 * workers when it asks for one by name.
 *
 * @param page before it is loaded
 */
export async function standIn(
  page: Page | BrowserContext,
  { live, clips, camera }: StandIns,
): Promise<void> {
  const files = new Map<string, { body: string | Buffer; type: string }>();
  const script = async (name: string, source: string) => {
    files.set(name, { body: await bundled(source), type: "text/javascript" });
    return `${DIR}${name}`;
  };
  const recording = (name: string, body: Buffer) => {
    files.set(name, { body, type: "application/octet-stream" });
    return `${DIR}${name}`;
  };
  const swapped: Record<string, string> = {};
  if (live) {
    if (typeof live === "object") recording("live.looks", live.looks);
    swapped.live = await script("live.js", liveSource(live));
  }
  if (clips) {
    for (const [name, looks] of Object.entries(clips.looks))
      recording(`clips/${name}.looks`, looks);
    swapped.read = await script("read.js", readSource(clips.ms));
  }
  if (camera) swapped["stand-in camera"] = await script("camera.js", cameraSource(camera));
  await page.route(`**${DIR}**`, (route) => {
    const file = files.get(new URL(route.request().url()).pathname.slice(DIR.length));
    return file
      ? route.fulfill({
          body: file.body,
          contentType: file.type,
          // A page that may share memory takes no worker without these.
          headers: {
            "cross-origin-embedder-policy": "require-corp",
            "cross-origin-resource-policy": "same-origin",
          },
        })
      : route.fulfill({ status: 404 });
  });
  await page.addInitScript((byName: Record<string, string>) => {
    window.Worker = class extends window.Worker {
      constructor(url: string | URL, options?: WorkerOptions) {
        const other = byName[options?.name ?? ""];
        super(other ?? url, other ? { ...options, type: "module" } : options);
      }
    };
  }, swapped);
}

/** What a stand-in of the page has counted. */
export const counted = (page: Page, name: "calls" | "pictures"): Promise<number> =>
  page.evaluate(
    ([channelName, asked]) =>
      new Promise<number>((resolve) => {
        const channel = new BroadcastChannel(channelName!);
        const again = setInterval(() => channel.postMessage({ ask: asked }), 100);
        channel.onmessage = ({ data }: MessageEvent<{ name?: string; count?: number }>) => {
          if (data.name !== asked) return;
          clearInterval(again);
          channel.close();
          resolve(data.count!);
        };
        channel.postMessage({ ask: asked });
      }),
    [COUNTS, name],
  );

const LIVE = `
  import { expose } from "comlink";
  import { LiveFilming } from "../../src/vision/worker/liveWorker";
  import { chooseNetwork } from "../../src/vision/worker/loadBrowser";
  import { BareNetwork } from "./bareNetwork";
  import { tellCount } from "./counted";
  import { loadedRecording, recordingAt } from "./recordingOf";
`;

function liveSource(live: NetworkStandIn): string {
  if (live === "bare")
    return `${LIVE}
      const bare = new BareNetwork();
      tellCount("calls", () => bare.calls);
      expose(bare);`;
  const load =
    live === "counted"
      ? "await chooseNetwork(told)"
      : `await recordingAt("${DIR}live.looks", ${live.ms}, ${live.periodMs}).then((r) => loadedRecording(() => r))`;
  return `${LIVE}
    let calls = 0;
    tellCount("calls", () => calls);
    expose(new LiveFilming(async (told) => {
      const loaded = ${load};
      const { network } = loaded;
      return {
        ...loaded,
        network: { ...network, landmarks: (...input) => (calls++, network.landmarks(...input)) },
      };
    }));`;
}

const readSource = (ms: number): string => `
  import { expose } from "comlink";
  import { ClipReader } from "../../src/vision/worker/clipReader";
  import { loadedRecording, recordingAt } from "./recordingOf";
  let recording = { looks: null, ms: 0 };
  class Recorded extends ClipReader {
    async read(file, ...rest) {
      recording = await recordingAt("${DIR}clips/" + file.name + ".looks", ${ms});
      return super.read(file, ...rest);
    }
  }
  expose(new Recorded(async () => loadedRecording(() => recording), async () => null));`;

const cameraSource = ({ films, ...repeat }: NonNullable<StandIns["camera"]>): string => `
  import { expose } from "comlink";
  import { StandInCamera } from "../../src/vision/worker/standInCamera";
  import { tellCount } from "./counted";
  let pictures = 0;
  tellCount("pictures", () => pictures);
  class Played extends StandInCamera {
    open(_films, port, ...rest) {
      const post = port.postMessage.bind(port);
      port.postMessage = (...message) => (pictures++, post(...message));
      const films = ${JSON.stringify(films)}.map((film) => new URL(film, self.location.origin).href);
      return super.open(films, port, ...rest);
    }
  }
  expose(new Played(${JSON.stringify(repeat)}));`;

/** A worker's own workers come with its script: a browser hands over no other file for those. */
const ownWorkers: Plugin = {
  name: "own workers",
  setup({ onLoad }) {
    onLoad({ filter: /src\/vision\/worker\/\w+\.ts$/ }, async ({ path: file }) => {
      let contents = await readFile(file, "utf8");
      for (const [url, worker] of contents.matchAll(
        /new URL\("(.*?\.worker)\.ts", import\.meta\.url\)/g,
      )) {
        const code = await bundled(
          `import ${JSON.stringify(path.resolve(path.dirname(file), worker!))};`,
        );
        contents = contents.replace(
          url,
          () =>
            `URL.createObjectURL(new Blob([${JSON.stringify(code)}], { type: "text/javascript" }))`,
        );
      }
      return { contents, loader: "ts" };
    });
  },
};

async function bundled(contents: string): Promise<string> {
  const { outputFiles } = await build({
    stdin: { contents, resolveDir: path.join(process.cwd(), "tools/standIn"), loader: "ts" },
    bundle: true,
    write: false,
    format: "esm",
    platform: "browser",
    target: "es2022",
    logLevel: "error",
    plugins: [ownWorkers],
  });
  return outputFiles[0]!.text;
}
