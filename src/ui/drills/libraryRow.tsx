"use client";

import { memo, useMemo } from "react";
import { DRILLS, isJudged, stageOf, type Drill } from "@/core/drills";
import { conflicts, findStyle, opposed } from "@/core/choose";
import { TINY } from "@/ui/charts/strip/geometry";
import { DrillName } from "./drillName";
import type { LibraryGolfer } from "./libraryGolfer";
import { MiniStrip } from "./miniStrip";

const LEVELS = ["", "easy", "middling", "hard"] as const;

/**
 * One drill of the list. It is drawn anew only when it is another: typing goes through the list at
 * every key.
 */
export const Row = memo(function Row({
  drill: d,
  number,
  golfer,
  narrow = false,
}: {
  drill: Drill;
  number?: number;
  golfer: LibraryGolfer;
  narrow?: boolean;
}) {
  const views = new Set(d.stages.map((s) => s.view));
  const stage = d.stages.find((s) => s.main && s.view === "face-on") ?? stageOf(d);
  const gate = stage.checks.find((c) => c.point)?.id ?? "";
  const last =
    golfer.last && golfer.last !== d.id ? DRILLS.find((o) => o.id === golfer.last) : undefined;
  const pull = useMemo(
    () =>
      last && d.group !== "baseline" && last.group !== "baseline"
        ? conflicts(d, last)[0]
        : undefined,
    [d, last],
  );
  const other = opposed(d, golfer.styles)[0];
  return (
    <li
      className={`grid grid-cols-[auto_1fr] gap-x-5 gap-y-1 border-b border-hair py-3 [contain-intrinsic-size:auto_118px] [content-visibility:auto] ${number ? (narrow ? "md:grid-cols-[auto_auto_1fr_200px]" : "md:grid-cols-[auto_auto_1fr_300px]") : "md:grid-cols-[auto_1fr_300px]"}`}
    >
      {number && (
        <span className="display hidden w-8 self-center text-[29px] md:block">{number}</span>
      )}
      <MiniStrip
        drillId={d.id}
        stageId={stage.id}
        golfer={golfer}
        size={ROW_STRIP}
        gate={gate}
        label={`The movement of ${d.name}, small`}
      />
      <DrillName drill={d} />
      <span className="col-span-2 side-note md:col-span-1">
        <strong className="text-ink">{d.minutes} min</strong> {d.places.join(" or ")},{" "}
        {LEVELS[d.level]}
        <span className="block">
          {d.gear.length ? d.gear.map((g) => g.name.toLowerCase()).join(", ") : "nothing needed"}
        </span>
        <span className="block">
          {views.size === 2
            ? "from in front and behind"
            : views.has("face-on")
              ? "from in front"
              : "from behind"}
          {d.group !== "baseline" && !d.stages.some(isJudged) && ", a rehearsal"}
        </span>
        {pull && last && (
          <span className="block text-ink">
            <strong>Pulls against {last.name}</strong>, your last:{" "}
            {pull.kind === "style"
              ? `the other side on ${findStyle(pull.style).about}`
              : pull.name.toLowerCase()}
          </span>
        )}
        {other && !(pull?.kind === "style" && pull.style === other) && (
          <span className="block">
            Not your side on {findStyle(other).about}: {d.styles[other]}
          </span>
        )}
      </span>
    </li>
  );
});

/** A row's strip: as the smallest of docs/look.md, a little lower. */
const ROW_STRIP = { ...TINY, width: 64, height: 84 };
