"use client";

import Link from "next/link";
import { useCallback, useEffect, useMemo, useState } from "react";
import { readTrack } from "@/core/formats/trackFile";
import { AlsoMeasured } from "./alsoMeasured";
import { failWords } from "@/core/judge/judge";
import { finishTrack } from "@/core/track/finishTrack";
import { realTime } from "@/core/track/realTime";
import type { Track } from "@/core/track/track";
import type { RepDetail } from "@/server/reps/queries";
import { Button } from "@/ui/kit/button";
import { glyphOf, VerdictGlyph, WORDS } from "@/ui/kit/glyphs";
import { Film, nearestFrame } from "./film";
import { StripPanel } from "./stripPanel";

/** A rep: film with joints, the strip on the same clock, checks at their gates, the cue, and what to do next. */
export function RepReview({ rep }: { rep: RepDetail }) {
  const [track, setTrack] = useState<Track | null>(null);
  const [lost, setLost] = useState(!rep.clip.kept);
  const [playing, setPlaying] = useState(false);
  const [slow, setSlow] = useState(true);
  const events = useMemo(() => Object.fromEntries(rep.events.filter((e) => e.foot === "").map((e) => [e.name, e.t])), [rep.events]);
  const [frame, setFrame] = useState(0);
  /** How many times longer the film lasts than what happened. */
  const [filmRate, setFilmRate] = useState(1);

  const { trackSha256, captureFps } = rep;
  const cueCheck = rep.verdict?.checks.find((c) => c.id === rep.verdict?.cue?.id);
  const start = (cueCheck && rep.measures[cueCheck.measure]?.at) ?? events.impact ?? rep.series.t[0]!;
  useEffect(() => {
    let current = true;
    void fetch(`/api/tracks/${trackSha256}`)
      .then(async (r) => (r.ok ? readTrack(new Uint8Array(await r.arrayBuffer())) : null))
      .then((t) => {
        if (!current || !t) return;
        const real = finishTrack(realTime(t, captureFps), true);
        setFilmRate(captureFps === null ? 1 : captureFps / t.video.fps);
        setTrack(real);
        setFrame(nearestFrame(real.times, start));
      });
    return () => {
      current = false;
    };
  }, [trackSha256, captureFps, start]);

  const last = (track?.times.length ?? 1) - 1;
  const step = useCallback((by: number) => {
    setPlaying(false);
    setFrame((f) => Math.min(Math.max(f + by, 0), last));
  }, [last]);
  const toggle = useCallback(() => {
    if (lost) return;
    setFrame((f) => (f >= last ? 0 : f));
    setPlaying((p) => !p);
  }, [last, lost]);

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.target instanceof HTMLElement && /^(INPUT|SELECT|TEXTAREA|BUTTON|SUMMARY|A)$/.test(e.target.tagName) && e.key === " ") return;
      if (e.key === "ArrowLeft") step(e.shiftKey ? -10 : -1);
      else if (e.key === "ArrowRight") step(e.shiftKey ? 10 : 1);
      else if (e.key === " ") toggle();
      else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [step, toggle]);

  const end = useCallback(() => setPlaying(false), []);
  const filmLost = useCallback(() => setLost(true), []);
  const ms = track ? track.times[frame]! : start;
  const v = rep.verdict;
  const at = rep.boutReps.indexOf(rep.id);
  const title = v === null ? "Measured, not judged" : (v.cue?.words ?? (v.result === "pass" ? "Every check that counts passed" : "Not judged"));
  const date = new Intl.DateTimeFormat("en-GB", { weekday: "long", day: "numeric", month: "long", hour: "2-digit", minute: "2-digit", timeZone: "UTC" }).format(new Date(rep.boutStartedAt));
  return (
    <>
      <div className="flex flex-wrap items-start justify-between gap-4 pt-5">
        <div className="flex gap-5">
          {v && <VerdictGlyph name={glyphOf(v.result)} size={62} className="mt-1" />}
          <div>
            <p className="text-[15px] text-ink-2">
              {v && `${WORDS[v.result]} · `}rep {rep.number} of {rep.boutReps.length} · {rep.drill ?? "no drill"} · {date}
              {rep.place && `, ${rep.place}`}
            </p>
            <h1 className="mt-1 text-[34px] md:text-[46px]">{title}</h1>
          </div>
        </div>
        <div className="flex gap-3">
          {rep.boutReps[at - 1] && <Button asChild><Link href={`/reps/${rep.boutReps[at - 1]}`}>← Rep {rep.number - 1}</Link></Button>}
          {rep.boutReps[at + 1] && <Button asChild><Link href={`/reps/${rep.boutReps[at + 1]}`}>Rep {rep.number + 1} →</Link></Button>}
        </div>
      </div>
      {v?.reason && <p className="mt-2 max-w-[760px] text-[17px]">{v.reason.message}</p>}
      <div className="mt-4 grid gap-x-6 gap-y-8 lg:grid-cols-[minmax(320px,400px)_1fr]">
        <div>
          <Film
            src={lost ? null : `/api/clips/${rep.clip.sha256}`}
            track={track} hand={rep.hand} frame={frame} playing={playing} rate={slow ? 0.25 : 1}
            filmSecondsPerMs={filmRate / 1000}
            onFrame={setFrame} onEnd={end} onLost={filmLost}
          />
          {lost && <p className="mt-2 text-[15px] text-ink-2">The film was not kept, or this browser can&rsquo;t play it. Joints and numbers stay.</p>}
          <div className="mt-3 flex flex-wrap gap-2">
            <Button look="main" onClick={toggle} disabled={lost} aria-label={playing ? "Pause" : "Play"} className="w-13">
              <svg viewBox="0 0 20 20" width={20} height={20} fill="currentColor" aria-hidden>{playing ? <path d="M4 2h4v16H4zM12 2h4v16h-4z" /> : <path d="M4 1.5 18 10 4 18.5Z" />}</svg>
            </Button>
            <Button onClick={() => step(-1)} aria-label="One picture back">−1</Button>
            <Button onClick={() => step(1)} aria-label="One picture on">+1</Button>
            <Button onClick={() => setSlow((s) => !s)} aria-pressed={slow}>¼ speed</Button>
            <span className="self-center text-[14px] text-ink-2">← → step, space plays</span>
          </div>
          <Next rep={rep} />
        </div>
        <StripPanel rep={rep} events={events} ms={ms} seek={(t) => {
          setPlaying(false);
          if (track) setFrame(nearestFrame(track.times, t));
        }} />
      </div>
      <AlsoMeasured rep={rep} />
    </>
  );
}

/** The one thing to change, in a sentence. */
function Next({ rep }: { rep: RepDetail }) {
  const v = rep.verdict;
  const { stage } = rep;
  if (!v || !stage) return null;
  const action = stage.actions.find((a) => a.id === v.cue?.id);
  const check = stage.checks.find((c) => c.id === v.cue?.id);
  const result = v.checks.find((c) => c.id === v.cue?.id);
  const words = action?.next ?? (check && result ? failWords(check, result).next : null);
  const open = v.checks.filter((c) => c.must && (c.result === "too close" || c.result === "not measurable")).length;
  const text = words ?? (v.result === "pass" ? `Do it again: a set is four reps with a plain swing after each. ${rep.why}` : open ? "Do another: nearer the middle of the band the film is sure of it." : null);
  if (!text) return null;
  return (
    <section className="mt-5">
      <h2 className="mb-2 text-[23px]">Next</h2>
      <p>{text}</p>
      {rep.problems.map((p) => <p key={p.code} className="mt-2 border-l-4 border-edge pl-3">{p.message} {p.action}</p>)}
    </section>
  );
}
