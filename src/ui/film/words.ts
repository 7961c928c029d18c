import type { Obstacle } from "@/core/live";
import type { VerdictSummary } from "@/core/judge";
import type { LoopShown } from "@/vision/worker/liveProtocol";

/** A state in the words that are read from 5 m, and the sentence under them. */
export interface Announcement {
  word: string;
  more: string;
}

/** What the loop waits for, by its state. */
export function stateWords(
  loop: Pick<LoopShown, "state" | "obstacle">,
  stillStart: boolean,
): Announcement {
  switch (loop.state) {
    case "looking":
      return { word: "Step into the picture", more: "Whole body and feet." };
    case "leaving":
      return { word: "Come back", more: "You are out of the picture." };
    case "settling":
      return stillStart
        ? { word: "Stand still", more: "Take your place; a high note says go." }
        : { word: "Take your place", more: "A high note says go." };
    case "armed":
      return { word: "Go", more: "Whenever you like." };
    case "moving":
      return { word: "Go on", more: "" };
    case "judging":
      return { word: "Seen", more: "" };
    case "paused":
      return { word: "Paused", more: "Raise both arms for a second to go on." };
    case "blocked":
      return loop.obstacle ? OBSTACLES[loop.obstacle] : { word: "Wait", more: "" };
    case "done":
      return { word: "Bout done", more: "" };
  }
}

const OBSTACLES: Record<Obstacle, Announcement> = {
  "phone moved": { word: "Phone moved", more: "See that it stands firm. It goes on by itself." },
  "somebody in the way": { word: "Wait", more: "Somebody is between you and the phone." },
  dark: { word: "Too dark", more: "Turn on a light." },
  "camera lost": { word: "Camera gone", more: "Look at the phone." },
  hidden: { word: "Page hidden", more: "Bring it back to the front." },
};

/** Why a rep was not judged and what to do, short enough for 5 m. */
const NOT_JUDGED: Record<string, Announcement> = {
  outOfFrame: { word: "Step back one pace", more: "Feet cut off" },
  footNotSeen: { word: "Show both feet", more: "A foot was hidden" },
  wrongView: { word: "Turn the phone", more: "Wrong view" },
  askew: { word: "Square the phone", more: "Not square" },
  secondPerson: { word: "Do another", more: "Somebody passed" },
  movedCamera: { word: "Fix the phone", more: "The phone moved" },
  dark: { word: "More light", more: "Too dark" },
  blurred: { word: "More light", more: "Too blurred" },
  small: { word: "Come one pace nearer", more: "Too far off" },
  lost: { word: "Stay in the picture", more: "Lost sight of you" },
  tooClose: { word: "Do another", more: "Too close to call" },
  notMeasurable: { word: "Do another", more: "Not clearly seen" },
};

/** What is shown large of a verdict, and its smaller second line. */
export function verdictWords({ result, cue, reason }: VerdictSummary): Announcement {
  if (result === "fail") return { word: cue?.words ?? "Again", more: "" };
  if (result === "pass") return { word: "Pass", more: "" };
  return NOT_JUDGED[reason?.code ?? ""] ?? { word: "Do another", more: "Not judged" };
}

/** Words on lines as wide as the longest, so that they can be as large as they fit. */
export function lines(words: string): string[] {
  const parts = words.split(" ");
  const most = Math.max(LINE, ...parts.map((p) => p.length));
  const out: string[] = [];
  for (const part of parts) {
    const last = out.at(-1);
    if (last !== undefined && last.length + 1 + part.length <= most)
      out[out.length - 1] = `${last} ${part}`;
    else out.push(part);
  }
  return out;
}

/** A line may be so long, letters, though no word is. */
const LINE = 7;
