/// <reference lib="webworker" />
import { CacheFirst, RangeRequestsPlugin, Serwist, type PrecacheEntry } from "serwist";
import runtime from "../vision/worker/runtimeVersion.json" with { type: "json" };

declare const self: ServiceWorkerGlobalScope & { __SW_MANIFEST: (PrecacheEntry | string)[] };

/** The page that starts with no computer in reach; everything it shows is on the device. */
const SHELL = "/range";
/** What is fetched when it is first needed, and then stays: the network's runtime, sample films. */
const LATER = "kingfisher runtime";

const serwist = new Serwist({
  precacheEntries: self.__SW_MANIFEST,
  // A page that films goes on with the program that it began with: a new one waits until it is
  // closed. The first one takes the page over that asked for it.
  skipWaiting: false,
  clientsClaim: true,
  runtimeCaching: [
    {
      // The models have a store of their own (vision/worker/networkFiles).
      matcher: ({ url, sameOrigin }) =>
        sameOrigin &&
        /^\/(runtime|samples)\//.test(url.pathname) &&
        !url.pathname.endsWith(".tflite"),
      handler: new CacheFirst({ cacheName: LATER, plugins: [new RangeRequestsPlugin()] }),
    },
  ],
});

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (
    request.mode === "navigate" &&
    url.origin === self.location.origin &&
    url.pathname === SHELL
  ) {
    // Whatever it shows is in its query, which the page itself reads.
    event.stopImmediatePropagation();
    event.respondWith(serwist.matchPrecache(SHELL).then((kept) => kept ?? fetch(request)));
    return;
  }
  if (request.destination !== "worker") return;
  // The bundler tells a web worker its settings in the fragment of its address, which a kept answer
  // would lose: an answer without an address of its own leaves the fragment as it is.
  event.stopImmediatePropagation();
  event.respondWith(
    (async () => {
      const kept = await serwist.matchPrecache(`${url.origin}${url.pathname}`);
      const { body, status, headers } = kept ?? (await fetch(request));
      return new Response(body, { status, headers });
    })(),
  );
});

self.addEventListener("activate", (event) => {
  event.waitUntil(
    (async () => {
      const later = await caches.open(LATER);
      for (const { url } of await later.keys())
        if (url.includes("/runtime/") && !url.includes(runtime.dir)) await later.delete(url);
    })(),
  );
});

serwist.addEventListeners();
