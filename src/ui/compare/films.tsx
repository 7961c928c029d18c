"use client";

import { useCallback, useMemo, useState } from "react";
import { warp } from "@/core/practice/compare";
import { eventTimes } from "@/core/toldEvents";
import type { RepDetail } from "@/server/reps/queries";
import type { Drawn, OverlayPart } from "@/ui/picture/overlay";
import { Button } from "@/ui/kit/button";
import { Film } from "@/ui/review/film";
import { filmRange } from "@/ui/review/filmRange";
import { nearestFrame } from "@/ui/review/nearestFrame";
import { usePlayback } from "@/ui/review/usePlayback";
import { useTrack, type LoadedTrack } from "@/ui/review/useTrack";

const JOINTS: ReadonlySet<OverlayPart> = new Set<OverlayPart>(["joints"]);

/** Films of reps side by side on the first one's clock: aligned by their events, or each in its own time from the top on. */
export function Films({ reps, names, aligned }: { reps: readonly RepDetail[]; names: readonly string[]; aligned: boolean }) {
  const first = useTrack(reps[0]!);
  if (!first) return <p className="mt-6 text-ink-2">Fetching the films…</p>;
  return <Played reps={reps} names={names} aligned={aligned} first={first} />;
}

function Played({ reps, names, aligned, first }: { reps: readonly RepDetail[]; names: readonly string[]; aligned: boolean; first: LoadedTrack }) {
  const [one] = reps as [RepDetail, ...RepDetail[]];
  const { times } = first.track;
  const range = useMemo(() => filmRange(times, one.series), [times, one]);
  const play = usePlayback(times, range, nearestFrame(times, eventTimes(one.events).top ?? one.series.t[0]!), 0.25);
  const ms = times[play.frame]!;
  return (
    <section aria-label="Films" className="mt-6">
      <div className="flex flex-wrap gap-4">
        {reps.map((r, k) => <One key={r.id} rep={r} first={one} name={names[k]!} ms={ms} aligned={aligned} share={reps.length} step={play.step} />)}
      </div>
      <label className="mt-2 block max-w-[900px]">
        <span className="sr-only">Picture</span>
        <input type="range" min={range[0]} max={range[1]} value={play.frame} onChange={(e) => play.go(Number(e.target.value))} aria-valuetext={`${Math.round(ms)} ms`} className="w-full accent-ink" />
      </label>
      <div className="flex gap-2">
        <Button look="main" onClick={play.toggle}>{play.playing ? "Pause" : "Play at ¼ speed"}</Button>
        <Button onClick={() => play.step(-1)} aria-label="One picture back">−1</Button>
        <Button onClick={() => play.step(1)} aria-label="One picture on">+1</Button>
      </div>
    </section>
  );
}

function One({ rep, first, name, ms, aligned, share, step }: { rep: RepDetail; first: RepDetail; name: string; ms: number; aligned: boolean; share: number; step(by: number): void }) {
  const loaded = useTrack(rep);
  const [lost, setLost] = useState(!rep.clip.kept);
  const onLost = useCallback(() => setLost(true), []);
  const to = useMemo(() => {
    if (rep === first) return (t: number) => t;
    const [a, b] = [eventTimes(first.events), eventTimes(rep.events)];
    const [topA, topB] = [a.top ?? first.series.t[0]!, b.top ?? rep.series.t[0]!];
    return aligned ? warp(a, b, [topA, topB]) : (t: number) => t - topA + topB;
  }, [rep, first, aligned]);
  const range = useMemo(() => loaded && filmRange(loaded.track.times, rep.series), [loaded, rep]);
  const drawn = useMemo<Drawn | null>(() => loaded && { track: loaded.track, hand: rep.hand, series: rep.series, limits: [], cmPerPx: null, address: 0 }, [loaded, rep]);
  return (
    <figure className="w-[min(100%,360px)]">
      {loaded && range && drawn ? (
        <Film src={lost ? null : `/api/clips/${rep.clip.sha256}`} drawn={drawn} range={range} frame={Math.min(Math.max(nearestFrame(loaded.track.times, to(ms)), range[0]), range[1])} parts={JOINTS} feet={false} filmSecondsPerMs={loaded.filmRate / 1000} share={share} onDrag={step} onLost={onLost} />
      ) : (
        <div className="aspect-square bg-silt" />
      )}
      <figcaption className="mt-1 font-semibold">{name}{lost && <span className="font-normal text-ink-2">: the film was not kept</span>}</figcaption>
    </figure>
  );
}
