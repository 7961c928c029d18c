"use client";

import { useCallback, useMemo, useState } from "react";
import { filmedFigure, laidOver, playedFigure, type OverlaidFigure } from "@/core/practice";
import { nearestFrame } from "@/core/track";
import type { RepDetail } from "@/server/reps/queries";
import { Button } from "@/ui/kit/button";
import type { Drawn, OverlayPart } from "@/ui/picture/overlay";
import { Film } from "@/ui/review/film";
import { filmRange } from "@/ui/review/filmRange";
import { usePlayback } from "@/ui/review/usePlayback";
import { useTracks, type LoadedTrack } from "@/ui/review/useTrack";
import { clockOf } from "./clockOf";
import type { Compared, TargetMovement } from "./compared";
import { STROKES } from "./strokes";

const JOINTS: ReadonlySet<OverlayPart> = new Set<OverlayPart>(["joints"]);

interface Props {
  reps: readonly RepDetail[];
  /** The reps and, last, the target's movement where it is among them. */
  compared: readonly Compared[];
  target: TargetMovement | null;
  aligned: boolean;
  /** The others as figures over the first one's film; else films side by side. */
  over: boolean;
}

/** Films of what is compared, all on the first one's clock. */
export function Films(props: Props) {
  const tracks = useTracks(props.reps);
  if (!tracks) return <p className="mt-6 text-ink-2">Fetching the films…</p>;
  if (!tracks[0])
    return (
      <p className="mt-6">
        What was read of the first one&rsquo;s film is not there any more. Read its clip again.
      </p>
    );
  return <Played {...props} tracks={tracks} first={tracks[0]} />;
}

// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
function Played({
  reps,
  compared,
  target,
  aligned,
  over,
  tracks,
  first,
}: Props & { tracks: readonly (LoadedTrack | null)[]; first: LoadedTrack }) {
  const [one] = reps as [RepDetail, ...RepDetail[]];
  const { times } = first.track;
  const range = useMemo(() => filmRange(times, one.series), [times, one]);
  const play = usePlayback(
    times,
    range,
    nearestFrame(times, compared[0]!.events.top ?? one.series.t[0]!),
    0.25,
  );
  const ms = times[play.frame]!;
  const clocks = useMemo(
    () => compared.map((c) => clockOf(compared[0]!, c, aligned)),
    [compared, aligned],
  );
  const others = useMemo(
    () => othersOf(reps, compared, tracks, target),
    [reps, compared, tracks, target],
  );
  const figures = useMemo(
    () =>
      over ? others.map(({ k, at }) => ({ joints: at(clocks[k]!(ms)), dash: STROKES[k]! })) : [],
    [over, others, clocks, ms],
  );
  const unlaid = over
    ? compared.flatMap((c, k) =>
        k > 0 && others.every((o) => o.k !== k) ? [{ c, lost: tracks[k] === null }] : [],
      )
    : [];
  const shown = over ? reps.slice(0, 1) : reps;
  return (
    <section aria-label="Films" className="mt-6">
      <div className="flex flex-wrap gap-4">
        {shown.map((r, k) => (
          <One
            key={r.id}
            rep={r}
            loaded={tracks[k]!}
            name={compared[k]!.name}
            ms={clocks[k]!(ms)}
            over={k === 0 ? figures : NONE}
            share={shown.length}
            step={play.step}
          />
        ))}
        {over && (
          <div className="max-w-[420px] self-center text-[17px]">
            <p>
              Every figure stands at address where the feet of {compared[0]!.name} do, and is as
              large{target ? "; the target’s joints begin as high as those that were read" : ""}.
              What parts them afterwards is how they move.
            </p>
            <ul className="mt-3">
              {compared.map(
                (c, k) =>
                  unlaid.every((u) => u.c !== c) && (
                    <li key={c.id} className="flex min-h-8 items-center gap-3 font-semibold">
                      <svg width={44} height={10} aria-hidden>
                        <line
                          x1={2}
                          x2={42}
                          y1={5}
                          y2={5}
                          stroke="var(--ink)"
                          strokeWidth={3}
                          strokeDasharray={STROKES[k]!.join(" ")}
                          strokeLinecap="round"
                        />
                      </svg>
                      {c.name}
                    </li>
                  ),
              )}
            </ul>
            {unlaid.map(({ c, lost }) => (
              <p key={c.id} className="mt-2 side-note">
                {lost
                  ? `What was read of the film of ${c.name} is not there any more.`
                  : `${c.name} is seen from another side: it can’t be laid over this film.`}
              </p>
            ))}
          </div>
        )}
      </div>
      <label className="mt-2 block max-w-[900px]">
        <span className="sr-only">Picture</span>
        <input
          type="range"
          min={range[0]}
          max={range[1]}
          value={play.frame}
          onChange={(e) => play.go(Number(e.target.value))}
          aria-valuetext={`${Math.round(ms)} ms`}
          className="w-full accent-ink"
        />
      </label>
      <div className="flex gap-2">
        <Button look="main" onClick={play.toggle}>
          {play.playing ? "Pause" : "Play at ¼ speed"}
        </Button>
        <Button onClick={() => play.step(-1)} aria-label="One picture back">
          −1
        </Button>
        <Button onClick={() => play.step(1)} aria-label="One picture on">
          +1
        </Button>
      </div>
    </section>
  );
}

