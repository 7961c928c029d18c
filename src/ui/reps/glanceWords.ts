import type { Glance } from "@/core/practice";

/** '5 of 8 passed'. */
export const passedWords = ({ passed, judged }: Glance, reps: number): string =>
  judged ? `${passed} of ${judged} passed` : `${reps} ${reps === 1 ? "rep" : "reps"}, none judged`;

export const changeWords = ({ change, judged, passed }: Glance): string =>
  change?.reps === 1 && judged - passed > 1
    ? "Each failed for something else; begin with:"
    : "The one thing to change:";

export const oddOnes = ({ look }: Glance): ReadonlySet<string> =>
  new Set(look.flatMap((l) => (l.why === "odd" ? [l.id] : [])));
