#!/usr/bin/env -S node --initial-old-space-size=512
// The command line runs from its TypeScript; relaxed SIMD must be on before the first wasm is compiled. The decoder's pictures
// are garbage by the megabyte: with room for them the collector runs once a clip and not every ten pictures (a quarter of all
// that is not the network).
import v8 from "node:v8";
import { fileURLToPath } from "node:url";
import { register } from "tsx/esm/api";

v8.setFlagsFromString("--experimental-wasm-relaxed-simd");
register({ tsconfig: fileURLToPath(new URL("../tsconfig.json", import.meta.url)) });
await import("../src/cli/main.ts");
