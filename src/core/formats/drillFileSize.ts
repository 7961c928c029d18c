/** The largest drill file that is read, bytes. The built-in drills are files of up to 20 kB. */
export const LARGEST_DRILL_FILE = 200_000;
/** What is said of a larger one. */
export const DRILL_FILE_TOO_LARGE = `It is larger than a drill can be (${LARGEST_DRILL_FILE / 1000} kB).`;
