import { Slot } from "radix-ui";
import type { ComponentProps } from "react";

type Look = "main" | "plain" | "quiet";

const LOOKS: Record<Look, string> = {
  main: "bg-ink text-paper border-ink hover:bg-stream",
  plain: "border-edge text-ink hover:bg-silt",
  quiet: "border-transparent text-link decoration-1 hover:decoration-2",
};

/**
 * A button, or with `asChild` a link that looks like one. At least 44 px high. @param chosen of
 * several ways: whether it is the one that is taken
 */
export function Button({
  look = "plain",
  asChild = false,
  chosen,
  className = "",
  ...props
}: ComponentProps<"button"> & { look?: Look; asChild?: boolean; chosen?: boolean }) {
  const Part = asChild ? Slot.Root : "button";
  return (
    <Part
      {...(asChild ? {} : { type: "button" as const })}
      {...(chosen === undefined ? {} : { "aria-pressed": chosen })}
      className={`inline-flex min-h-11 items-center justify-center gap-2 rounded-control border-[1.5px] px-4 font-semibold disabled:opacity-45 ${chosen ? LOOKS.main : LOOKS[look]} ${className}`}
      {...props}
    />
  );
}
