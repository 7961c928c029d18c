import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { whoever } from "@/app/whoever";
import { glance } from "@/core/practice/glance";
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
  return <BoutGlance bout={bout} glance={glance(reps, bout.stage?.checks.map((c) => c.measure) ?? [])} problems={problems} best={best} />;
}
