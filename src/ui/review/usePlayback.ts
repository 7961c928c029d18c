"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import { nearestFrame } from "@/core/track";

/** One clock for film and strip: which picture is shown, and what moves it. */
export interface Playback {
  frame: number;
  playing: boolean;
  /** Played again and again, pictures; null: on to the end. */
  loop: readonly [from: number, to: number] | null;
  go(frame: number): void;
  /** Goes on by so many pictures. */
  step(by: number): void;
  /** To the picture that is nearest to a time, ms. */
  seek(ms: number): void;
  toggle(): void;
  setLoop(loop: readonly [from: number, to: number] | null): void;
}

/**
 * @param times of the track's pictures, ms
 * @param range first and last picture that can be gone to
 * @param rate of what happened: 0.25 is a quarter of its speed
 */
export function usePlayback(
  times: Float64Array,
  [first, last]: readonly [number, number],
  start: number,
  rate: number,
): Playback {
  const [frame, setFrame] = useState(start);
  const [playing, setPlaying] = useState(false);
  const [loop, setLoop] = useState<Playback["loop"]>(null);
  const at = useRef(start);
  const put = useCallback(
    (to: number) => setFrame((at.current = Math.min(Math.max(to, first), last))),
    [first, last],
  );
  const go = useCallback(
    (to: number) => {
      setPlaying(false);
      put(to);
    },
    [put],
  );
  const step = useCallback((by: number) => go(at.current + by), [go]);
  const seek = useCallback((ms: number) => go(nearestFrame(times, ms)), [go, times]);
  const toggle = useCallback(() => {
    if (at.current >= last) put(first);
    setPlaying((p) => !p);
  }, [first, last, put]);

  useEffect(() => {
    if (!playing) return;
    const [from, to] = loop ?? [first, last];
    if (loop && (at.current < from || at.current >= to)) put(from);
    // The clock is the screen's: how late a picture comes does not add up.
    let began: { at: number; ms: number } | null = null;
    let handle = requestAnimationFrame(function paint(now) {
      began ??= { at: now, ms: times[at.current]! };
      const ms = began.ms + (now - began.at) * rate;
      if (ms < times[to]!) put(nearestFrame(times, ms));
      else if (loop) {
        put(from);
        began = null;
      } else return go(to);
      handle = requestAnimationFrame(paint);
    });
    return () => cancelAnimationFrame(handle);
  }, [playing, loop, first, last, times, rate, put, go]);

  return { frame, playing, loop, go, step, seek, toggle, setLoop };
}
