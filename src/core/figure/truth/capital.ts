/** A name with a capital, as it stands at the end of a measure's id. */
export const capital = (name: string): string => name[0]!.toUpperCase() + name.slice(1);
