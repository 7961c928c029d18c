import { useCallback, useEffect, useState } from "react";
import type { FrontState } from "@/front/calls";

/** Asked again so often while the page is open, ms. */
const POLL_MS = 1000;

/**
 * What the front is and who asks it, as it is now; null while it is off. An offer that the page shows
 * lives for as long as this asks.
 */
export function useFront(initial: FrontState | null): [FrontState | null, () => Promise<void>] {
  const [state, setState] = useState(initial);
  const offered = Boolean(state?.offer);
  const ask = useCallback(async () => {
    const response = await fetch(`/api/phones${offered ? "?offered" : ""}`).catch(() => null);
    if (response?.ok) setState((await response.json()) as FrontState | null);
  }, [offered]);
  useEffect(() => {
    const timer = setInterval(() => void ask(), POLL_MS);
    return () => clearInterval(timer);
  }, [ask]);
  return [state, ask];
}
