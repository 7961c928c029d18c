import { RangeApp } from "@/ui/range/rangeApp";

export default function RangePage() {
  return <RangeApp />;
}
