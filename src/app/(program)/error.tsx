"use client";

import { Button } from "@/ui/kit/button";

export default function ErrorPage({
  error,
  reset,
}: {
  error: Error & { digest?: string };
  reset: () => void;
}) {
  return (
    <>
      <h1 className="mt-10 mb-4 text-[46px]">This page broke off</h1>
      <p className="mb-5 max-w-[640px] text-[17px]">
        What was kept is untouched. Try again; if it stays so, start the program again with npm run
        demo. {error.digest && `The log names it ${error.digest}.`}
      </p>
      <Button look="main" onClick={reset}>
        Try again
      </Button>
    </>
  );
}
