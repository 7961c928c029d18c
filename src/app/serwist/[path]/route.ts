import { randomUUID } from "node:crypto";
import { createSerwistRoute } from "@serwist/turbopack";

/** The service worker of what is installed on a phone, made when the program is built. */
export const { dynamic, dynamicParams, revalidate, generateStaticParams, GET } = createSerwistRoute(
  {
    swSrc: "src/app/sw.ts",
    useNativeEsbuild: true,
    globPatterns: [
      ".next/static/**/*.{js,css,woff2,json,wasm}",
      "public/{audio,golden,icons}/**/*",
      "public/samples/rep.track",
      "public/range.webmanifest",
    ],
    // The page is drawn anew by every build.
    additionalPrecacheEntries: [{ url: "/range", revision: randomUUID() }],
  },
);
