import type { Brief } from "@/core/play";

/** Where a stage's target, or one of its faults, is played for a golfer. */
export const movementUrl = (
  drillId: string,
  stageId: string,
  fault: string | null,
  golfer: { statureCm: number; hand: "left" | "right" },
): string =>
  `/api/movements/${drillId}/${stageId}?stature=${golfer.statureCm}&hand=${golfer.hand}${fault ? `&fault=${fault}` : ""}`;

const asked = new Map<string, Promise<Brief>>();

/** A small picture's data: fetched once for each movement and golfer, again after a failure. */
export function briefMovement(
  drillId: string,
  stageId: string,
  fault: string | null,
  golfer: { statureCm: number; hand: "left" | "right" },
): Promise<Brief> {
  const url = `${movementUrl(drillId, stageId, fault, golfer)}&brief=1`;
  const known = asked.get(url);
  if (known) return known;
  const coming = fetch(url).then((r) =>
    r.ok ? (r.json() as Promise<Brief>) : Promise.reject(new Error(String(r.status))),
  );
  coming.catch(() => asked.delete(url));
  asked.set(url, coming);
  return coming;
}
