import type { Metadata } from "next";
import Link from "next/link";
import { whoever } from "@/app/whoever";
import { errorRecord } from "@/core/practice";
import { allCorrections } from "@/server/reps/correct";
import { Button } from "@/ui/kit/button";
import { ErrorRecord } from "@/ui/review/errorRecord";

export const metadata: Metadata = { title: "What the program got wrong" };

export default async function RecordPage() {
  const { db, golfer } = await whoever();
  const all = await allCorrections(db, golfer.id);
  return (
    <>
      <p className="mt-5 side-note">What did the program get wrong?</p>
      <h1 className="page-title mb-4">
        {all.length === 0
          ? "You have corrected nothing"
          : all.length === 1
            ? "One correction of yours"
            : `${all.length} corrections of yours`}
      </h1>
      {all.length === 0 ? (
        <>
          <p className="mb-5 text-[17px]">
            Open a rep, go to a picture, and say what happens there. What you put right is collected
            here.
          </p>
          <Button asChild>
            <Link href="/reps">See the reps</Link>
          </Button>
        </>
      ) : (
        <>
          <ErrorRecord
            rows={errorRecord(all.map((c) => c.what))}
            verdicts={all.filter((c) => c.what.kind === "verdict").length}
            reps={new Set(all.map((c) => c.repId)).size}
          />
          <Button asChild className="mt-6">
            <a href="/api/corrections" download>
              All of them as a file (JSON)
            </a>
          </Button>
        </>
      )}
    </>
  );
}
