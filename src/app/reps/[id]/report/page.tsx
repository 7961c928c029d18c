import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { requestDatabase } from "@/server/db/request";
import { findRep } from "@/server/reps/queries";
import { RepReport } from "@/ui/review/repReport";

export const metadata: Metadata = { title: "Report" };

export default async function ReportPage({ params }: { params: Promise<{ id: string }> }) {
  const rep = await findRep(await requestDatabase(), (await params).id);
  if (!rep) notFound();
  return <RepReport rep={rep} />;
}
