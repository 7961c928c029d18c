"use client";

import { useEffect, useId, useMemo, useRef, useState, useSyncExternalStore } from "react";
import type { Movement } from "@/core/play";
import { Button } from "@/ui/kit/button";
import { boxOfMovement, Figure } from "./figure";

const SLOW = 0.25;
const CALM = "(prefers-reduced-motion: reduce)";
const watchMotion = (changed: () => void) => {
  const media = matchMedia(CALM);
  media.addEventListener("change", changed);
  return () => media.removeEventListener("change", changed);
};

/**
 * Plays a movement with the figure: at film speed or slowly, frame by frame, by pointer or keys. It
 * stands still where motion is unwanted.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function Player({
  movement,
  ms,
  seek,
  label,
}: {
  movement: Movement;
  ms: number;
  seek: (ms: number) => void;
  label: string;
}) {
  const calm = useSyncExternalStore(
    watchMotion,
    () => matchMedia(CALM).matches,
    () => true,
  );
  const [wanted, setPlaying] = useState<boolean | null>(null);
  const playing = wanted ?? !calm;
  const [slow, setSlow] = useState(false);
  const at = useRef(ms);
  const id = useId();
  const { fps, frames } = movement;
  const end = ((frames.length - 1) * 1000) / fps;
  const index = Math.min(frames.length - 1, Math.max(0, Math.round((ms * fps) / 1000)));
  const box = useMemo(() => boxOfMovement(movement), [movement]);

  useEffect(() => {
    at.current = ms;
  }, [ms]);
  useEffect(() => {
    if (!playing) return;
    let before = performance.now();
    let asked = 0;
    const tick = (now: number) => {
      at.current += (now - before) * (slow ? SLOW : 1);
      before = now;
      if (at.current > end) at.current = 0;
      seek(at.current);
      asked = requestAnimationFrame(tick);
    };
    asked = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(asked);
  }, [playing, slow, end, seek]);

  const step = (by: number) => {
    setPlaying(false);
    seek(Math.min(end, Math.max(0, ((index + by) * 1000) / fps)));
  };
  return (
    <div
      role="group"
      aria-labelledby={id}
      onKeyDown={(e) => {
        if (e.key === "ArrowLeft" || e.key === "ArrowRight") step(e.key === "ArrowLeft" ? -1 : 1);
        else return;
        e.preventDefault();
      }}
    >
      <svg
        viewBox={`${box.x} ${box.y} ${box.width} ${box.height + 60}`}
        className="h-64 w-full"
        role="img"
        aria-labelledby={id}
      >
        <title id={id}>{label}</title>
        <path d={`M${box.x} 20H${box.x + box.width}`} stroke="var(--hair)" strokeWidth={16} />
        <Figure movement={movement} frame={frames[index]!} />
      </svg>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button onClick={() => setPlaying(!playing)}>{playing ? "Stop" : "Play"}</Button>
        <Button
          aria-pressed={slow}
          className={slow ? "bg-silt" : ""}
          onClick={() => setSlow(!slow)}
        >
          Slow
        </Button>
        <Button aria-label="One picture back" onClick={() => step(-1)}>
          ‹
        </Button>
        <Button aria-label="One picture on" onClick={() => step(1)}>
          ›
        </Button>
      </div>
    </div>
  );
}
