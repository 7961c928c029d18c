const WORDS = ["no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine"];

/** A small number as a word: 3 → 'three'; from ten on its figures. */
export const inWords = (n: number): string => WORDS[n] ?? String(n);
