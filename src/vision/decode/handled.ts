/**
 * What is asked for beside something else: its failure is met where it is awaited, or by nobody
 * when that other thing has failed before. Without this a failure that nobody awaits any more ends
 * the process.
 */
export function handled<T>(promise: Promise<T>): Promise<T> {
  promise.catch(() => {});
  return promise;
}
