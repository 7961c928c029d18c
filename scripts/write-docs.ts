/** Writes what the docs take from the code: part of `npm run lists`. */
import { writeFileSync } from "node:fs";
import { drillSchema } from "../src/core/formats/drillFile";
import { judgedDoc } from "./judgedDoc";
import { measuresDoc } from "./measuresDoc";

writeFileSync("docs/drill.schema.json", `${JSON.stringify(drillSchema(), null, 1)}\n`);
writeFileSync("docs/measures.md", measuresDoc());
writeFileSync("docs/judged.md", judgedDoc());
