import type { Metadata } from "next";
import Link from "next/link";
import { whoever } from "@/app/whoever";
import { findRep, type RepDetail } from "@/server/reps/queries";
import { CompareView } from "@/ui/compare/compareView";
import { Button } from "@/ui/kit/button";

export const metadata: Metadata = { title: "Compare" };

/** More lines than this can't be told apart. */
const MOST = 4;

export default async function ComparePage({ searchParams }: { searchParams: Promise<{ reps?: string }> }) {
  const { db } = await whoever();
  const ids = [...new Set(((await searchParams).reps ?? "").split(",").filter(Boolean))].slice(0, MOST);
  const reps = (await Promise.all(ids.map((id) => findRep(db, id)))).filter((r): r is RepDetail => r !== null);
  if (reps.length < 2)
    return (
      <>
        <p className="mt-5 text-[15px] text-ink-2">Where do they part?</p>
        <h1 className="mt-1 mb-4 text-[34px] md:text-[46px]">Two reps make a comparison</h1>
        <p className="mb-5 text-[17px]">{ids.length > reps.length ? "A rep that was asked for is not there any more." : "Open a rep and compare it with your best, or choose reps of a bout."}</p>
        <Button look="main" asChild><Link href="/reps">See the reps</Link></Button>
      </>
    );
  return <CompareView key={reps.map((r) => r.id).join()} reps={reps} />;
}
