import { drillSchema } from "@/core/formats/drillFile";

/** The JSON Schema of drill files. */
export const GET = () => Response.json(drillSchema(), { headers: { "content-type": "application/schema+json" } });