const NONE: readonly never[] = [];

/**
 * The figures that can be laid over the first one's film, by their place among what is compared:
 * those that were seen from the same side.
 */
function othersOf(
  reps: readonly RepDetail[],
  compared: readonly Compared[],
  tracks: readonly (LoadedTrack | null)[],
  target: TargetMovement | null,
): { k: number; at: ReturnType<typeof laidOver> }[] {
  const all = compared.map((c, k): OverlaidFigure | null => {
    const rep = reps[k];
    if (!rep) return target && playedFigure(target, c.hand);
    const loaded = tracks[k];
    return loaded
      ? filmedFigure(loaded.track, {
          hand: rep.hand,
          statureCm: rep.statureCm,
          addressMs: c.events.address ?? c.series.t[0]!,
        })
      : null;
  });
  const fromBehind = (k: number) => compared[k]!.series.behind !== undefined;
  return all.flatMap((figure, k) =>
    k > 0 && figure && fromBehind(k) === fromBehind(0)
      ? [{ k, at: laidOver(figure, all[0]!) }]
      : [],
  );
}

interface OneProps {
  rep: RepDetail;
  loaded: LoadedTrack | null;
  name: string;
  /** On its own clock. */
  ms: number;
  over: React.ComponentProps<typeof Film>["over"];
  share: number;
  step(by: number): void;
}

function One({ rep, loaded, name, ms, over, share, step }: OneProps) {
  const [lost, setLost] = useState(!rep.clip.kept);
  const onLost = useCallback(() => setLost(true), []);
  const range = useMemo(() => loaded && filmRange(loaded.track.times, rep.series), [loaded, rep]);
  const drawn = useMemo<Drawn | null>(
    () =>
      loaded && {
        track: loaded.track,
        hand: rep.hand,
        series: rep.series,
        limits: [],
        cmPerPx: null,
        address: 0,
      },
    [loaded, rep],
  );
  return (
    <figure className={share === 1 ? "w-[min(100%,440px)]" : "w-[min(100%,360px)]"}>
      {loaded && range && drawn ? (
        <Film
          src={lost ? null : rep.clip.sha256}
          drawn={drawn}
          range={range}
          frame={Math.min(Math.max(nearestFrame(loaded.track.times, ms), range[0]), range[1])}
          parts={JOINTS}
          over={over}
          feet={false}
          filmSecondsPerMs={loaded.filmRate / 1000}
          share={share}
          onDrag={step}
          onLost={onLost}
        />
      ) : (
        <div className="aspect-square bg-silt" />
      )}
      <figcaption className="mt-1 font-semibold">
        {name}
        {lost && <span className="font-normal text-ink-2">: the film was not kept</span>}
        {!loaded && (
          <span className="font-normal text-ink-2">
            : what was read of its film is not there any more
          </span>
        )}
      </figcaption>
    </figure>
  );
}
