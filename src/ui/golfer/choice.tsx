"use client";

import { RadioGroup } from "radix-ui";
import { useId } from "react";

/** One of a few answers, as large buttons side by side. */
export function Choice<T extends string>({
  legend,
  value,
  onChange,
  options,
}: {
  legend: string;
  value: T;
  onChange: (v: T) => void;
  options: readonly (readonly [T, string])[];
}) {
  const id = useId();
  return (
    <div>
      <p id={id} className="mb-2 font-semibold">
        {legend}
      </p>
      <RadioGroup.Root
        aria-labelledby={id}
        value={value}
        onValueChange={(v) => onChange(v as T)}
        className={`grid gap-3 ${options.length % 3 === 0 ? "grid-cols-3" : "grid-cols-2"}`}
      >
        {options.map(([v, name]) => (
          <RadioGroup.Item
            key={v}
            value={v}
            className="min-h-12 rounded-control border-[1.5px] border-edge font-semibold data-[state=checked]:border-ink data-[state=checked]:bg-ink data-[state=checked]:text-paper"
          >
            {name}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  );
}
