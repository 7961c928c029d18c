/** Words with a large first letter. */
export const capital = (words: string): string => words.slice(0, 1).toUpperCase() + words.slice(1);
