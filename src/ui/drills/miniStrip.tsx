"use client";

import { useEffect, useRef, useState } from "react";
import type { Brief } from "@/core/play";
import { RepStrip } from "@/ui/charts/strip/repStrip";
import { stripScales, type StripSize } from "@/ui/charts/strip/geometry";
import { briefMovement } from "./brief";

interface Props {
  drillId: string;
  stageId: string;
  fault?: string;
  golfer: { statureCm: number; hand: "left" | "right" };
  size: StripSize;
  /** The one gate that is drawn. */
  gate: string;
  /** Gates as what happened to them, not as what is asked. */
  judged?: boolean;
  /** Names top and strike beside it. */
  named?: boolean;
  label: string;
}

/** What goes by while a word is typed or the list is scrolled is not fetched. */
const STAYS_MS = 250;

/** A movement's strip, small, fetched when it has come into view and stays. */
export function MiniStrip({
  drillId,
  stageId,
  fault,
  golfer,
  size,
  gate,
  judged = false,
  named = false,
  label,
}: Props) {
  const place = useRef<HTMLDivElement>(null);
  const [brief, setBrief] = useState<Brief | null>(null);
  const { statureCm, hand } = golfer;
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const watcher = new IntersectionObserver(
      (entries) => {
        clearTimeout(timer);
        if (!entries.some((e) => e.isIntersecting)) return;
        // Without it the row still says everything in words.
        timer = setTimeout(() => {
          watcher.disconnect();
          briefMovement(drillId, stageId, fault ?? null, { statureCm, hand }).then(
            setBrief,
            () => {},
          );
        }, STAYS_MS);
      },
      { rootMargin: "200px" },
    );
    watcher.observe(place.current!);
    return () => {
      clearTimeout(timer);
      watcher.disconnect();
    };
  }, [drillId, stageId, fault, statureCm, hand]);
  return (
    <div
      ref={place}
      className="relative shrink-0 bg-silt"
      style={{ width: size.width, height: size.height }}
      {...(brief || !label ? {} : { role: "img", "aria-label": label })}
    >
      {brief && (
        <RepStrip
          data={{ ...brief, hand }}
          size={size}
          onlyGate={gate}
          asked={!judged}
          few
          label={label}
        />
      )}
      {brief && named && (
        <Names
          events={brief.events}
          y={stripScales(size, brief.series, brief.events, hand).y}
          left={size.width + 8}
        />
      )}
    </div>
  );
}

function Names({
  events,
  y,
  left,
}: {
  events: Record<string, number>;
  y: (ms: number) => number;
  left: number;
}) {
  return (
    [
      ["top", "top"],
      ["impact", "strike"],
    ] as const
  ).map(
    ([name, word]) =>
      events[name] !== undefined && (
        <span
          key={name}
          aria-hidden
          className="absolute text-[14px] leading-none font-semibold"
          style={{ left, top: y(events[name]) - 7 }}
        >
          {word}
        </span>
      ),
  );
}
