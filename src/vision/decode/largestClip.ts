/** Largest clip that is read or kept, bytes. */
export const LARGEST_CLIP = 2 * 1024 ** 3;
