import { toast } from "sonner";
import { Button } from "@/ui/kit/button";
import type { useAttempt } from "@/ui/kit/useAttempt";
import type { EditorActions, Older, VersionLine } from "./editorTypes";

interface Props {
  id: string;
  /** The one in use. */
  version: number;
  versions: readonly VersionLine[];
  older: Older;
  actions: EditorActions;
  pending: boolean;
  attempt: ReturnType<typeof useAttempt>[1];
  goBack: (to: number) => void;
}

/** A drill's versions, each of which can be gone back to, and the bin. */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function Versions({
  id,
  version,
  versions,
  older,
  actions,
  pending,
  attempt,
  goBack,
}: Props) {
  return (
    <section className="mt-10 border-t border-hair pt-8" aria-labelledby="versions">
      <h2 id="versions" className="mb-2 text-[29px]">
        Versions
      </h2>
      {older.reps > 0 && (
        <div className="mb-4 flex flex-wrap items-center gap-x-5 gap-y-2">
          <p className="max-w-prose text-[17px]">
            {older.reps === 1 ? "One rep was" : `${older.reps} reps were`} judged by an earlier
            version. By version {version},{" "}
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
                const n = await actions.judgeAgain(id, version);
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
  );
}
