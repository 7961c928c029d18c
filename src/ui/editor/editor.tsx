"use client";

import { withId } from "@/core/maths";
import Link from "next/link";
import { useReducer, useState } from "react";
import { toast } from "sonner";
import { DRILLS } from "@/core/drills";
import { checkDrillFile, type DrillFile, type FileProblem } from "@/core/formats";
import { Button } from "@/ui/kit/button";
import { useAttempt } from "@/ui/kit/useAttempt";
import type { Units } from "@/ui/kit/units";
import { begunDraft, edit } from "./draft";
import type { EditedRep, EditorActions, Older, VersionLine } from "./editorTypes";
import { KeepBar } from "./keepBar";
import { Limits } from "./limits";
import { Versions } from "./versions";
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
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function Editor({ id, file, version, versions, reps, older, golfer, actions }: Props) {
  const [draft, send] = useReducer(edit, file, begunDraft);
  const [kept, setKept] = useState({ file, version });
  const base = withId(DRILLS, file.basedOn);
  const [pending, attempt] = useAttempt("That did not work. Nothing is lost: try again.");
  const { now } = draft;
  const read = checkDrillFile(now);
  const problems: FileProblem[] = read.ok ? [] : read.problems;
  const changed = JSON.stringify(now) !== JSON.stringify(kept.file);
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
          <p className="side-note">What should be asked of you?</p>
          <h1 className="page-title">{now.name || "No name yet"}</h1>
          <p className="mt-1 side-note">
            Your own version {kept.version}, made from{" "}
            <Link href={`/drills/${base.id}`} className="text-link">
              {base.name}
            </Link>
            , which stays as it is. Reps keep the version they were judged by.
          </p>
        </div>
        <Button asChild>
          <Link href={`/drills/${id}`}>See the drill</Link>
        </Button>
      </div>

      <Limits
        file={now}
        version={{ id, number: version }}
        base={base}
        reps={reps}
        golfer={golfer}
        change={change}
        wrong={wrongAt}
      />

      <section className="mt-10 border-t border-hair pt-8" aria-labelledby="words">
        <h2 id="words" className="mb-4 text-[29px]">
          Words and dose
        </h2>
        <WordsPart file={now} change={change} wrong={wrongAt} />
      </section>

      <Versions
        id={id}
        version={kept.version}
        versions={versions}
        older={older}
        actions={actions}
        pending={pending}
        attempt={attempt}
        goBack={goBack}
      />
      <KeepBar
        problems={problems}
        changed={changed}
        pending={pending}
        next={kept.version + 1}
        keep={keep}
        undo={draft.before.length ? () => send({ type: "undo" }) : null}
        redo={draft.after.length ? () => send({ type: "redo" }) : null}
      />
    </div>
  );
}
