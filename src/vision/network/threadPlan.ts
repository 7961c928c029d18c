/** How the network is spread over the processor. */
export interface ThreadPlan {
  /** Copies of it, each in a thread of its own with a picture of its own. */
  networks: number;
  /** Processor threads of each. */
  threads: number;
}

/**
 * Two copies where there are two cores: they read 1.1 to 1.2 times as many pictures a second as one
 * copy on two threads, which wait for each other at every layer (docs/performance.md). Four cores
 * and more serve two threads each.
 *
 * @param cores of the processor
 * @param shared whether threads may share memory (a page that is isolated, and Node)
 */
export function threadPlan(cores: number, shared: boolean): ThreadPlan {
  return { networks: Math.min(2, Math.max(1, cores)), threads: shared && cores >= 4 ? 2 : 1 };
}
