import type { Metadata } from "next";
import Link from "next/link";
import { whoever } from "@/app/whoever";
import { drillOf } from "@/server/drills/ownDrills";
import { localDay } from "@/server/practice/localDay";
import { drillNames } from "@/server/practice/log";
import { practised } from "@/server/practice/progress";
import { progressOf } from "@/server/practice/progressOf";
import { Button } from "@/ui/kit/button";
import { ProgressView } from "@/ui/progress/progressView";

export const metadata: Metadata = { title: "Progress" };

export default async function ProgressPage({
  searchParams,
}: {
  searchParams: Promise<{ drill?: string; stage?: string }>;
}) {
  const { db, golfer } = await whoever();
  const { drill: asked, stage: askedStage } = await searchParams;
  const own = await practised(db, golfer.id);
  const latest = own.find((o) => o.drillId === asked) ?? own[0];
  const drill = latest ? await drillOf(db, golfer.id, latest.drillId) : null;
  const stage =
    drill?.stages.find((s) => s.id === (askedStage ?? latest!.stageId)) ?? drill?.stages[0];
  if (!latest || !drill || !stage)
    return (
      <>
        <p className="mt-5 side-note">Is it holding, and does it carry over?</p>
        <h1 className="page-title mb-4">Nothing to tell yet</h1>
        <p className="mb-5 text-[17px]">
          Do a bout of a drill first: from two bouts on you see here what changes.
        </p>
        <Button look="main" asChild>
          <Link href="/drills">Choose a drill</Link>
        </Button>
      </>
    );
  const names = await drillNames(db);
  const p = await progressOf(db, golfer, drill, stage, localDay(new Date()));
  return (
    <ProgressView
      key={`${drill.id} ${stage.id}`}
      p={{
        ...p,
        drill: { id: drill.id, name: drill.name },
        stage: { id: stage.id, name: stage.name },
        others: own
          .filter((o) => o.drillId !== drill.id)
          .map((o) => ({ id: o.drillId, name: names.get(o.drillId)?.name ?? o.drillId })),
        units: golfer.units,
      }}
    />
  );
}
