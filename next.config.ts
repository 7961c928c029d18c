import type { NextConfig } from "next";
import { contentPolicy } from "./src/contentPolicy";

const LOCAL_HOST = String.raw`(127\.0\.0\.1|localhost|\[::1\])(:\d+)?`;

const config: NextConfig = {
  serverExternalPackages: [
    "@electric-sql/pglite",
    "fs-native-extensions",
    "pg",
    "@mediabunny/server",
    "node-av",
  ],
  outputFileTracingRoot: import.meta.dirname,
  turbopack: { root: import.meta.dirname },
  poweredByHeader: false,
  devIndicators: false,
  // Until phones can be paired, only this computer is answered: any other Host name gets a refusal.
  // A rewrite and not a proxy.ts, which would cut uploads at 10 MB.
  rewrites: async () => ({
    beforeFiles: [
      {
        source: "/:path*",
        missing: [{ type: "host", value: LOCAL_HOST }],
        destination: "/refused",
      },
    ],
    afterFiles: [],
    fallback: [],
  }),
  headers: async () => [
    {
      source: "/:path*",
      headers: [
        { key: "Cross-Origin-Opener-Policy", value: "same-origin" },
        { key: "Cross-Origin-Embedder-Policy", value: "require-corp" },
        { key: "Cross-Origin-Resource-Policy", value: "same-origin" },
        { key: "X-Content-Type-Options", value: "nosniff" },
        { key: "Referrer-Policy", value: "no-referrer" },
      ],
    },
    // Pages have a policy of their own, with a nonce (src/proxy.ts).
    {
      source: "/:where(api|_next|runtime|samples)/:path*",
      headers: [{ key: "Content-Security-Policy", value: contentPolicy(null) }],
    },
    {
      source: "/runtime/:path*",
      headers: [{ key: "Cache-Control", value: "public, max-age=31536000, immutable" }],
    },
  ],
};

export default config;
