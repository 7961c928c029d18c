/** What a bench keeps in the page that it measures. */
interface Window {
  /** Durations of long tasks, ms. */
  tasks: number[];
  /** From a key to the next picture, ms. */
  took: number[];
}
