import Fuse from "fuse.js";
import { DRILLS, type Drill } from "../drills";
import { SYMPTOM_ROWS, type Symptom } from "./symptoms";

/** Fewer letters than this say nothing. */
export const SHORTEST = 2;
/** More than a sentence says no more; the search takes longer with every letter. */
const LONGEST = 120;
/** How far a word may be from what is written: 0 exact, 1 anything. */
const FORGIVING = 0.38;

const drills = new Fuse<Drill>(DRILLS, {
  keys: [
    { name: "name", weight: 3 },
    { name: "why", weight: 1 },
    { name: "trains", weight: 1 },
    { name: "gear.name", weight: 1 },
  ],
  threshold: FORGIVING,
  ignoreLocation: true,
  ignoreDiacritics: true,
});
const symptoms = new Fuse<Symptom>(SYMPTOM_ROWS, {
  keys: [{ name: "name", weight: 2 }, { name: "alsoSaid", weight: 2 }, "usually"],
  threshold: FORGIVING,
  ignoreLocation: true,
  ignoreDiacritics: true,
});

/**
 * What somebody may mean who types this: complaints and drills, the likeliest first; misspelt words
 * count.
 */
export function search(text: string): { symptoms: Symptom[]; drills: Drill[] } {
  const words = text.trim().slice(0, LONGEST);
  if (words.length < SHORTEST) return { symptoms: [], drills: [] };
  return {
    symptoms: symptoms.search(words).map((r) => r.item),
    drills: drills.search(words).map((r) => r.item),
  };
}
