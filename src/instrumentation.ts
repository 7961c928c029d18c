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
