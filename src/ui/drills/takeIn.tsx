"use client";

import { useRef, useState } from "react";
import { type FileProblem, DRILL_FILE_TOO_LARGE, LARGEST_DRILL_FILE } from "@/core/formats";
import { useAttempt } from "@/ui/kit/useAttempt";
import { Button } from "@/ui/kit/button";

/** Takes in a drill from a file, or says all that is wrong with it. */
export function TakeIn({ takeIn }: { takeIn: (text: string) => Promise<FileProblem[]> }) {
  const input = useRef<HTMLInputElement>(null);
  const [wrong, setWrong] = useState<{ name: string; problems: FileProblem[] } | null>(null);
  const [pending, attempt] = useAttempt("The file could not be read. Try again.");
  const read = (file: File) =>
    attempt(async () => {
      // The computer refuses larger bodies without a word.
      if (file.size > LARGEST_DRILL_FILE)
        return setWrong({
          name: file.name,
          problems: [{ where: "the file", what: DRILL_FILE_TOO_LARGE }],
        });
      const problems = await takeIn(await file.text());
      setWrong(problems.length ? { name: file.name, problems } : null);
    });
  return (
    <div>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        className="sr-only"
        aria-label="Drill file"
        tabIndex={-1}
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = "";
          if (file) read(file);
        }}
      />
      <Button disabled={pending} onClick={() => input.current?.click()}>
        {pending ? "Reading it…" : "Take in a drill file"}
      </Button>
      {wrong && (
        <div role="alert" className="mt-3 max-w-prose border-l-4 border-fail pl-4">
          <p className="font-semibold">
            {wrong.name} was not taken in.{" "}
            {wrong.problems.length === 1
              ? "One thing is wrong:"
              : `${wrong.problems.length} things are wrong:`}
          </p>
          <ul className="mt-1 max-h-72 overflow-auto text-[15px]" tabIndex={0}>
            {wrong.problems.map((p) => (
              <li key={`${p.where} ${p.what}`} className="break-words">
                <strong>{p.where}</strong>: {p.what}
              </li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}
