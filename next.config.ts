import type { NextConfig } from "next";

const LOCAL_HOST = String.raw`(127\.0\.0\.1|localhost|\[::1\])(:\d+)?`;
const dev = process.env.NODE_ENV === "development";

const config: NextConfig = {
  serverExternalPackages: ["@electric-sql/pglite", "pg", "@mediabunny/server", "node-av"],
  outputFileTracingRoot: import.meta.dirname,
  turbopack: { root: import.meta.dirname },
  poweredByHeader: false,
  devIndicators: false,
  // Until phones can be paired, only this computer is answered: any other Host name gets a refusal. A rewrite and not a
  // proxy.ts, which would cut uploads at 10 MB.
  rewrites: async () => ({
    beforeFiles: [{ source: "/:path*", missing: [{ type: "host", value: LOCAL_HOST }], destination: "/refused" }],
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
        {
          key: "Content-Security-Policy",
          value: `default-src 'self'; script-src 'self' 'unsafe-inline' 'wasm-unsafe-eval'${dev ? " 'unsafe-eval'" : ""}; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; media-src 'self' blob:; worker-src 'self' blob:; connect-src 'self'; frame-ancestors 'none'; form-action 'self'; base-uri 'self'`,
        },
      ],
    },
    { source: "/runtime/:path*", headers: [{ key: "Cache-Control", value: "public, max-age=31536000, immutable" }] },
  ],
};

export default config;
