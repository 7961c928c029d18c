import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { bin } from "@/app/logActions";
import { whoever } from "@/app/whoever";
import { bestRep } from "@/server/reps/best";
import { findRep } from "@/server/reps/queries";
import { RepReview } from "@/ui/review/repReview";

type Props = { params: Promise<{ id: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { db, golfer } = await whoever();
  const rep = await findRep(db, golfer.id, (await params).id);
  return { title: rep ? `Rep ${rep.number}, ${rep.drill ?? "measured"}` : "No such rep" };
}

export default async function RepPage({ params }: Props) {
  const { db, golfer } = await whoever();
  const rep = await findRep(db, golfer.id, (await params).id);
  if (!rep) notFound();
  const best =
    rep.drillId && rep.stage
      ? await bestRep(db, golfer.id, rep.drillId, rep.stage.id, rep.id)
      : null;
  return <RepReview key={rep.id} rep={rep} best={best} bin={bin.bind(null, golfer.id)} />;
}
