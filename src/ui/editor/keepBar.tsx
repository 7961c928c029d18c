import type { FileProblem } from "@/core/formats";
import { Button } from "@/ui/kit/button";

interface Props {
  problems: readonly FileProblem[];
  /** There is something to keep. */
  changed: boolean;
  pending: boolean;
  /** The version that keeping makes. */
  next: number;
  keep: () => void;
  undo: (() => void) | null;
  redo: (() => void) | null;
}

/** What is wrong with the drill as it is now; keeping, undo and redo. */
export function KeepBar({ problems, changed, pending, next, keep, undo, redo }: Props) {
  return (
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
          {pending ? "Keeping…" : `Keep as version ${next}`}
        </Button>
        <Button disabled={!undo} onClick={() => undo?.()}>
          Undo
        </Button>
        <Button disabled={!redo} onClick={() => redo?.()}>
          Redo
        </Button>
        <span className="side-note">{changed ? "Not kept yet." : "Nothing to keep."}</span>
      </div>
    </div>
  );
}
