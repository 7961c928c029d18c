// The command line runs from its TypeScript; relaxed SIMD must be on before the first wasm is
// compiled.
import v8 from "node:v8";
import { importBundled } from "./bundled.mjs";

v8.setFlagsFromString("--experimental-wasm-relaxed-simd");
await importBundled(new URL("../src/cli/main.ts", import.meta.url));
