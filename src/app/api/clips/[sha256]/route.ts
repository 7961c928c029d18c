import { blobRoute } from "@/server/http/blobRoute";

export const { PUT, GET, HEAD } = blobRoute("clips", "video/mp4");
