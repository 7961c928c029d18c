import type { ClipQuestion, RepSeries } from "@/core/analysis";
import type { Verdict } from "@/core/judge";
import type { Problem } from "@/core/scene";
import { capital } from "@/ui/kit/capital";
import { inWords } from "@/ui/kit/inWords";
import type { Progress } from "@/vision/worker/protocol";

/** What the golfer has answered of a clip. */
export interface ClipAnswer {
  /** Pictures a second at which it was really filmed. */
  captureFps?: number;
  /** It is this drill by this hand, whatever it looks like. */
  sure?: boolean;
  /** It was filmed of the other hand, or by a camera that mirrors. */
  otherHand?: boolean;
}

/** One chosen clip on its way to a verdict. */
export interface ClipItem {
  id: number;
  file: File;
  state: ClipState;
}

export type ClipState =
  | { step: "waiting" }
  | { step: "working"; progress: Progress; startedAt: number }
  | { step: "keeping" }
  | {
      step: "asks";
      question: ClipQuestion;
      /** What was answered of it before. */
      answered: ClipAnswer;
      track: { bytes: Uint8Array; sha256: string };
      clipSha256: string;
    }
  | {
      step: "done";
      repId: string;
      verdict: Verdict | null;
      series: RepSeries;
      events: Record<string, { t: number; u: number }>;
    }
  | { step: "nothing"; problems: Problem[] }
  | { step: "failed"; message: string; action: string; again: boolean }
  | { step: "stopped" };

export type Change =
  | { type: "add"; files: { id: number; file: File }[] }
  | { type: "state"; id: number; state: ClipState }
  | { type: "stopAll" }
  | { type: "remove"; id: number };

/** The list of clips as it changes: kept apart from the view. */
export function changeQueue(items: ClipItem[], change: Change): ClipItem[] {
  switch (change.type) {
    case "add":
      return [
        ...items,
        ...change.files.map((f) => ({ ...f, state: { step: "waiting" } as const })),
      ];
    case "state":
      return items.map((i) => (i.id === change.id ? { ...i, state: change.state } : i));
    case "stopAll":
      return items.map((i) =>
        i.state.step === "waiting" ? { ...i, state: { step: "stopped" } } : i,
      );
    case "remove":
      return items.filter((i) => i.id !== change.id);
  }
}

/** What is said above the clips: what needs the golfer first. */
export function headline(items: ClipItem[]): string {
  if (!items.length) return "Read what you have filmed";
  const count = (steps: ClipState["step"][]) =>
    items.filter((i) => steps.includes(i.state.step)).length;
  const said: string[] = [];
  const ask = count(["asks"]);
  const failed = count(["failed", "nothing"]);
  const open = count(["waiting", "working", "keeping"]);
  const stopped = count(["stopped"]);
  if (ask) said.push(`${inWords(ask)} ${ask === 1 ? "needs" : "need"} an answer`);
  if (failed) said.push(`${inWords(failed)} can’t be read`);
  if (!said.length && !open && stopped)
    return stopped === items.length
      ? "Nothing was read: you stopped it"
      : `${capital(inWords(items.length - stopped))} of ${inWords(items.length)} clips read; you stopped the rest`;
  if (!said.length)
    return open
      ? `Reading ${open === 1 ? "one clip" : `${inWords(open)} clips`}`
      : items.length === 1
        ? "Your clip is read"
        : "All your clips are read";
  return capital(said.join(", "));
}

/** Words for a time that is left: to 10 s within ten minutes, to a minute beyond. */
export function inTime(seconds: number): string {
  if (seconds < 90) return `${seconds} s`;
  const tens = Math.round(seconds / 10) * 10;
  if (tens >= 600) return `${Math.round(seconds / 60)} min`;
  return tens % 60 ? `${Math.floor(tens / 60)} min ${tens % 60} s` : `${tens / 60} min`;
}

/** Seconds left, from how long the pictures so far have taken; null until that can be told. */
export function secondsLeft(progress: Progress, startedAt: number, now: number): number | null {
  const { far } = progress;
  if (!far || far.done < 12) return null;
  return Math.max(1, Math.round((((now - startedAt) / far.share) * (1 - far.share)) / 1000));
}
