"use client";

import { Dialog } from "radix-ui";
import { useCallback, useEffect, useMemo, useState } from "react";
import type { InsoleReading } from "@/core/practice";
import type { Scene } from "@/core/scene";
import { nearestFrame, type Track } from "@/core/track";
import type { RepDetail } from "@/server/reps/queries";
import { feetView, viewOf, type Drawn, type OverlayPart } from "@/ui/picture/overlay";
import { Button } from "@/ui/kit/button";
import { WORDS } from "@/ui/kit/glyphs";
import { shownNumber, shownUnit } from "@/ui/kit/units";
import { wordsOfEvent } from "@/ui/charts/strip/words";
import { PartChoice, PlayBar } from "./playBar";
import { useKeys } from "./useKeys";
import { Film } from "./film";
import { filmRange } from "./filmRange";
import { repFileName } from "./repFileName";
import { SaveFilm } from "./saveFilm";
import { usePlayback } from "./usePlayback";

interface Props {
  rep: RepDetail;
  track: Track;
  filmRate: number;
  scale: Scene["scale"] | null;
  insoles: InsoleReading | null;
  /** The picture that it begins with, ms. */
  start: number;
  /** Where the page wants to go; told anew each time. */
  wanted: { ms: number } | null;
  /** Which picture is shown, ms. */
  shown(ms: number): void;
  undo(): void;
}

/** A loop around an event reaches so far each way, ms. */
const LOOP_MS = 250;
const KEYS = [
  ["← →", "one picture back, on"],
  ["Shift ← →", "ten pictures"],
  [", .", "event before, after"],
  ["Space", "play, stop"],
  ["S", "quarter speed"],
  ["L", "loop around the nearest event"],
  ["F", "feet larger"],
  ["Z", "take back the last change"],
  ["?", "these keys"],
] as const;

