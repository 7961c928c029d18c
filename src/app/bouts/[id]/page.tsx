import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { bin, keepRow } from "@/app/logActions";
import { whoever } from "@/app/whoever";
import { glance } from "@/core/practice/glance";
import { drillOf } from "@/server/drills/ownDrills";
import { findBoutRow } from "@/server/practice/boutRow";
import { findBout } from "@/server/reps/bouts";
import { bestRep } from "@/server/reps/best";
import { BoutGlance } from "@/ui/reps/boutGlance";

export const metadata: Metadata = { title: "Bout" };

export default async function BoutPage({ params }: { params: Promise<{ id: string }> }) {
  const { db, golfer } = await whoever();
  const found = await findBout(db, golfer.id, (await params).id);
  if (!found) notFound();
  const { bout, reps, problems } = found;
  const best = bout.stage && bout.drillId ? await bestRep(db, golfer.id, bout.drillId, bout.stage.id) : null;
  const [row, drill] = await Promise.all([findBoutRow(db, golfer.id, bout.id), bout.drillId ? drillOf(db, bout.drillId) : null]);
  return <BoutGlance bout={bout} glance={glance(reps, bout.stage?.checks.map((c) => c.measure) ?? [])} problems={problems} best={best} row={row!} asked={drill?.asked ?? []} counted={bout.byHand ? bout.done : null} keep={keepRow} bin={bin} />;
}
