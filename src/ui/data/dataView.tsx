"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { toast } from "sonner";
import { Button } from "@/ui/kit/button";
import { longTime } from "@/ui/kit/dates";
import { FILE_INPUT } from "@/ui/kit/fileChoice";
import { useAttempt } from "@/ui/kit/useAttempt";
import { sendBackup } from "./sendBackup";

interface Props {
  golfer: { id: string; name: string; sample: boolean };
  counts: { reps: number; bouts: number; films: number };
  binned: number;
  /** The program's own copies of the database, the latest first, and how many it keeps. */
  copies: readonly { at: Date; mb: number; reps: number }[];
  mostCopies: number;
  remove(): Promise<void>;
}

const counted = (n: number, what: string): string => `${n} ${what}${n === 1 ? "" : "s"}`;

/** Asked again so often, ms. */
const POLL_MS = 500;

/** What is kept, how it is taken away, brought back, and removed for good. */
// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export function DataView({ golfer, counts, binned, copies, mostCopies, remove }: Props) {
  return (
    <>
      <p className="mt-5 side-note">Where is what is yours, and how do you take it away?</p>
      <h1 className="page-title">
        {counted(counts.reps, "rep")} in {counted(counts.bouts, "bout")},{" "}
        {counted(counts.films, "film")}
      </h1>
      <p className="mt-2 max-w-prose text-[17px]">
        All of it lies on this computer and nowhere else. Nothing leaves it unless you take it away
        here.
      </p>
      <div className="mt-8 grid gap-x-12 gap-y-10 lg:grid-cols-2">
        <Backup />
        <Restore />
        <section aria-labelledby="out">
          <h2 id="out" className="text-[23px]">
            For other programs
          </h2>
          <p className="mb-3 text-[17px]">Open formats, described in docs/formats.md.</p>
          <div className="flex flex-wrap gap-3">
            <Button asChild>
              <a href="/api/log?as=csv" download>
                All measures as CSV
              </a>
            </Button>
            <Button asChild>
              <a href="/api/log?as=json" download>
                Log as JSON
              </a>
            </Button>
            <Button asChild>
              <a href="/api/corrections" download="corrections.json">
                Corrections as JSON
              </a>
            </Button>
          </div>
        </section>
        <section aria-labelledby="copies">
          <h2 id="copies" className="text-[23px]">
            Copies of the program&rsquo;s own
          </h2>
          <p className="mb-3 max-w-prose text-[17px]">
            While nobody uses it the program copies its database, opens the copy, and reads it
            whole. It keeps {mostCopies}: the latest, one older than a day, one older than a week.
            Films are not in them.
          </p>
          {copies.length ? (
            <ul className="text-[15px]">
              {copies.map((c) => (
                <li key={c.at.getTime()}>
                  {longTime(c.at)}: {c.reps} reps, {c.mb} MB
                </li>
              ))}
            </ul>
          ) : (
            <p className="side-note">There is none yet.</p>
          )}
          <p className="mt-3 max-w-prose side-note">
            To bring the latest back, stop the program and run{" "}
            <code className="whitespace-nowrap">npm run check-data -- --bring-back</code>
          </p>
        </section>
        <section aria-labelledby="gone">
          <h2 id="gone" className="text-[23px]">
            Away with it
          </h2>
          <p className="mb-3 text-[17px]">
            {binned ? (
              <>
                <Link className="text-link" href="/bin">
                  {binned} in the bin
                </Link>
                ; after 30 days they are gone.
              </>
            ) : (
              "The bin is empty."
            )}
          </p>
          <Remove golfer={golfer} remove={remove} />
        </section>
      </div>
    </>
  );
}