/** A rep's film with what moves it: exact pictures, speed, loop, zoom, what is drawn over it. */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function Viewer({
  rep,
  track,
  filmRate,
  scale,
  insoles,
  start,
  wanted,
  shown,
  undo,
}: Props) {
  const { series, hand } = rep;
  const kind = rep.stage?.rules.kind;
  const range = useMemo(() => filmRange(track.times, series), [track, series]);
  const [slow, setSlow] = useState(true);
  const [feet, setFeet] = useState(false);
  const [lost, setLost] = useState(!rep.clip.kept);
  const [help, setHelp] = useState(false);
  const [parts, setParts] = useState<ReadonlySet<OverlayPart>>(new Set<OverlayPart>(["joints"]));
  const play = usePlayback(track.times, range, nearestFrame(track.times, start), slow ? 0.25 : 1);
  const { frame, go, step, seek, toggle, setLoop } = play;
  const ms = track.times[frame]!;
  useEffect(() => shown(ms), [ms, shown]);
  useEffect(() => {
    if (wanted) seek(wanted.ms);
  }, [wanted, seek]);

  const times = useMemo(() => rep.events.map((e) => e.t).sort((a, b) => a - b), [rep.events]);
  const limits = useMemo(() => (kind === "swing" ? swayLimits(rep) : []), [rep, kind]);
  const drawn = useMemo<Drawn>(
    () => ({
      track,
      hand,
      series,
      limits,
      cmPerPx: scale?.cmPerPx ?? null,
      insoles,
      address: nearestFrame(
        track.times,
        rep.events.find((e) => e.name === "address")?.t ?? rep.series.t[0]!,
      ),
    }),
    [track, hand, series, limits, scale, rep, insoles],
  );
  const burn = useMemo(() => {
    const [first, last] = play.loop ?? range;
    return {
      drawn,
      filmSecondsPerMs: filmRate / 1000,
      range: [first, last] as const,
      rate: slow ? 0.25 : 1,
      parts: [...parts],
      view: feet ? feetView(track, ...range) : viewOf(track),
      title:
        "Rep " +
        `${rep.number}${rep.drill ? `, ${rep.drill.toLowerCase()}` : ""}${rep.verdict ? `: ${WORDS[rep.verdict.result].toLowerCase()}${rep.verdict.cue ? `, ${rep.verdict.cue.words.toLowerCase()}` : ""}` : ""}`,
      told: Array.from({ length: last - first + 1 }, (_, k) =>
        nearestWords(rep, track.times[first + k]!),
      ),
    };
  }, [drawn, filmRate, play.loop, range, slow, parts, feet, track, rep]);
  const loopHere = useCallback(() => {
    const about = times[nearestFrame(times, ms)];
    setLoop(
      play.loop || about === undefined
        ? null
        : [nearestFrame(track.times, about - LOOP_MS), nearestFrame(track.times, about + LOOP_MS)],
    );
  }, [times, ms, setLoop, play.loop, track]);
  const event = useCallback(
    (way: 1 | -1) => {
      const half = (track.times[1]! - track.times[0]!) / 2;
      const next =
        way === 1 ? times.find((t) => t > ms + half) : times.filter((t) => t < ms - half).at(-1);
      if (next !== undefined) seek(next);
    },
    [times, ms, seek, track],
  );

  useKeys({
    ArrowLeft: (shift) => step(shift ? -10 : -1),
    ArrowRight: (shift) => step(shift ? 10 : 1),
    ",": () => event(-1),
    ".": () => event(1),
    " ": toggle,
    s: () => setSlow((v) => !v),
    l: loopHere,
    f: () => setFeet((v) => !v),
    z: undo,
    "?": () => setHelp((v) => !v),
  });

  const onLost = useCallback(() => setLost(true), []);
  const drag = useCallback((by: number) => step(by), [step]);
  return (
    <div>
      <Film
        src={lost ? null : rep.clip.sha256}
        drawn={drawn}
        range={range}
        frame={frame}
        parts={parts}
        feet={feet}
        filmSecondsPerMs={filmRate / 1000}
        onDrag={drag}
        onLost={onLost}
      />
      {lost && (
        <p className="mt-2 side-note">
          The film was not kept, or this browser can&rsquo;t show its single pictures. Joints and
          numbers stay.
        </p>
      )}
      <label className="mt-2 block">
        <span className="sr-only">Picture</span>
        <input
          type="range"
          min={range[0]}
          max={range[1]}
          value={frame}
          onChange={(e) => go(Number(e.target.value))}
          aria-valuetext={`${nearestWords(rep, ms)}`}
          className="w-full max-w-[440px] accent-ink"
        />
      </label>
      <PlayBar
        play={play}
        slow={slow}
        setSlow={setSlow}
        feet={feet}
        setFeet={setFeet}
        loopHere={loopHere}
        help={() => setHelp(true)}
      />
      <PartChoice
        parts={parts}
        setParts={setParts}
        able={{
          limits: limits.length > 0,
          weight: Boolean(series.com && scale),
          insoles: insoles !== null,
        }}
      />
      {!lost && (
        <SaveFilm src={rep.clip.sha256} name={repFileName(rep)} frame={frame} burn={burn} />
      )}
      <Dialog.Root open={help} onOpenChange={setHelp}>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
          <Dialog.Content
            aria-describedby={undefined}
            className="fixed top-1/2 left-1/2 z-50 w-[min(92vw,440px)] -translate-1/2 border-[1.5px] border-ink bg-paper p-6"
          >
            <Dialog.Title className="mb-3 text-[23px]">Keys</Dialog.Title>
            <dl className="grid grid-cols-[110px_1fr] gap-y-2">
              {KEYS.map(([key, does]) => (
                <div key={key} className="contents">
                  <dt className="font-bold">{key}</dt>
                  <dd>{does}</dd>
                </div>
              ))}
            </dl>
            <Dialog.Close asChild>
              <Button className="mt-5">Close</Button>
            </Dialog.Close>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </div>
  );
}

/**
 * How far the hips may go from where they were at address: away from the target is negative along
 * the line.
 */
function swayLimits(rep: RepDetail): Drawn["limits"] {
  return (rep.verdict?.checks ?? []).flatMap(({ measure, band: [, most] }) =>
    measure === "pelvisSway" && most !== null
      ? [{ cm: -most, name: `${shownNumber(most, "cm", rep.units)} ${shownUnit("cm", rep.units)}` }]
      : [],
  );
}

/** The picture told by its nearest event: 'top + 34 ms'. */
function nearestWords({ events }: RepDetail, ms: number): string {
  const near = events
    .filter((e) => wordsOfEvent.has(e.name))
    .sort((a, b) => Math.abs(a.t - ms) - Math.abs(b.t - ms))[0];
  if (!near) return `${Math.round(ms)} ms`;
  const by = Math.round(ms - near.t);
  return `${wordsOfEvent.get(near.name)}${by === 0 ? "" : by > 0 ? ` + ${by} ms` : ` − ${-by} ms`}`;
}
