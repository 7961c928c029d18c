import { startTransition, useEffect, useState } from "react";

/** So many entries of a long list come with the page, and with every step after it. */
const STEP = 40;

/**
 * How many entries of a long list to show: a page of hundreds is there with its first ones, the
 * others follow by themselves as soon as there is time, for whoever looks for one of them or has
 * the page read aloud.
 *
 * @example reps.slice(0, useShownSoFar(reps.length)).map(row)
 */
export function useShownSoFar(total: number): number {
  const [shown, setShown] = useState(STEP);
  useEffect(() => {
    if (shown >= total) return;
    const more = () => startTransition(() => setShown((n) => n + STEP));
    // Not every browser tells when it is idle.
    if (typeof requestIdleCallback === "undefined") {
      const timer = setTimeout(more, 100);
      return () => clearTimeout(timer);
    }
    const idle = requestIdleCallback(more, { timeout: 1000 });
    return () => cancelIdleCallback(idle);
  }, [shown, total]);
  return shown;
}
