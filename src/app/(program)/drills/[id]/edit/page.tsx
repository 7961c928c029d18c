import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { backToVersion, binDrill, judgeDrillAgain, keepDrill } from "@/app/drillActions";
import { fileOf } from "@/core/formats";
import { wouldSay } from "@/core/practice";
import { whoever } from "@/app/whoever";
import { isOwn, versionsOf } from "@/server/drills/ownDrills";
import { judgedReps } from "@/server/reps/judgeAgain";
import { Editor } from "@/ui/editor/editor";
import { shortTime } from "@/ui/kit/dates";

export const metadata: Metadata = { title: "Change a drill" };

/** So many of the latest reps are judged beside the limits. */
const SHOWN = 60;
const ALL = 5000;

export default async function EditPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const { db, golfer } = await whoever();
  if (!(await isOwn(db, golfer.id, id))) notFound();
  const versions = await versionsOf(db, id);
  const latest = versions[0]!;
  const [own, built] = await Promise.all([
    judgedReps(db, golfer.id, id, ALL),
    judgedReps(db, golfer.id, latest.drill.basedOn!, SHOWN),
  ]);
  const reps = [...own, ...built].sort((a, b) => b.at.getTime() - a.at.getTime()).slice(0, SHOWN);
  const older = own.filter(
    (r) => r.by.version !== latest.version && latest.drill.stages.some((s) => s.id === r.stageId),
  );
  const changes = latest.drill.stages
    .flatMap((s) =>
      wouldSay(
        s,
        older.filter((r) => r.stageId === s.id),
      ),
    )
    .filter((c) => c.before !== c.after.result).length;
  return (
    <Editor
      key={id}
      id={id}
      file={fileOf(latest.drill)}
      version={latest.version}
      golfer={{ statureCm: golfer.statureCm, units: golfer.units }}
      versions={versions.map((v) => ({
        version: v.version,
        when: shortTime(v.at),
        file: fileOf(v.drill),
        reps: own.filter((r) => r.by.version === v.version).length,
      }))}
      reps={reps.map(({ by: _by, at: _at, boutId: _bout, ...r }) => r)}
      older={{ reps: older.length, changes, by: older[0]?.by.version ?? null }}
      actions={{
        keep: keepDrill.bind(null, golfer.id),
        back: backToVersion.bind(null, golfer.id),
        judgeAgain: judgeDrillAgain.bind(null, golfer.id),
        bin: binDrill.bind(null, golfer.id),
      }}
    />
  );
}
