import type { Level } from "@/core/drills";

/** What stands before a check's band: what it does for the verdict. */
export const ROLE_WORDS: Record<Level, string> = {
  must: "Wanted",
  limit: "Limit",
  advice: "Advice",
};
