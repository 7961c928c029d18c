import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { whoever } from "@/app/whoever";
import { glance } from "@/core/practice/glance";
import { findBout } from "@/server/reps/queries";
import { bestRep } from "@/server/reps/best";
import { BoutGlance } from "@/ui/reps/boutGlance";

export const metadata: Metadata = { title: "Bout" };

export default async function BoutPage({ params }: { params: Promise<{ id: string }> }) {
  const { db, golfer } = await whoever();
  const found = await findBout(db, golfer.id, (await params).id);
  if (!found) notFound();
  const { card, stage, measures, problems } = found;
  const seen = glance(card.reps.map(({ id, result, verdict }) => ({ id, result, verdict, measures: measures.get(id)! })), stage?.checks.map((c) => c.measure) ?? []);
  const best = stage && card.drillId ? await bestRep(db, golfer.id, card.drillId, stage.id) : null;
  return <BoutGlance bout={card} hand={golfer.hand} glance={seen} stage={stage} problems={Object.fromEntries(problems)} best={best} />;
}
