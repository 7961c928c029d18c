// The command line runs from its TypeScript; relaxed SIMD must be on before the first wasm is
// compiled.
import v8 from "node:v8";
import { fileURLToPath } from "node:url";
import { register } from "tsx/esm/api";

v8.setFlagsFromString("--experimental-wasm-relaxed-simd");
register({ tsconfig: fileURLToPath(new URL("../tsconfig.json", import.meta.url)) });
await import("../src/cli/main.ts");
