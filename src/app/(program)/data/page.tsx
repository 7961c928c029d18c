import type { Metadata } from "next";
import { allIsWell, removeForGood, undo } from "@/app/dataActions";
import { whoever } from "@/app/whoever";
import { dataDir } from "@/server/dataDir";
import { countsOf } from "@/server/practice/counts";
import { listCopies, MOST_COPIES } from "@/server/store/copies";
import { standingShown } from "@/server/store/standing";
import { DataView } from "@/ui/data/dataView";
import { StandsBeside } from "@/ui/data/standsBeside";

export const metadata: Metadata = { title: "Your data" };

export default async function DataPage() {
  const { db, golfer } = await whoever();
  const { binned, ...counts } = await countsOf(db, golfer.id);
  const dir = dataDir();
  const copies = listCopies(dir).map(({ at, bytes, rows }) => ({
    at,
    mb: Math.ceil(bytes / 1e6),
    reps: rows.rep,
  }));
  return (
    <>
      <StandsBeside beside={standingShown(dir)} undo={undo} allIsWell={allIsWell} />
      <DataView
        golfer={{ id: golfer.id, name: golfer.name, sample: golfer.sample }}
        counts={counts}
        binned={binned}
        copies={copies}
        mostCopies={MOST_COPIES}
        remove={removeForGood.bind(null, golfer.id)}
      />
    </>
  );
}
