import { blobRoute } from "@/server/http/blobRoute";

export const { PUT, GET, HEAD } = blobRoute("tracks", "application/octet-stream");
