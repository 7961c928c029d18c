import type { Metadata } from "next";
import { Suspense } from "react";
import { Library } from "@/ui/drills/library";

export const metadata: Metadata = { title: "Drills" };

export default function DrillsPage() {
  return (
    <Suspense>
      <Library />
    </Suspense>
  );
}
