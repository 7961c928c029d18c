"use client";

import { useEffect, useRef } from "react";
import type { Track } from "@/core/track/track";
import { drawOverlay, viewOf } from "@/ui/picture/overlay";

interface Props {
  src: string | null;
  track: Track | null;
  hand: "left" | "right";
  frame: number;
  playing: boolean;
  rate: number;
  /** The film's own seconds for one ms of what happened (slow-motion film runs longer). */
  filmSecondsPerMs: number;
  onFrame(frame: number): void;
  onEnd(): void;
  onLost(): void;
}

const PX = 440;

/** The film, cut to the golfer, with the joints of the shown frame over it. Without a film: the joints alone. */
export function Film({ src, track, hand, frame, playing, rate, filmSecondsPerMs, onFrame, onEnd, onLost }: Props) {
  const video = useRef<HTMLVideoElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const view = track && viewOf(track);

  useEffect(() => {
    const ctx = canvas.current?.getContext("2d");
    if (ctx && track) drawOverlay(ctx, track, frame, hand, viewOf(track), PX);
  }, [track, frame, hand]);

  // While it stands, the film is put in the middle of the shown frame; while it plays, the film leads.
  useEffect(() => {
    const v = video.current;
    if (!v || !track || playing) return;
    const half = (track.times[1]! - track.times[0]!) / 2;
    const seek = () => (v.currentTime = (track.times[frame]! + half) * filmSecondsPerMs);
    if (v.readyState > 0) seek();
    else v.addEventListener("loadedmetadata", seek, { once: true });
    return () => v.removeEventListener("loadedmetadata", seek);
  }, [track, frame, playing, filmSecondsPerMs]);

  useEffect(() => {
    const v = video.current;
    if (!v || !track || !playing) return;
    v.playbackRate = rate;
    void v.play().catch(onEnd);
    let handle = 0;
    const shown: VideoFrameRequestCallback = (_, { mediaTime }) => {
      onFrame(nearestFrame(track.times, mediaTime / filmSecondsPerMs));
      handle = v.requestVideoFrameCallback(shown);
    };
    handle = v.requestVideoFrameCallback(shown);
    return () => {
      v.cancelVideoFrameCallback(handle);
      v.pause();
    };
  }, [track, playing, rate, filmSecondsPerMs, onFrame, onEnd]);

  return (
    <div className="relative aspect-square w-full max-w-[440px] overflow-hidden bg-silt">
      {src && track && view && (
        <video
          ref={video}
          src={src}
          muted
          playsInline
          preload="auto"
          onEnded={onEnd}
          onError={onLost}
          className="absolute max-w-none"
          style={{ width: `${(track.video.width / view.size) * 100}%`, left: `${(-view.left / view.size) * 100}%`, top: `${(-view.top / view.size) * 100}%` }}
        />
      )}
      <canvas ref={canvas} width={PX} height={PX} className="absolute inset-0 size-full" aria-hidden />
      {!track && <p className="grid h-full place-items-center text-ink-2">Fetching the track…</p>}
    </div>
  );
}

export function nearestFrame(times: Float64Array, ms: number): number {
  let lo = 0;
  let hi = times.length - 1;
  while (lo < hi) {
    const mid = (lo + hi) >> 1;
    if (times[mid]! < ms) lo = mid + 1;
    else hi = mid;
  }
  return lo > 0 && ms - times[lo - 1]! < times[lo]! - ms ? lo - 1 : lo;
}
