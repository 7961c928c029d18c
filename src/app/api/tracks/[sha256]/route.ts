import { blobRoute } from "@/server/http/blobRoute";

export const { PUT, GET } = blobRoute("tracks", "application/octet-stream");
