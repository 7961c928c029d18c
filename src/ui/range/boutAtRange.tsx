"use client";

import { useState } from "react";
import { counting, knownOf } from "@/ui/film/outbox";
import { Button } from "@/ui/kit/button";
import { longTime } from "@/ui/kit/dates";
import { glyphOf, VerdictGlyph, WORDS } from "@/ui/kit/glyphs";
import { To } from "@/ui/kit/to";
import type { AskedAtRange } from "./atRange";
import type { Home } from "./home";
import { NotHere } from "./notHere";
import { filmBytes, mb } from "./queueWords";
import type { OwnNote } from "./rangeStore";

/** A bout that was filmed on this phone: its reps, a note, and what becomes of its films. */
export function BoutAtRange({ home, state, bouts, asked }: AskedAtRange) {
  const bout = bouts.find((b) => b.id === asked.get("bout"));
  const note = state.notes.find((n) => n.boutId === bout?.id);
  if (!bout) return <NotHere what="This bout" />;
  const reps = bout.rows.flatMap((row) =>
    counting(row).map((r) => ({ ...r, row, told: knownOf(r) })),
  );
  const passed = reps.filter((r) => r.told.result === "pass").length;
  const bytes = filmBytes(bout.rows);
  const kept = bout.rows.some((r) => r.keepHere);
  return (
    <>
      <p className="mt-5 side-note">
        {bout.drill?.name ?? "A drill that is not here"}, {longTime(new Date(bout.at))}
      </p>
      <h1 className="page-title">
        {passed} of {reps.length} passed
      </h1>
      <ol className="mt-4 max-w-[640px]">
        {reps.map((r, k) => (
          <li key={r.id} className="border-b border-hair">
            <To
              href={`/reps/${r.id}`}
              className="flex min-h-13 items-center gap-4 py-2 hover:bg-silt"
            >
              <span className="w-6 text-right font-bold">{k + 1}</span>
              <VerdictGlyph name={glyphOf(r.told.result)} size={22} />
              <span className="grow">
                <strong>{WORDS[r.told.result]}</strong>
                {r.told.cue && `, ${r.told.cue.words.toLowerCase()}`}
              </span>
              <span className="side-note">
                {r.row.sentAt ? "on the computer" : r.row.film ? "film here" : "no film"}
              </span>
            </To>
          </li>
        ))}
      </ol>
      <Note key={bout.id} home={home} boutId={bout.id} note={note} />
      {(bytes > 0 || kept) && (
        <label className="mt-8 flex min-h-11 max-w-[640px] items-center gap-3 text-[17px]">
          <input
            type="checkbox"
            className="size-5 accent-ink"
            checked={kept}
            onChange={(e) => void home.keepHere(bout.id, e.target.checked)}
          />
          <span>
            Keep its films on this phone, {mb(bytes)}, when the computer has them too. Else they go
            then, and the verdicts after a day.
          </span>
        </label>
      )}
    </>
  );
}

function Note({ home, boutId, note }: { home: Home; boutId: string; note: OwnNote | undefined }) {
  const [written, setWritten] = useState(note?.note ?? "");
  return (
    <form
      className="mt-8 max-w-[640px]"
      onSubmit={(e) => {
        e.preventDefault();
        if (written.trim()) void home.writeNote(boutId, written.trim());
      }}
    >
      <label className="block">
        <span className="text-[20px]">A note beside it</span>
        <textarea
          value={written}
          maxLength={2000}
          rows={3}
          onChange={(e) => setWritten(e.target.value)}
          className="mt-1 block w-full rounded-control border-[1.5px] border-edge bg-paper p-3 text-[17px]"
        />
      </label>
      <div className="mt-3 flex flex-wrap items-center gap-4">
        <Button type="submit" disabled={!written.trim() || written.trim() === note?.note}>
          Keep the note
        </Button>
        {note && (
          <span className="side-note" aria-live="polite">
            {note.sent ? "The computer has it." : "Kept here until the computer has it."}
          </span>
        )}
      </div>
    </form>
  );
}
