import type { RepCard } from "@/server/reps/bouts";
import { WORDS } from "@/ui/kit/glyphs";

const saysOf = ({ result }: Pick<RepCard, "result">): string =>
  result === null ? "Measured" : WORDS[result];

/** A rep of a list, read out: 'Rep 3: Fail, Lead foot down sooner'. */
export const repLabel = (rep: Pick<RepCard, "number" | "result" | "cue">): string =>
  `Rep ${rep.number}: ${saysOf(rep)}${rep.cue ? `, ${rep.cue}` : ""}`;

/** The same with why it was not judged, for whoever points at it. */
export const repTitle = (rep: Pick<RepCard, "result" | "cue" | "reason">): string =>
  `${saysOf(rep)}${rep.cue ? `: ${rep.cue}` : rep.reason ? `: ${rep.reason}` : ""}`;
