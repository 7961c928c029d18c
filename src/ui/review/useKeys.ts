import { useEffect, useRef } from "react";

/** What each key does; whether shift is held. */
type Keys = Readonly<Record<string, (shift: boolean) => void>>;

/**
 * Whether a key that is pressed here is for the element itself: letters in a field, space on what
 * can be pressed.
 */
function isForItself({ target, key }: KeyboardEvent): boolean {
  if (!(target instanceof HTMLElement)) return false;
  const ticks = target instanceof HTMLInputElement && target.type === "checkbox";
  const types = /^(INPUT|SELECT|TEXTAREA)$/.test(target.tagName) && !ticks;
  return types || (key === " " && (ticks || /^(BUTTON|SUMMARY|A)$/.test(target.tagName)));
}

/** Listens to keys on the whole page. */
export function useKeys(keys: Keys): void {
  const now = useRef(keys);
  useEffect(() => void (now.current = keys), [keys]);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const act = now.current[e.key];
      if (!act || isForItself(e) || e.ctrlKey || e.metaKey || e.altKey) return;
      act(e.shiftKey);
      e.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
