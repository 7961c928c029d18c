import { EVENT_WORDS } from "@/ui/charts/strip/words";

/** Foot events in the golfer's words, after the foot's own. */
export const FOOT_WORDS: Readonly<Record<string, string>> = {
  heelUp: "heel lifts",
  heelDown: "heel down",
  liftOff: "foot leaves",
  landing: "foot lands",
};

/** An event in the golfer's words. */
export const eventWords = (name: string): string =>
  EVENT_WORDS.find(([n]) => n === name)?.[1] ?? name.replace(/([A-Z])/g, " $1").toLowerCase();
