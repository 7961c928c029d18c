import type { RepSeries } from "@/core/analysis";
import { SideMark } from "@/ui/kit/glyphs";

/**
 * Events as the golfer names them, in the order of a rep; a to-and-fro's turns and a pivot's with
 * them.
 */
export const EVENT_WORDS: readonly (readonly [name: string, words: string])[] = [
  ["address", "still"],
  ["handStart", "hands start"],
  ["midBack", "halfway back"],
  ["top", "top"],
  ["impact", "strike"],
  ["release", "release"],
  ["finish", "finish"],
  ["pivotStart", "turn begins"],
  ["pivotPeak", "turned"],
  ["pivotBack", "back"],
  ["pressureTurn", "weight turns"],
  ["handsTurn", "hands turn"],
];
/** The same by name; other events are not named to the golfer. */
export const wordsOfEvent: ReadonlyMap<string, string> = new Map(EVENT_WORDS);

/**
 * A rep's events with those of its strip alone: when weight and hands turn round in a to-and-fro,
 * ms.
 */
export const stripEvents = (
  events: Record<string, number>,
  { turn }: RepSeries,
): Record<string, number> => ({
  ...events,
  ...(turn
    ? { handsTurn: turn.hands, ...(turn.pressure === null ? {} : { pressureTurn: turn.pressure }) }
    : {}),
});

/** What the lines of a strip are. */
export function captionOf({ behind, footTurn, turn }: RepSeries): string {
  if (behind)
    return "Dashes: the back of your hips. Grey: the wall they touched at the start. Water: from heels to toes.";
  if (footTurn) return "Ribs: how far the toe points away from where it stood.";
  return `Line: your weight. Dashes: your hips.${turn ? " Dots: your hands. One time to and fro." : ""}`;
}

/** What lies at the two edges of a strip and which way it runs, as in the film. */
export function StripEdges({ series, hand }: { series: RepSeries; hand: "left" | "right" }) {
  const ends = series.behind
    ? [<span key="heels">heels</span>, <span key="toes">toes</span>]
    : [<SideMark key="trail" side="trail" />, <SideMark key="lead" side="lead" />];
  const [left, right] = hand === "right" ? ends : [...ends].reverse();
  const far = series.behind ? "ball" : "target";
  return (
    <>
      {left}
      {hand === "right" ? `${far} →` : `← ${far}`}
      {right}
    </>
  );
}
