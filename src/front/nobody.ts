import type { ServerResponse } from "node:http";

/** A status and nothing else; what is still on its way of the request is not waited for. */
export function nobody(response: ServerResponse, status: number): void {
  response.writeHead(status, { "content-length": "0", connection: "close" });
  response.end();
}
