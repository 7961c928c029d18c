// node bin/run.mjs FILE.ts …: runs one of the program's own TypeScript files.
import { importBundled } from "./bundled.mjs";

process.argv.splice(1, 1);
await importBundled(process.argv[1]);
