"use client";

import { useCallback, useState } from "react";
import type { Movement } from "@/core/play";
import type { Check } from "@/core/drills";
import { CATALOGUE } from "@/core/measures";
import { Button } from "@/ui/kit/button";
import { To } from "@/ui/kit/to";
import { glyphOf, VerdictGlyph, WORDS } from "@/ui/kit/glyphs";
import { useAttempt } from "@/ui/kit/useAttempt";
import { wanted, type Units } from "@/ui/kit/units";
import { movementUrl } from "./brief";
import { Player } from "./player";
import { standingWords, type StandingShown } from "./standing";
import { PlayTime, TargetStrip } from "./targetStrip";

/** What of a stage is shown here; its scripts stay on the server. */
export interface StageShown {
  id: string;
  name: string;
  view: "face-on" | "down-the-line";
  note?: string;
  judged: boolean;
  checks: readonly Check[];
  faults: readonly { id: string; name: string; tell: string }[];
  /** Absent while nobody is known. */
  standing?: StandingShown;
}

/**
 * A stage's movement: the strip with its gates, the figure that plays it, and its faults beside it.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function DrillView({
  drillId,
  stage,
  target,
  golfer,
  movementOfFault = (id) => fetchedMovement(movementUrl(drillId, stage.id, id, golfer)),
  children,
}: {
  drillId: string;
  stage: StageShown;
  target: Movement | null;
  golfer: { statureCm: number; hand: "left" | "right"; units: Units };
  /** Where the movement of a fault comes from, unless from the computer. */
  movementOfFault?: (id: string) => Promise<Movement>;
  children: React.ReactNode;
}) {
  const [ms, setMs] = useState(target?.from ?? 0);
  const [shown, setShown] = useState<{ id: string | null; movement: Movement | null }>({
    id: null,
    movement: target,
  });
  const [trouble, setTrouble] = useState<string | null>(null);
  const [waiting, setWaiting] = useState<string | null>(null);
  const seek = useCallback((t: number) => setMs(t), []);
  const fault = stage.faults.find((f) => f.id === shown.id) ?? null;

  async function show(id: string | null) {
    setTrouble(null);
    if (id === null) return setShown({ id, movement: target });
    setWaiting(id);
    try {
      setShown({ id, movement: await movementOfFault(id) });
      setMs(0);
    } catch (error) {
      setTrouble(
        `This movement did not come: ${error instanceof Error ? error.message : "no answer"}. Try it again.`,
      );
    } finally {
      setWaiting(null);
    }
  }

  const { movement } = shown;
  return (
    <div className="grid gap-x-10 gap-y-10 xl:grid-cols-[1fr_320px]">
      <div>
        {movement ? (
          <PlayTime value={ms}>
            <TargetStrip
              movement={movement}
              checks={stage.checks}
              hand={golfer.hand}
              units={golfer.units}
              judged={fault === null}
            />
          </PlayTime>
        ) : (
          <Plain stage={stage} units={golfer.units} />
        )}
      </div>
      <div className="grid content-start gap-8">
        {movement && (
          <section aria-label="The movement, played">
            <Player
              movement={movement}
              ms={ms}
              seek={seek}
              label={`${stage.name}, ${fault ? fault.name.toLowerCase() : "as it is asked for"}, ${stage.view === "face-on" ? "seen from in front" : "seen from behind"}`}
            />
            {stage.faults.length > 0 && (
              <label className="mt-3 flex flex-wrap items-center gap-x-2 side-note">
                What is played?
                <select
                  value={shown.id ?? ""}
                  disabled={waiting !== null}
                  onChange={(e) => void show(e.target.value || null)}
                  className="min-h-11 border-b-[1.5px] border-edge bg-paper font-semibold text-ink"
                >
                  <option value="">as it is asked for</option>
                  {stage.faults.map((f) => (
                    <option key={f.id} value={f.id}>
                      fault: {f.name.toLowerCase()}
                    </option>
                  ))}
                </select>
              </label>
            )}
            <p aria-live="polite" className="mt-2 side-note">
              {waiting ? "The movement is coming." : (trouble ?? fault?.tell ?? "")}
            </p>
          </section>
        )}
        {children}
      </div>
    </div>
  );
}

