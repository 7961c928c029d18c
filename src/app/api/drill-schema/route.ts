import { drillSchema } from "@/core/formats";
import { api } from "@/server/http/api";

/** The JSON Schema of drill files. */
export const GET = api(() =>
  Response.json(drillSchema(), { headers: { "content-type": "application/schema+json" } }),
);
