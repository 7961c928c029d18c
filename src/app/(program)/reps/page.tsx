import type { Metadata } from "next";
import Link from "next/link";
import { z } from "zod";
import { whoever } from "@/app/whoever";
import { laterDay } from "@/core/practice";
import { localDay } from "@/server/practice/localDay";
import { logChoices, logPage } from "@/server/practice/log";
import { boutsById } from "@/server/reps/bouts";
import { Button } from "@/ui/kit/button";
import { longTime } from "@/ui/kit/dates";
import { FilterSentence } from "@/ui/log/filterSentence";
import { BoutLogRow } from "@/ui/reps/boutRow";

export const metadata: Metadata = { title: "Reps" };

/** Sessions of one page. */
const PAGE = 6;

const word = z
  .string()
  .max(200)
  .refine((w) => !w.includes("\0"))
  .optional()
  .catch(undefined);
const query = z.object({
  page: z.coerce.number().int().min(1).catch(1),
  text: word,
  drill: word,
  place: word,
  club: word,
  tag: word,
  from: z.iso.date().optional().catch(undefined),
  result: z.enum(["pass", "fail", "not judged"]).optional().catch(undefined),
});

// eslint-disable-next-line max-lines-per-function -- a screen's parts, in the order in which they are read
export default async function RepsPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string>>;
}) {
  const { db, golfer } = await whoever();
  const { page, drill, ...asked } = query.parse(await searchParams);
  const filter = Object.fromEntries(
    Object.entries({ ...asked, drillId: drill }).filter(([, v]) => v !== undefined),
  );
  const [sessions, choices] = await Promise.all([
    logPage(db, golfer.id, filter, PAGE + 1, (page - 1) * PAGE),
    logChoices(db, golfer.id),
  ]);
  const shown = sessions.slice(0, PAGE);
  const bouts = await boutsById(
    db,
    golfer.id,
    shown.flatMap((s) => s.bouts.map((b) => b.id)),
  );
  const filtered = Object.keys(filter).length > 0;
  const today = localDay(new Date());
  const to = (p: number) =>
    `/reps?${new URLSearchParams({ ...Object.fromEntries(Object.entries({ ...asked, drill }).filter((e): e is [string, string] => e[1] !== undefined)), page: `${p}` })}`;
  if (!shown.length && !filtered)
    return (
      <>
        <p className="mt-5 side-note">Which rep is worth a second look?</p>
        <h1 className="page-title mb-4">No reps yet</h1>
        <p className="mb-5 text-[17px]">
          {page > 1
            ? "There is nothing this far back."
            : "Film five normal swings first, or read clips that are filmed already."}
        </p>
        <div className="flex flex-wrap gap-3">
          <Button look="main" asChild>
            <Link href={page > 1 ? "/reps" : "/read"}>
              {page > 1 ? "Latest reps" : "Read a clip"}
            </Link>
          </Button>
          <Button asChild>
            <Link href="/reps/add">Add a bout without film</Link>
          </Button>
        </div>
      </>
    );
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-4">
        <h1 className="mt-5 [font-family:inherit] text-[15px] font-normal text-ink-2">
          Which rep is worth a second look?
        </h1>
        <div className="mt-3 flex flex-wrap gap-3">
          <Button asChild>
            <Link href="/read">Read clips</Link>
          </Button>
          <Button asChild>
            <Link href="/reps/add">Add a bout without film</Link>
          </Button>
        </div>
      </div>
      <div className="mt-2 mb-5">
        <FilterSentence
          {...choices}
          since={[7, 30, 90, 365].map((d) => ({
            day: laterDay(today, -d),
            words:
              d === 7
                ? "of the last week"
                : d === 365
                  ? "of the last year"
                  : `of the last ${d} days`,
          }))}
        />
      </div>
      {!shown.length && (
        <p className="border-t border-hair py-6 text-[17px]">
          Nothing in your log is like that.{" "}
          <Link className="text-link" href="/reps">
            Show all of it
          </Link>
        </p>
      )}
      {shown.map((s) => (
        <section key={s.id} aria-label={`Session of ${longTime(s.startedAt)}`}>
          <h2 className="border-t-[1.5px] border-edge pt-4 [font-family:inherit] text-[15px] font-semibold">
            <Link className="underline-offset-4 hover:underline" href={`/sessions/${s.id}`}>
              {longTime(s.startedAt)}
              {s.place && `, ${s.place}`}
            </Link>
            {s.weather && <span className="font-normal text-ink-2">, {s.weather}</span>}
            {s.note && <span className="block font-normal text-ink-2">{s.note}</span>}
          </h2>
          {s.bouts.map((b) => (
            <BoutLogRow key={b.id} bout={bouts.get(b.id)!} row={b} />
          ))}
        </section>
      ))}
      <nav aria-label="Pages" className="flex justify-between border-t border-hair pt-5">
        {page > 1 ? (
          <Link className="text-link" href={to(page - 1)}>
            Later
          </Link>
        ) : (
          <span />
        )}
        {sessions.length > PAGE && (
          <Link className="text-link" href={to(page + 1)}>
            Earlier
          </Link>
        )}
      </nav>
    </>
  );
}
