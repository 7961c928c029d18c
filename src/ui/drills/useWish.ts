"use client";

import { useSearchParams } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { search } from "@/core/choose";

/**
 * What is asked of the list: a complaint's id, words, and what a drill must be. It stands in the
 * address, so that a choice can be linked to and the way back works.
 */
const WISH = { notice: "", q: "", place: "any", minutes: "any", level: "any", trains: "any" };
export type Wish = typeof WISH;

/** Typing has paused after so long, ms. */
const PAUSE_MS = 400;

/** What is asked of the list now, and how it is changed. */
export function useWish(): {
  wish: Wish;
  change: (more: Partial<Wish>) => void;
  /** The field was left: the address follows at once. */
  left: () => void;
} {
  const asked = useSearchParams();
  // The address follows typing a moment later: the words themselves are held here.
  const [words, setWords] = useState(asked.get("q") ?? "");
  useEffect(() => {
    // What bench:choose counts from: from now on keys and clicks are answered.
    performance.mark("usable");
    // The first search takes ten times as long as the next ones.
    const warm = setTimeout(() => search("warm"), PAUSE_MS);
    const back = () => setWords(new URLSearchParams(window.location.search).get("q") ?? "");
    window.addEventListener("popstate", back);
    return () => {
      clearTimeout(warm);
      window.removeEventListener("popstate", back);
    };
  }, []);
  const late = useRef<{ follow: () => void; timer: ReturnType<typeof setTimeout> } | null>(null);
  const wish: Wish = {
    ...(Object.fromEntries(
      Object.entries(WISH).map(([key, usual]) => [key, asked.get(key) ?? usual]),
    ) as Wish),
    q: words,
  };
  function change(more: Partial<Wish>) {
    if (more.q !== undefined) setWords(more.q);
    const query = new URLSearchParams(
      Object.entries({ ...wish, ...more }).filter(
        ([key, value]) => value !== WISH[key as keyof Wish],
      ),
    );
    const address = `/drills${query.size ? `?${query}` : ""}`;
    clearTimeout(late.current?.timer);
    late.current = null;
    if (more.notice) return window.history.pushState(null, "", address);
    const follow = () => {
      late.current = null;
      window.history.replaceState(null, "", address);
    };
    // Every change of the address draws the page anew: typing does it once it pauses, or leaves the
    // field.
    if (more.q && !wish.notice) late.current = { follow, timer: setTimeout(follow, PAUSE_MS) };
    else follow();
  }
  return {
    wish,
    change,
    left: () => {
      clearTimeout(late.current?.timer);
      late.current?.follow();
    },
  };
}
