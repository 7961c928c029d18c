"use client";

import { useEffect, useRef, useState } from "react";
import type { KeptStrip } from "@/server/reps/strips";
import { decidingCheck } from "./gates";
import type { StripSize } from "./geometry";
import { RepStrip } from "./repStrip";
import { stripLoader } from "./stripLoader";

/** Fetched when it is so near the screen. */
const NEAR = "400px";

/**
 * A rep's strip with its deciding gate alone, fetched and drawn when it comes near the screen;
 * until then its ground.
 */
export function LazyStrip({
  id,
  size,
  few = false,
  className = "",
}: {
  id: string;
  size: StripSize;
  few?: boolean;
  className?: string;
}) {
  const box = useRef<HTMLSpanElement>(null);
  const [strip, setStrip] = useState<KeptStrip | "none" | null>(null);
  useEffect(() => {
    let current = true;
    const seen = new IntersectionObserver(
      (entries) => {
        if (!entries.some((e) => e.isIntersecting)) return;
        seen.disconnect();
        stripLoader.load(id).then(
          (s) => current && setStrip(s ?? "none"),
          () => current && setStrip("none"),
        );
      },
      { rootMargin: NEAR },
    );
    seen.observe(box.current!);
    return () => {
      current = false;
      seen.disconnect();
    };
  }, [id]);
  return (
    <span
      ref={box}
      className={`block overflow-hidden bg-silt ${className}`}
      data-strip-of={id}
      data-drawn={strip !== null}
    >
      {strip === "none" && <span className="block p-1 text-[14px] text-ink-2">no strip</span>}
      {strip !== null && strip !== "none" && (
        <RepStrip
          size={size}
          {...(few ? { few } : {})}
          label=""
          data={{ ...strip, checks: strip.verdict?.checks ?? [] }}
          onlyGate={strip.verdict ? (decidingCheck(strip.verdict)?.id ?? "") : ""}
        />
      )}
    </span>
  );
}
