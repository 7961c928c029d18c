"use client";

import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from "react";
import type { Joints } from "@/core/practice";
import {
  drawFigure,
  drawOverlay,
  feetView,
  viewOf,
  type Drawn,
  type OverlayPart,
  type OverlayView,
} from "@/ui/picture/overlay";
import { useKeptFiles } from "@/ui/kit/keptFiles";
import { Frames, keptPx, type FramesState } from "./frames";

/** Painted so large, px. */
const PX = 440;

interface Props {
  /** The film, by its hash; null where none was kept. */
  src: string | null;
  drawn: Drawn;
  /** First and last picture that can be gone to. */
  range: readonly [first: number, last: number];
  frame: number;
  parts: ReadonlySet<OverlayPart>;
  /** Other figures over it. */
  over?: readonly { joints: Joints; dash: readonly number[] }[];
  /** The feet alone, larger. */
  feet: boolean;
  /** The film's own seconds for one ms of what happened (slow-motion film runs longer). */
  filmSecondsPerMs: number;
  /** How many films share the room there is for pictures. */
  share?: number;
  /** The golfer draws across the film: so many pictures on. */
  onDrag(frames: number): void;
  onLost(): void;
}

const WAITING: FramesState = { share: 0, failed: false };
const NO_OTHERS: NonNullable<Props["over"]> = [];
const nothing = () => () => {};

/**
 * The film, cut to the golfer, with what is known of the shown picture over it: every picture
 * decoded beforehand, so that film and strip are never apart. Without a film: the joints alone.
 */
export function Film({
  src,
  drawn,
  range,
  frame,
  parts,
  over = NO_OTHERS,
  feet,
  filmSecondsPerMs,
  share: films = 1,
  onDrag,
  onLost,
}: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { track } = drawn;
  const [first, last] = range;
  const view = useMemo(
    () => (feet ? feetView(track, first, last) : viewOf(track)),
    [track, feet, first, last],
  );
  const frames = useFrames(src, drawn, range, view, frame, filmSecondsPerMs, films);
  const { share, failed } = useSyncExternalStore(
    frames?.subscribe ?? nothing,
    frames?.state ?? (() => WAITING),
    () => WAITING,
  );
  useEffect(() => {
    if (failed) onLost();
  }, [failed, onLost]);
  const drag = useRef<{ x: number; frames: number } | null>(null);

  useEffect(() => {
    const ctx = canvas.current?.getContext("2d");
    if (!ctx) return;
    const picture = frames?.get(frame) ?? null;
    ctx.clearRect(0, 0, PX, PX);
    if (picture) ctx.drawImage(picture, 0, 0, PX, PX);
    for (const { joints, dash } of over) drawFigure(ctx, joints, dash, view, PX);
    drawOverlay(ctx, drawn, frame, parts, view, PX);
    // For whoever measures: what is painted now.
    canvas.current!.dataset.frame = `${frame}`;
    canvas.current!.dataset.figures = `${over.length}`;
    canvas.current!.dataset.painted = picture ? "film" : "joints";
  }, [frames, frame, drawn, parts, over, view, share]);

  return (
    <div className="relative aspect-square w-full max-w-[440px] overflow-hidden bg-silt">
      <canvas
        ref={canvas}
        width={PX}
        height={PX}
        data-film={src !== null && share === 1 && !failed ? "ready" : "reading"}
        role="img"
        aria-label={`Picture ${frame - first + 1} of ${last - first + 1}`}
        className="absolute inset-0 size-full cursor-ew-resize touch-pan-y"
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          drag.current = { x: e.clientX, frames: 0 };
        }}
        onPointerMove={(e) => {
          if (!drag.current || !e.buttons) return;
          const by = Math.round((e.clientX - drag.current.x) / PX_PER_FRAME) - drag.current.frames;
          drag.current.frames += by;
          if (by) onDrag(by);
        }}
        onPointerUp={() => (drag.current = null)}
      />
      {src !== null && share < 1 && (
        <label className="absolute inset-x-3 bottom-3 bg-paper p-2 text-[14px]">
          The film’s pictures are read
          <progress className="mt-1 block h-2 w-full accent-ink" value={share} max={1} />
        </label>
      )}
    </div>
  );
}

/** A finger that goes so far goes one picture on, px. */
const PX_PER_FRAME = 4;

/** The decoded pictures of a rep as one view shows them; read anew for another view. */
function useFrames(
  src: string | null,
  { track }: Drawn,
  [first, last]: readonly [number, number],
  view: OverlayView,
  frame: number,
  filmSecondsPerMs: number,
  films: number,
): Frames | null {
  const files = useKeptFiles();
  const [film, setFilm] = useState<{ src: string; blob: Blob | null } | null>(null);
  const [frames, setFrames] = useState<Frames | null>(null);
  const at = useRef(frame);
  useEffect(() => void (at.current = frame), [frame]);
  useEffect(() => {
    if (!src) return;
    let current = true;
    void files("clips", src)
      .catch(() => null)
      .then((blob) => current && setFilm({ src, blob }));
    return () => {
      current = false;
    };
  }, [src, files]);
  useEffect(() => {
    if (!film || film.src !== src) return;
    const count = last - first + 1;
    const own = new Frames(track.times, filmSecondsPerMs, count);
    const half = (track.times[1]! - track.times[0]!) / 2;
    const s = (i: number) => Math.max(0, (track.times[i]! + half) * filmSecondsPerMs);
    const asked = {
      fromS: Math.max(0, s(first) - 2 * half * filmSecondsPerMs),
      toS: s(last),
      firstS: s(at.current),
      square: view,
      px: keptPx(PX, count * films),
    };
    void Promise.resolve().then(() => {
      setFrames(own);
      return own.read(film.blob ?? new Blob([]), asked);
    });
    return () => own.close();
  }, [film, src, track, first, last, view, filmSecondsPerMs, films]);
  return frames;
}
