/**
 * Control letters, and those that turn the direction of writing: they can't be shown, and hide what
 * is written. Line breaks and tabs apart.
 */
const HIDDEN =
  /[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u200e\u200f\u2028-\u202e\u2066-\u2069\ufeff]/;
const BROKEN = /[\t\n\r]/;

/** Why a text can't be shown, for a schema. */
export const CANT_SHOW = "Holds letters that can't be shown.";

/** Whether all of a text can be shown. @example isShown("Wren\u0000") // false */
export const isShown = (text: string): boolean => !HIDDEN.test(text.replace(/\r\n/g, "\n"));

/** The same for what stands on one line. */
export const isLine = (text: string): boolean => isShown(text) && !BROKEN.test(text);
