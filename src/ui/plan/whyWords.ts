import { CATALOGUE, type MeasureId } from "@/core/measures";
import { findSymptom } from "@/core/choose";
import type { Why } from "@/core/practice";

/** Why a bout is there, in a few words. */
export function whyWords(why: Why, nameOf: (drillId: string) => string): string {
  switch (why.kind) {
    case "swing":
      return `your swing: ${CATALOGUE[why.measure as MeasureId]?.name.toLowerCase() ?? why.measure}`;
    case "goal":
      return `you notice: ${findSymptom(why.symptom)?.name.toLowerCase() ?? why.symptom}`;
    case "path":
      return `goes on from ${nameOf(why.from)}`;
    case "back":
      return `${why.passed} of the last ${why.of} passed: the stage before`;
    case "carry":
      return "does it carry over?";
    case "chosen":
      return "you put it there";
    case "goesOn":
      return "goes on";
  }
}
