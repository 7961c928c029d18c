import { withId } from "@/core/maths";
import { useState } from "react";
import { toast } from "sonner";
import type { Drill } from "@/core/drills";
import { fileOf, ownDrillSchema, type DrillFile } from "@/core/formats";
import { BEST, bestBands, FEWEST } from "@/core/practice";
import { Button } from "@/ui/kit/button";
import type { Units } from "@/ui/kit/units";
import { CheckPart } from "./checkPart";
import { changeCheck, changeStage } from "./draft";
import type { EditedRep } from "./editorTypes";
import { LastReps } from "./lastReps";

interface Props {
  file: DrillFile;
  version: { id: string; number: number };
  /** The built-in drill that it was made from. */
  base: Drill;
  reps: readonly EditedRep[];
  golfer: { statureCm: number; units: Units };
  change: (place: string, c: (f: DrillFile) => DrillFile) => void;
  /** What is wrong at a place of the file. */
  wrong: (where: string) => string | undefined;
}

/** A drill's stages and their limits, beside the last reps judged by them. */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function Limits({ file, version, base, reps, golfer, change, wrong }: Props) {
  const [stageId, setStage] = useState(
    (file.stages.find((s) => base.stages.find((b) => b.id === s.id)?.main) ?? file.stages[0]!).id,
  );
  const at = file.stages.findIndex((s) => s.id === stageId);
  const stageFile = file.stages[at];
  // While a word is missing the limits still judge.
  const judged = stageFile
    ? withId(ownDrillSchema(file, version.id, version.number).stages, stageId)
    : null;
  const ofStage = reps.filter((r) => r.stageId === stageId);
  const best = judged && bestBands(judged, ofStage);
  return (
    <section aria-labelledby="limits">
      <h2 id="limits" className="text-[29px]">
        Limits
      </h2>
      <div className="mt-3 flex flex-wrap gap-2" role="group" aria-label="Stages">
        {base.stages.map((s) => {
          const own = file.stages.find((o) => o.id === s.id);
          return (
            <Button
              key={s.id}
              chosen={s.id === stageId}
              className={s.id === stageId || own ? "" : "border-dashed text-ink-2"}
              onClick={() => setStage(s.id)}
            >
              {own?.name ?? `${s.name} (left out)`}
              {s.view === "down-the-line" && ", from behind"}
            </Button>
          );
        })}
      </div>
      {stageFile && judged ? (
        <div className="mt-5 grid gap-x-12 gap-y-8 xl:grid-cols-[1fr_300px]">
          <div>
            <div className="flex flex-wrap gap-3">
              <Button
                disabled={!file.stages[1]}
                onClick={() =>
                  change(`out ${stageId}`, (f) => ({
                    ...f,
                    stages: f.stages.filter((s) => s.id !== stageId),
                  }))
                }
              >
                Leave this stage out
              </Button>
              <Button disabled={!best} onClick={takeBest}>
                Limits from my {BEST} best reps
              </Button>
              {!best && stageFile.checks.length > 0 && (
                <span className="self-center side-note">
                  That takes {FEWEST} measured reps; there{" "}
                  {ofStage.length === 1 ? "is one" : `are ${ofStage.length}`}.
                </span>
              )}
            </div>
            {stageFile.checks.length === 0 && (
              <p className="mt-5">Nothing is checked in this stage: its reps are counted.</p>
            )}
            <ul className="mt-2">
              {stageFile.checks.map((c, k) => {
                const where = `stages ${at + 1} (${stageId}), checks ${k + 1} (${c.id})`;
                return (
                  <CheckPart
                    key={c.id}
                    check={c}
                    judged={withId(judged.checks, c.id)}
                    stage={judged}
                    reps={ofStage}
                    statureCm={golfer.statureCm}
                    units={golfer.units}
                    change={(field, to) =>
                      change(`${stageId} ${c.id} ${field}`, changeCheck(stageId, c.id, to))
                    }
                    wrong={(field) => wrong(`${where}, ${field}`)}
                  />
                );
              })}
            </ul>
          </div>
          <aside className="xl:sticky xl:top-6 xl:self-start">
            <h3 className="display mb-2 text-[23px]">By these limits</h3>
            <LastReps stage={judged} reps={ofStage} />
          </aside>
        </div>
      ) : (
        <p className="mt-5">
          This stage is left out of your drill.{" "}
          <button
            type="button"
            className="font-semibold text-link"
            onClick={() => change(`in ${stageId}`, putBack(stageId))}
          >
            Take it in again
          </button>
        </p>
      )}
    </section>
  );

  function takeBest() {
    if (!best) return;
    const { bands, used } = best;
    change(
      "best",
      changeStage(stageId, (s) => ({
        ...s,
        checks: s.checks.map((c) => (bands[c.id] ? { ...c, band: bands[c.id]! } : c)),
      })),
    );
    toast(`Limits from ${used.length} reps: where reps like them still pass.`);
  }

  /** The stage as the built-in drill has it, in its place. */
  function putBack(which: string) {
    return (f: DrillFile): DrillFile => {
      const built = fileOf(base).stages;
      return {
        ...f,
        stages: built.flatMap(
          (s) => f.stages.find((o) => o.id === s.id) ?? (s.id === which ? [s] : []),
        ),
      };
    };
  }
}
