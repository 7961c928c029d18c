import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { whoever } from "@/app/whoever";
import { findRep } from "@/server/reps/queries";
import { RepReport } from "@/ui/review/repReport";

export const metadata: Metadata = { title: "Report" };

export default async function ReportPage({ params }: { params: Promise<{ id: string }> }) {
  const { db, golfer } = await whoever();
  const rep = await findRep(db, golfer.id, (await params).id);
  if (!rep) notFound();
  return <RepReport rep={rep} />;
}
