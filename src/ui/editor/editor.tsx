"use client";

import Link from "next/link";
import { useReducer, useState } from "react";
import { toast } from "sonner";
import { DRILLS } from "@/core/drills";
import {
  checkDrillFile,
  fileOf,
  ownDrillSchema,
  type DrillFile,
  type FileProblem,
} from "@/core/formats/drillFile";
import { BEST, bestBands, FEWEST } from "@/core/practice/bestBands";
import { Button } from "@/ui/kit/button";
import { useAttempt } from "@/ui/kit/useAttempt";
import type { Units } from "@/ui/kit/units";
import { CheckPart } from "./checkPart";
import { begunDraft, changeCheck, changeStage, edit } from "./draft";
import type { EditedRep, EditorActions, Older, VersionLine } from "./editorTypes";
import { LastReps } from "./lastReps";
import { WordsPart } from "./wordsPart";

interface Props {
  id: string;
  file: DrillFile;
  version: number;
  versions: readonly VersionLine[];
  reps: readonly EditedRep[];
  older: Older;
  golfer: { statureCm: number; units: Units };
  actions: EditorActions;
}

/**
 * A drill of one's own, being changed: limits beside the last reps, words, stages, dose; versions
 * that can be gone back to.
 */
export function Editor({ id, file, version, versions, reps, older, golfer, actions }: Props) {
  const [draft, send] = useReducer(edit, file, begunDraft);
  const [kept, setKept] = useState({ file, version });
  const base = DRILLS.find((d) => d.id === file.basedOn)!;
  const [stageId, setStage] = useState(
    (file.stages.find((s) => base.stages.find((b) => b.id === s.id)?.main) ?? file.stages[0]!).id,
  );
  const [pending, attempt] = useAttempt("That did not work. Nothing is lost: try again.");
  const { now } = draft;
  const read = checkDrillFile(now);
  const problems: FileProblem[] = read.ok ? [] : read.problems;
  const changed = JSON.stringify(now) !== JSON.stringify(kept.file);
  const at = now.stages.findIndex((s) => s.id === stageId);
  const stageFile = now.stages[at];
  // While a word is missing the limits still judge.
  const judged = stageFile
    ? ownDrillSchema(now, id, version).stages.find((s) => s.id === stageId)!
    : null;
  const ofStage = reps.filter((r) => r.stageId === stageId);
  const best = judged && bestBands(judged, ofStage);
  const change = (place: string, c: (f: DrillFile) => DrillFile) =>
    send({ type: "change", place, change: c });
  const wrongAt = (where: string) => problems.find((p) => p.where === where)?.what;
  const keep = () =>
    attempt(async () => {
      const answer = await actions.keep(id, now);
      if (!answer.ok)
        return void toast.error(answer.problems.map((p) => `${p.where}: ${p.what}`).join(" "));
      const before = kept.version;
      setKept({ file: now, version: answer.version });
      send({ type: "kept" });
      toast(`Kept as version ${answer.version}.`, {
        action: { label: "Undo", onClick: () => goBack(before) },
      });
    });
  const goBack = (to: number) =>
    attempt(async () => {
      const old = versions.find((v) => v.version === to)?.file ?? file;
      setKept({ file: old, version: await actions.back(id, to) });
      change("back", () => old);
    });

  return (
    <div
      onKeyDown={(e) => {
        // In a field the browser's own undo is meant.
        if (
          !(e.ctrlKey || e.metaKey) ||
          e.key.toLowerCase() !== "z" ||
          e.target instanceof HTMLInputElement ||
          e.target instanceof HTMLTextAreaElement
        )
          return;
        e.preventDefault();
        send({ type: e.shiftKey ? "redo" : "undo" });
      }}
    >
      <div className="mt-5 mb-6 flex flex-wrap items-end justify-between gap-4">
        <div>
          <p className="text-[15px] text-ink-2">What should be asked of you?</p>
          <h1 className="mt-1 text-[34px] md:text-[46px]">{now.name || "No name yet"}</h1>
          <p className="mt-1 text-[15px] text-ink-2">
            Your own version {kept.version}, made from{" "}
            <Link href={`/drills/${base.id}`} className="underline underline-offset-4">
              {base.name}
            </Link>
            , which stays as it is. Reps keep the version they were judged by.
          </p>
        </div>
        <Button asChild>
          <Link href={`/drills/${id}`}>See the drill</Link>
        </Button>
      </div>

      <section aria-labelledby="limits">
        <h2 id="limits" className="text-[29px]">
          Limits
        </h2>
        <div className="mt-3 flex flex-wrap gap-2" role="group" aria-label="Stages">
          {base.stages.map((s) => {
            const own = now.stages.find((o) => o.id === s.id);
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
                  disabled={!now.stages[1]}
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
                  <span className="self-center text-[15px] text-ink-2">
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
                      judged={judged.checks.find((j) => j.id === c.id)!}
                      stage={judged}
                      reps={ofStage}
                      statureCm={golfer.statureCm}
                      units={golfer.units}
                      change={(field, to) =>
                        change(`${stageId} ${c.id} ${field}`, changeCheck(stageId, c.id, to))
                      }
                      wrong={(field) => wrongAt(`${where}, ${field}`)}
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
              className="font-semibold underline underline-offset-4"
              onClick={() => change(`in ${stageId}`, putBack(stageId))}
            >
              Take it in again
            </button>
          </p>
        )}
      </section>

      <section className="mt-10 border-t border-hair pt-8" aria-labelledby="words">
        <h2 id="words" className="mb-4 text-[29px]">
          Words and dose
        </h2>
        <WordsPart file={now} change={change} wrong={wrongAt} />
      </section>

      <section className="mt-10 border-t border-hair pt-8" aria-labelledby="versions">
        <h2 id="versions" className="mb-2 text-[29px]">
          Versions
        </h2>
        {older.reps > 0 && (
          <div className="mb-4 flex flex-wrap items-center gap-x-5 gap-y-2">
            <p className="max-w-prose text-[17px]">
              {older.reps === 1 ? "One rep was" : `${older.reps} reps were`} judged by an earlier
              version. By version {kept.version},{" "}
              {older.changes === 0
                ? "no verdict would change"
                : older.changes === 1
                  ? "one verdict would change"
                  : `${older.changes} verdicts would change`}
              .
            </p>
            <Button
              disabled={pending}
              onClick={() =>
                attempt(async () => {
                  const before = older.by;
                  const n = await actions.judgeAgain(id, kept.version);
                  toast(
                    `${n === 1 ? "One verdict is" : `${n} verdicts are`} another now.`,
                    before === null
                      ? {}
                      : {
                          action: {
                            label: "Undo",
                            onClick: () =>
                              attempt(async () => void (await actions.judgeAgain(id, before))),
                          },
                        },
                  );
                })
              }
            >
              Judge them again
            </Button>
          </div>
        )}
        <ol className="grid gap-1">
          {versions.map((v) => (
            <li
              key={v.version}
              className="flex flex-wrap items-center gap-x-4 border-b border-hair py-1"
            >
              <span className="min-h-11 content-center">
                Version {v.version}, {v.when}
                {v.reps > 0 &&
                  `; ${v.reps === 1 ? "one rep was" : `${v.reps} reps were`} judged by it`}
              </span>
              {v.version === versions[0]!.version ? (
                <span className="text-ink-2">in use</span>
              ) : (
                <Button look="quiet" disabled={pending} onClick={() => goBack(v.version)}>
                  Go back to it
                </Button>
              )}
            </li>
          ))}
        </ol>
        <Button
          className="mt-5"
          disabled={pending}
          onClick={() =>
            attempt(async () => {
              await actions.bin(id, true);
              toast("In the bin. Its reps keep it.", {
                duration: 15_000,
                action: { label: "Undo", onClick: () => attempt(() => actions.bin(id, false)) },
              });
            })
          }
        >
          Put this drill in the bin
        </Button>
      </section>

      <div className="sticky bottom-0 z-[1] -mx-5 mt-10 border-t-[3px] border-ink bg-paper px-5 py-3 md:-mx-10 md:px-10">
        {problems.length > 0 && (
          <ul
            role="alert"
            className="mb-2 max-h-32 overflow-auto text-[15px] text-fail"
            tabIndex={0}
            aria-label="What is wrong"
          >
            {problems.map((p) => (
              <li key={`${p.where} ${p.what}`}>
                {p.where}: {p.what}
              </li>
            ))}
          </ul>
        )}
        <div className="flex flex-wrap items-center gap-3">
          <Button look="main" disabled={pending || !changed || problems.length > 0} onClick={keep}>
            {pending ? "Keeping…" : `Keep as version ${kept.version + 1}`}
          </Button>
          <Button disabled={!draft.before.length} onClick={() => send({ type: "undo" })}>
            Undo
          </Button>
          <Button disabled={!draft.after.length} onClick={() => send({ type: "redo" })}>
            Redo
          </Button>
          <span className="text-[15px] text-ink-2">
            {changed ? "Not kept yet." : "Nothing to keep."}
          </span>
        </div>
      </div>
    </div>
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
