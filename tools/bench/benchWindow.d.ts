/** What a bench keeps in the page that it measures. */
interface Window {
  /** The hooks of the page that films. */
  kingfisherBench: {
    calls?: () => Promise<number>;
    pictures: () => Promise<{ taken: number }>;
  };
  /** Durations of long tasks, ms. */
  tasks: number[];
  /** From a key to the next picture, ms. */
  took: number[];
}
