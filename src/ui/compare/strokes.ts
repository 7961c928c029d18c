/** Reps are told apart by the stroke: whole, dashed, dotted, both. */
export const STROKES: readonly (readonly number[])[] = [[], [9, 6], [0.1, 6], [10, 5, 0.1, 5]];