async function fetchedMovement(url: string): Promise<Movement> {
  const response = await fetch(url);
  if (!response.ok) throw new Error(((await response.json()) as { message: string }).message);
  return (await response.json()) as Movement;
}

/** Where no strip can be drawn: what is looked at, in words. */
function Plain({ stage, units }: { stage: StageShown; units: Units }) {
  if (!stage.checks.length)
    return (
      <p className="max-w-prose text-[17px]">Nothing is measured here: the reps are counted.</p>
    );
  return (
    <>
      <h2 className="mb-3 text-[23px]">{stage.judged ? "What is checked" : "What is shown"}</h2>
      <ul className="grid max-w-prose gap-4">
        {stage.checks.map((c) => (
          <li key={c.id} className="leading-tight">
            <strong>{c.name}</strong>
            <span className="block text-[14px] text-ink-2">
              {wanted(c.band, c.measure, units)}. {CATALOGUE[c.measure].definition}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}

/**
 * The stages of a drill, as links; each with where the golfer is on it, the reps that say so, and
 * the way past it that is theirs to take.
 */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function Stages({
  drillId,
  stages,
  here,
  goOn,
}: {
  drillId: string;
  stages: readonly StageShown[];
  here: string;
  goOn: ((drillId: string, stageId: string, on: boolean) => Promise<void>) | null;
}) {
  const [pending, attempt] = useAttempt();
  return (
    <ol className="grid gap-1">
      {stages.map((s, i) => (
        <li key={s.id}>
          <To
            href={`/drills/${drillId}?stage=${s.id}`}
            scroll={false}
            aria-current={s.id === here ? "page" : undefined}
            className={`flex min-h-11 items-center gap-3 ${s.id === here ? "font-semibold" : "underline decoration-hair underline-offset-4 hover:decoration-ink"}`}
          >
            <svg viewBox="0 0 14 14" width={14} height={14} aria-hidden className="shrink-0">
              <circle
                cx={7}
                cy={7}
                r={5.8}
                fill={s.id === here ? "var(--ink)" : "none"}
                stroke="var(--ink)"
                strokeWidth={1.5}
              />
            </svg>
            <span>
              {s.name}
              <span className="block text-[14px] font-normal text-ink-2">
                {s.view === "face-on" ? "from in front" : "from behind"},{" "}
                {s.judged ? "judged" : "rehearsal: counted, not judged"}
              </span>
            </span>
          </To>
          {s.standing && s.standing.is !== "ahead" && (
            <div className="-mt-1 mb-1 pl-[26px] text-[14px] text-ink-2">
              <p>
                {s.standing.is === "here" && <strong className="text-ink">You are here. </strong>}
                {standingWords(s.standing)}
              </p>
              {s.standing.last.length > 0 && (
                <To
                  href={`/reps?drill=${drillId}`}
                  className="mt-1 flex min-h-8 flex-wrap items-center gap-1 text-link"
                  aria-label={`The last judged reps: ${s.standing.last.map((r) => WORDS[r].toLowerCase()).join(", ")}, the latest first. See them`}
                >
                  {s.standing.last.map((r, k) => (
                    <VerdictGlyph key={k} name={glyphOf(r)} size={14} />
                  ))}
                </To>
              )}
              {goOn && s.standing.wentOn && (
                <Button
                  look="quiet"
                  className="-ml-4"
                  disabled={pending}
                  onClick={() => attempt(() => goOn(drillId, s.id, false))}
                >
                  Stay on it after all
                </Button>
              )}
              {goOn && s.standing.is === "here" && i < stages.length - 1 && (
                <Button
                  look="quiet"
                  className="-ml-4"
                  disabled={pending}
                  onClick={() => attempt(() => goOn(drillId, s.id, true))}
                >
                  Go on without it
                </Button>
              )}
            </div>
          )}
        </li>
      ))}
    </ol>
  );
}