function Backup() {
  const [job, setJob] = useState<string | null>(null);
  const [share, setShare] = useState(0);
  const [wrong, setWrong] = useState<string | null>(null);
  useEffect(() => {
    if (!job) return;
    const timer = setInterval(
      () =>
        void fetch(`/api/backup?progress=${job}`).then(
          async (r) => {
            const { state, done, of, message } = (await r.json()) as {
              state: string;
              done: number;
              of: number;
              message: string | null;
            };
            setShare(of ? done / of : 0);
            if (state === "done" || state === "failed") setJob(null);
            if (state === "failed") setWrong(message);
          },
          () => undefined,
        ),
      POLL_MS,
    );
    return () => clearInterval(timer);
  }, [job]);
  const begin = () => {
    const id = crypto.randomUUID();
    setShare(0);
    setWrong(null);
    setJob(id);
    Object.assign(document.createElement("a"), {
      href: `/api/backup?job=${id}`,
      download: "",
    }).click();
  };
  return (
    <section aria-labelledby="backup">
      <h2 id="backup" className="text-[23px]">
        One file with all of it
      </h2>
      <p className="mb-3 text-[17px]">
        Golfers, log, reps, corrections, drills, films and tracks: put it on another disk, or carry
        it to another computer.
      </p>
      <Button look="main" disabled={job !== null} onClick={begin}>
        Save a backup
      </Button>
      {job && <Progress share={share}>The file is written; your browser can stop it.</Progress>}
      <Wrong words={wrong} />
    </section>
  );
}

function Restore() {
  const router = useRouter();
  const [file, setFile] = useState<File | null>(null);
  const [running, setRunning] = useState<{ words: string; share: number } | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const stop = useRef<AbortController | null>(null);
  const begin = async () => {
    if (!file) return;
    stop.current = new AbortController();
    setWrong(null);
    try {
      await sendBackup(file, (words, share) => setRunning({ words, share }), stop.current.signal);
      toast("All of it is back. What was there before stands beside: see above.");
      router.refresh();
    } catch (error) {
      if (!stop.current.signal.aborted)
        setWrong(
          `${error instanceof Error ? error.message : "The computer does not answer."} What was there stands.`,
        );
    } finally {
      setRunning(null);
    }
  };
  return (
    <section aria-labelledby="restore">
      <h2 id="restore" className="text-[23px]">
        Bring a backup back
      </h2>
      <p className="mb-3 text-[17px]">
        It takes the place of everything that is here now. It is read whole and checked before
        anything is changed.
      </p>
      <label className="block text-[15px]">
        The file
        <input
          type="file"
          accept=".zip,application/zip"
          className={FILE_INPUT}
          onChange={(e) => setFile(e.target.files?.[0] ?? null)}
        />
      </label>
      <div className="mt-3 flex gap-3">
        <Button disabled={!file || running !== null} onClick={() => void begin()}>
          Put it in the place of what is here
        </Button>
        {running && <Button onClick={() => stop.current?.abort()}>Stop</Button>}
      </div>
      {running && <Progress share={running.share}>{running.words}</Progress>}
      <Wrong words={wrong} />
    </section>
  );
}

/** For good: the name is typed first. */
function Remove({ golfer, remove }: Pick<Props, "golfer" | "remove">) {
  const [typed, setTyped] = useState("");
  const [pending, attempt] = useAttempt("That could not be removed. Nothing was changed.");
  return (
    <details>
      <summary className="min-h-11 cursor-pointer font-semibold">
        Remove {golfer.name} for good
      </summary>
      <p className="mb-2 max-w-prose text-[15px]">
        Reps, films, notes and plans of {golfer.name} are taken out. Until you say on this page that
        all is well, you can undo it; then they are gone, also from the database&rsquo;s own files
        and the program&rsquo;s copies.
      </p>
      <div className="flex flex-wrap items-end gap-3">
        <label className="text-[15px]">
          Type the name
          <input
            className="mt-1 block min-h-11 rounded-control border-[1.5px] border-edge bg-paper px-3 text-[17px]"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
          />
        </label>
        <Button disabled={pending || typed !== golfer.name} onClick={() => attempt(remove)}>
          Remove for good
        </Button>
      </div>
    </details>
  );
}

/** How far something is that takes a while. @param share 0–1 */
function Progress({ share, children }: { share: number; children: React.ReactNode }) {
  return (
    <label className="mt-3 block text-[15px]">
      {children}
      <progress className="mt-1 block h-2 w-full max-w-[360px] accent-ink" value={share} max={1} />
    </label>
  );
}

/** What went wrong, if anything did. */
function Wrong({ words }: { words: string | null }) {
  return (
    words && (
      <p role="alert" className="mt-3 max-w-prose text-fail">
        {words}
      </p>
    )
  );
}
