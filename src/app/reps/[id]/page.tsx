import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { database } from "@/server/db/open";
import { findRep } from "@/server/reps/queries";
import { RepReview } from "@/ui/review/repReview";

type Props = { params: Promise<{ id: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const rep = await findRep(await database(), (await params).id);
  return { title: rep ? `Rep ${rep.number}, ${rep.drill ?? "measured"}` : "No such rep" };
}

export default async function RepPage({ params }: Props) {
  const rep = await findRep(await database(), (await params).id);
  if (!rep) notFound();
  return <RepReview key={rep.id} rep={rep} />;
}
