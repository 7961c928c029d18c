"use client";

import { useDroppable } from "@dnd-kit/core";

/** A day that a bout can be set down on. */
export function DayRow({ day, children }: { day: string; children: React.ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id: day });
  return (
    <div ref={setNodeRef} className={isOver ? "outline-[2.5px] -outline-offset-2 outline-ink" : ""}>
      {children}
    </div>
  );
}
