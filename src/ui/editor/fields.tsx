"use client";

import { useId, useState } from "react";

const BOX = "w-full rounded-control border-[1.5px] border-edge bg-paper px-3 py-2 font-normal";

interface FieldProps {
  label: string;
  value: string;
  onChange: (v: string) => void;
  /** What is wrong with it, if anything. */
  wrong?: string | undefined;
  rows?: number;
  hint?: string;
}

/** A line or a few lines of text, with what is wrong beneath. */
export function TextField({ label, value, onChange, wrong, rows = 1, hint }: FieldProps) {
  const id = useId();
  const shared = {
    id,
    value,
    className: BOX,
    "aria-invalid": wrong !== undefined,
    "aria-describedby": wrong || hint ? `${id}-says` : undefined,
  };
  return (
    <div className="grid gap-1">
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      {rows > 1 ? (
        <textarea {...shared} rows={rows} onChange={(e) => onChange(e.target.value)} />
      ) : (
        <input {...shared} onChange={(e) => onChange(e.target.value)} />
      )}
      {(wrong ?? hint) && (
        <p id={`${id}-says`} className={`text-[15px] ${wrong ? "text-fail" : "text-ink-2"}`}>
          {wrong ?? hint}
        </p>
      )}
    </div>
  );
}

/** A list of sentences, a line each. */
export function LinesField({
  value,
  onChange,
  ...rest
}: Omit<FieldProps, "value" | "onChange"> & {
  value: readonly string[];
  onChange: (v: string[]) => void;
}) {
  // An empty line that is being begun must not vanish under the hands.
  const [text, setText] = useState({ of: value, text: value.join("\n") });
  const shown = text.of === value ? text.text : value.join("\n");
  return (
    <TextField
      {...rest}
      rows={Math.max(2, value.length + 1)}
      value={shown}
      onChange={(t) => {
        const list = t
          .split("\n")
          .map((l) => l.trim())
          .filter(Boolean);
        const next = list.join("\n") === value.join("\n") ? (value as string[]) : list;
        setText({ of: next, text: t });
        onChange(next);
      }}
    />
  );
}

/** A number or none; what is typed stays until it is one. */
export function NumberField({
  label,
  value,
  onChange,
  unit,
  wrong,
  none,
}: {
  label: string;
  value: number | null;
  onChange: (v: number | null) => void;
  unit: string;
  wrong?: boolean;
  none?: string;
}) {
  const id = useId();
  const [text, setText] = useState({ of: value, text: value === null ? "" : String(value) });
  const shown = Object.is(text.of, value) ? text.text : value === null ? "" : String(value);
  return (
    <div className="grid gap-1">
      <label htmlFor={id} className="side-note">
        {label}
      </label>
      <span className="flex items-baseline gap-2">
        <input
          id={id}
          inputMode="decimal"
          value={shown}
          placeholder={none}
          aria-invalid={wrong}
          className={`${BOX} max-w-24 text-right ${wrong ? "border-fail" : ""}`}
          onChange={(e) => {
            const typed = e.target.value.trim().replace(",", ".").replace("−", "-");
            const next = typed === "" ? null : Number(typed);
            if (Number.isNaN(next)) return setText({ of: value, text: e.target.value });
            setText({ of: next, text: e.target.value });
            onChange(next);
          }}
        />
        <span className="text-[15px]">{unit}</span>
      </span>
    </div>
  );
}
