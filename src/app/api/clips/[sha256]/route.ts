import { blobRoute } from "@/server/http/blobRoute";

export const { PUT, GET } = blobRoute("clips", "video/mp4");
