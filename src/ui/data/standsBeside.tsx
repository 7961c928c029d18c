"use client";

import { Button } from "@/ui/kit/button";
import { longTime } from "@/ui/kit/dates";
import { useAttempt } from "@/ui/kit/useAttempt";

interface Props {
  /** What was there before something was removed or replaced. */
  beside: readonly { id: string; words: string; at: string; undoable: boolean }[];
  undo(id: string): Promise<void>;
  allIsWell(id: string): Promise<void>;
}

/** What was removed or replaced and can still be had back; nothing where nothing stands beside. */
export function StandsBeside({ beside, undo, allIsWell }: Props) {
  const [pending, attempt] = useAttempt("That did not work. Nothing was changed.");
  if (!beside.length) return null;
  return (
    <section
      aria-labelledby="beside"
      className="mt-5 rounded-control border-[1.5px] border-edge bg-paper p-5"
    >
      <h2 id="beside" className="text-[23px]">
        Is all well?
      </h2>
      <p className="mb-3 max-w-prose text-[17px]">
        Your data as it was before stands beside until you say so, with its films.
      </p>
      <ul className="grid gap-3">
        {beside.map((b) => (
          <li key={b.id} className="flex flex-wrap items-center gap-3 border-t border-hair pt-3">
            <span className="min-w-[240px] flex-1 text-[17px]">
              {b.words} <span className="side-note">{longTime(new Date(b.at))}</span>
            </span>
            {b.undoable && (
              <Button disabled={pending} onClick={() => attempt(() => undo(b.id))}>
                Undo it
              </Button>
            )}
            <Button disabled={pending} onClick={() => attempt(() => allIsWell(b.id))}>
              All is well: remove what was before
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
