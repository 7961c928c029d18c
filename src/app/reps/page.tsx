import type { Metadata } from "next";
import Link from "next/link";
import { whoever } from "@/app/whoever";
import { listBouts } from "@/server/reps/bouts";
import { BoutRow } from "@/ui/reps/boutRow";
import { Button } from "@/ui/kit/button";

export const metadata: Metadata = { title: "Reps" };

const PAGE = 12;

export default async function RepsPage({ searchParams }: { searchParams: Promise<{ page?: string }> }) {
  const { db, golfer } = await whoever();
  const page = Math.max(1, Number.parseInt((await searchParams).page ?? "1", 10) || 1);
  const bouts = await listBouts(db, golfer.id, PAGE + 1, (page - 1) * PAGE);
  const shown = bouts.slice(0, PAGE);
  const count = shown.reduce((n, b) => n + b.reps.length, 0);
  if (!shown.length)
    return (
      <>
        <p className="mt-5 text-[15px] text-ink-2">Which rep is worth a second look?</p>
        <h1 className="mt-1 mb-4 text-[34px] md:text-[46px]">No reps yet</h1>
        <p className="mb-5 text-[17px]">{page > 1 ? "There is nothing this far back." : "Film a double step from the front, then read the clip."}</p>
        <Button look="main" asChild><Link href={page > 1 ? "/reps" : "/read"}>{page > 1 ? "Latest reps" : "Read a clip"}</Link></Button>
      </>
    );
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <p className="mt-5 text-[15px] text-ink-2">Which rep is worth a second look?</p>
          <h1 className="mt-1 mb-5 text-[34px] md:text-[46px]">{count === 1 ? "One rep" : `${count} reps`} in {shown.length === 1 ? "one bout" : `${shown.length} bouts`}</h1>
        </div>
        <Button asChild className="mb-5"><Link href="/read">Read clips</Link></Button>
      </div>
      {shown.map((b) => <BoutRow key={b.id} bout={b} />)}
      <nav aria-label="Pages" className="flex justify-between border-t border-hair pt-5">
        {page > 1 ? <Link className="underline underline-offset-4" href={`/reps?page=${page - 1}`}>Later</Link> : <span />}
        {bouts.length > PAGE && <Link className="underline underline-offset-4" href={`/reps?page=${page + 1}`}>Earlier</Link>}
      </nav>
    </>
  );
}
