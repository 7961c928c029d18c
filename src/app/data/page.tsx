import type { Metadata } from "next";
import { removeForGoodOf } from "@/app/dataActions";
import { whoever } from "@/app/whoever";
import { countsOf } from "@/server/practice/counts";
import { DataView } from "@/ui/data/dataView";

export const metadata: Metadata = { title: "Your data" };

export default async function DataPage() {
  const { db, golfer } = await whoever();
  const { binned, ...counts } = await countsOf(db, golfer.id);
  return <DataView golfer={{ id: golfer.id, name: golfer.name, sample: golfer.sample }} counts={counts} binned={binned} remove={removeForGoodOf} />;
}
