/** Publishes the drill file's JSON Schema: part of `npm run drills`. */
import { writeFileSync } from "node:fs";
import { drillSchema } from "../src/core/formats/drillFile";

writeFileSync("docs/drill.schema.json", `${JSON.stringify(drillSchema(), null, 1)}\n`);
