"use client";

import { RadioGroup } from "radix-ui";
import { useId } from "react";

/** A question that yes or no answers, in one row. */
export function YesNo({
  question,
  value,
  onChange,
}: {
  question: string;
  value: "yes" | "no" | null;
  onChange: (v: "yes" | "no") => void;
}) {
  const id = useId();
  return (
    <div className="flex flex-wrap items-center justify-between gap-x-6 gap-y-2">
      <p id={id} className="text-[17px]">
        {question}
      </p>
      <RadioGroup.Root
        aria-labelledby={id}
        value={value}
        onValueChange={(v) => onChange(v as "yes" | "no")}
        className="flex gap-2"
      >
        {(["yes", "no"] as const).map((v) => (
          <RadioGroup.Item
            key={v}
            value={v}
            className="min-h-11 w-20 rounded-control border-[1.5px] border-edge font-semibold data-[state=checked]:border-ink data-[state=checked]:bg-ink data-[state=checked]:text-paper"
          >
            {v === "yes" ? "Yes" : "No"}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  );
}
