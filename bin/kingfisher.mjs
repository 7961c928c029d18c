#!/usr/bin/env node
// The command line works in a process of its own, and this one watches it (src/cli/watch.mjs).
import { fileURLToPath } from "node:url";
import { watch } from "../src/cli/watch.mjs";

await watch(fileURLToPath(new URL("work.mjs", import.meta.url)), process.argv.slice(2));
