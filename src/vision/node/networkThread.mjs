// A thread starts without the main thread's TypeScript loader.
import { importBundled } from "../../../bin/bundled.mjs";

await importBundled(new URL("./networkThread.ts", import.meta.url));
