"use client";

import { Button } from "@/ui/kit/button";

/** Prints the page: the browser also makes a file of it. */
export function PrintButton() {
  return (
    <Button look="main" onClick={() => window.print()}>
      Print, or save as PDF
    </Button>
  );
}
