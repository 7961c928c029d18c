import type { Instrumentation } from "next";

/**
 * Runs once when the server starts: opens the database, and brings files and rows together after a
 * crash.
 */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs" || process.env.NEXT_PHASE === "phase-production-build")
    return;
  const { start } = await import("./server/start");
  await start();
}

/** What no page or route expected goes into the server's log, with what was asked for. */
export const onRequestError: Instrumentation.onRequestError = async (error, request, context) => {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { log } = await import("./server/log");
  const expected = error instanceof Error && error.name === "UserError";
  log()[expected ? "info" : "error"](
    {
      err: error,
      method: request.method,
      path: request.path.split("?")[0],
      kind: context.routeType,
    },
    "a request failed",
  );
};
