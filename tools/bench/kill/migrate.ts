/**
 * Opens the store of its directory, which brings it up to the migrations of where it runs, says so,
 * and waits to be killed.
 */
import { writeSync } from "node:fs";
import { database } from "../../../src/server/db/open";

await database();
writeSync(1, "open\n");
setInterval(() => undefined, 1000);
