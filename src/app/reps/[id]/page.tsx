import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { requestDatabase } from "@/server/db/request";
import { findRep } from "@/server/reps/queries";
import { RepReview } from "@/ui/review/repReview";

type Props = { params: Promise<{ id: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const rep = await findRep(await requestDatabase(), (await params).id);
  return { title: rep ? `Rep ${rep.number}, ${rep.drill ?? "measured"}` : "No such rep" };
}

export default async function RepPage({ params }: Props) {
  const rep = await findRep(await requestDatabase(), (await params).id);
  if (!rep) notFound();
  return <RepReview key={rep.id} rep={rep} />;
}
