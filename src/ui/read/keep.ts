import type { ClipQuestion, RepSeries } from "@/core/analysis";
import type { VerdictSummary, Verdict } from "@/core/judge";
import type { Problem } from "@/core/scene";

/** The server's own words on why something was not kept. */
export class NotKeptError extends Error {
  override name = "NotKeptError";
}

export interface KeptReps {
  ids: string[];
  problems: Problem[];
  /** What must be answered before anything is kept. */
  question: ClipQuestion | null;
  reps: {
    verdict: Verdict | null;
    series: RepSeries;
    events: Record<string, { t: number; u: number }>;
  }[];
}

/** Sends a film or a track under its hash; returns when it is whole on the computer's disk. */
export async function sendBlob(
  kind: "clips" | "tracks",
  sha256: string,
  body: Blob,
): Promise<void> {
  await said(await fetch(`/api/${kind}/${sha256}`, { method: "PUT", body }));
}

/**
 * Whom a film or a clip is for, fixed when it begins: another golfer may be chosen before it is
 * sent.
 */
export interface FilmedFor {
  id: string;
  hand: "left" | "right";
  statureCm: number;
}

/** Has an uploaded track judged and its reps kept. */
export async function keepReps(request: {
  golfer: FilmedFor;
  drillVersion?: number;
  clip: { sha256: string; name: string; bytes: number };
  trackSha256: string;
  drill: string;
  stage?: string;
  captureFps?: number;
  sure?: boolean;
  live?: { boutId: string; at: string; told: (VerdictSummary & { about: number })[] };
}): Promise<KeptReps> {
  const response = await said(
    await fetch("/api/reps", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(request),
    }),
  );
  return (await response.json()) as KeptReps;
}

/**
 * Has the reps of a clip in a bout taken out of the log again: the golfer says that they do not
 * count.
 */
export async function takeBack(
  golferId: string,
  boutId: string,
  clipSha256: string,
): Promise<void> {
  await said(
    await fetch(
      `/api/reps?${new URLSearchParams({ golfer: golferId, bout: boutId, clip: clipSha256 })}`,
      { method: "DELETE" },
    ),
  );
}

/**
 * The server's own words, where it has any. By hand: a page that films loads no library for one
 * field.
 */
const messageOf = (body: unknown): string | null =>
  typeof body === "object" && body !== null && "message" in body && typeof body.message === "string"
    ? body.message
    : null;

async function said(response: Response): Promise<Response> {
  if (response.ok) return response;
  throw new NotKeptError(
    messageOf(await response.json().catch(() => null)) ??
      `The program answered ${response.status}.`,
  );
}
