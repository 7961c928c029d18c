import { api } from "@/server/http/api";
import { mustBeThisComputer } from "@/server/http/thisComputer";
import { frontCalls, frontState } from "@/server/phones/phones";

/**
 * What the page Phones shows, asked again while it is open; with `?offered` it shows an offer, which
 * lives for as long as somebody looks at it.
 */
export const GET = api(async (request) => {
  mustBeThisComputer(request.headers);
  const offered = new URL(request.url).searchParams.has("offered");
  const state = await frontState();
  return Response.json(state && offered ? await frontCalls().screen() : state, {
    headers: { "cache-control": "no-store" },
  });
});
